/** Takes what instruments say into the reading: to the zone the hand is at, one after the other, and back out again. */
import { copy } from "@/shared/plain";
import {
  Refused,
  type Measured,
  type Moisture,
  type Patch,
  type RawReading,
  type RawZoneReading,
  type TakenField,
} from "@/api";
import { askCount, askTake } from "@/shared/ask";
import type { ZoneReadings } from "@/shared/patches";
import { computed, ref, shallowRef, type Ref } from "vue";
import { onward, takenBack, wanted, withFigure } from "./intake";
import { useUnit } from "@/shared/unit";
import { useInstruments, type PictureMessage, type ValueMessage } from "./useInstruments";

/** A value that was taken, and what stood there before. */
export interface Landed {
  device: string;
  field: TakenField;
  patch: Patch;
  value: number | string;
  before: { read: RawZoneReading | undefined; room: RawReading["room"] };
}

/** A value that came while its instrument or the server was out of reach: whose zone it was, only a person knows by then. */
export interface Late {
  device: string;
  measured: Measured;
}

/** How many values can be taken back. */
const STEPS = 50;

export function useIntake(
  reading: Ref<RawReading>,
  patch: Ref<Patch>,
  pass: Ref<"dry" | "wet">,
  editable: Ref<boolean>,
) {
  const landed = shallowRef<Landed[]>([]);
  const late = shallowRef<Late[]>([]);
  /** Why the newest value was not taken; without words it waits among the late ones. */
  const { tell, tellFailure } = useUnit();
  const refusal = ref<{ device: string; said?: string }>();
  const now = ref<{ [patch: string]: Moisture | undefined }>({});
  let queue = Promise.resolve();

  const instruments = useInstruments({
    value: (message) => inTurn(() => value(message)),
    picture: (message) => inTurn(() => picture(message)),
    back: () => inTurn(async () => back()),
  });
  /** One after the other, so that a value finds its zone as the one before it left it. */
  function inTurn(act: () => Promise<void>) {
    queue = queue.then(act).catch(() => undefined);
  }

  const kinds = computed(() => instruments.mine.value.map((device) => device.kind));
  const zones = computed(() => (reading.value.zones ?? {}) as ZoneReadings);
  const next = computed(() => wanted(zones.value[patch.value], kinds.value, pass.value === "wet")[0]);

  async function value({ device, kept, measured }: ValueMessage) {
    if (kept) late.value = [...late.value, { device, measured }];
    else await take(device, measured);
  }

  async function picture({ device, kept, png, side_mm }: PictureMessage) {
    const bytes = Uint8Array.from(atob(png), (letter) => letter.charCodeAt(0));
    try {
      const count = await askCount(new Blob([bytes], { type: "image/png" }), side_mm);
      // The picture shows how wide hairs are, too: that stands in where nothing better will say it.
      const here = zones.value[patch.value];
      if (!kept && !kinds.value.includes("gauge") && !here?.width_um && !here?.like)
        await take(device, { quantity: "width", value: count.width_um, unit: "µm", sd: count.width_sd_um });
      const measured: Measured = {
        quantity: "density",
        value: count.hairs_per_cm2,
        unit: "1/cm²",
        sd: count.sd_per_cm2,
      };
      await value({ type: "value", device, number: 0, kept, measured });
    } catch (error) {
      refuse(device, error);
    }
  }

  async function take(device: string, measured: Measured) {
    if (!editable.value) return;
    refusal.value = undefined;
    const at = patch.value;
    const before = { read: copy(zones.value[at]), room: copy(reading.value.room) };
    try {
      const taken = await askTake({
        read: zones.value[at],
        room: reading.value.room,
        // On the wet pass hair is wet, whether or not a meter said so.
        now: pass.value === "wet" ? "wet" : (now.value[at] ?? null),
        measured,
      });
      const field = taken.field;
      // Only a meter says how moist hair stays; on the wet pass it is wet for that long.
      if (field === "moisture") now.value[at] = taken.now ?? undefined;
      const ofRoom = field === "temperature_c" || field === "humidity_pct";
      if (ofRoom) reading.value.room = { ...reading.value.room, [field]: taken.room[field] };
      else zones.value[at] = withFigure(zones.value[at], taken.read, field);
      const figure = ofRoom ? taken.room[field] : field === "moisture" ? taken.now : taken.read[field];
      if (figure === undefined || figure === null) return;
      landed.value = [...landed.value.slice(1 - STEPS), { device, field, patch: at, value: figure, before }];
      if (!ofRoom && field !== "moisture" && wanted(zones.value[at], kinds.value, pass.value === "wet").length === 0)
        patch.value = onward(zones.value, at, kinds.value, pass.value === "wet") ?? at;
    } catch (error) {
      refuse(device, error);
      // Nothing that was measured is lost because the server could not be asked.
      if (!(error instanceof Refused)) late.value = [...late.value, { device, measured }];
    }
  }

  function refuse(device: string, error: unknown) {
    const first = error instanceof Refused ? error.problem.fields[0]?.message : undefined;
    const said = first ? tell(first) : tellFailure(error);
    refusal.value = error instanceof Refused ? { device, said } : { device };
  }

  /** Takes the newest value out again and puts the hand back where it was. */
  function back() {
    const last = landed.value.at(-1);
    if (!last || !editable.value) return;
    landed.value = landed.value.slice(0, -1);
    refusal.value = undefined;
    if (last.field === "temperature_c" || last.field === "humidity_pct") reading.value.room = last.before.room;
    else {
      const zone = takenBack(zones.value[last.patch], last.before.read, last.field);
      if (zone) zones.value[last.patch] = zone;
      else delete zones.value[last.patch];
    }
    patch.value = last.patch;
  }

  /** Takes a late value into the zone the hand is at, or throws it away. */
  function settle(at: number, takeIt: boolean) {
    const found = late.value[at];
    late.value = late.value.filter((_, i) => i !== at);
    if (found && takeIt) inTurn(() => take(found.device, found.measured));
  }

  return { instruments, last: computed(() => landed.value.at(-1)), late, refusal, next, back, settle };
}

export type Intake = ReturnType<typeof useIntake>;
