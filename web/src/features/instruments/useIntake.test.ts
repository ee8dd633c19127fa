// @vitest-environment happy-dom
import {
  Refused,
  Unreachable,
  type Measured,
  type ProblemDetails,
  type RawReading,
  type Taken,
  type Patch,
} from "@/api";
import * as ask from "@/shared/ask";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { createPinia, setActivePinia } from "pinia";
import { effectScope, ref } from "vue";
import { useIntake } from "./useIntake";
import * as instruments from "./useInstruments";

const askTake = vi.fn<typeof ask.askTake>();
/** What the instruments would say, said by hand; a comb is paired. */
const line = { heard: undefined as instruments.Heard | undefined };
const paired = { mine: { value: [{ kind: "comb", id: "comb-1" }] } } as unknown as instruments.Instruments;

const length: Measured = { quantity: "length", value: 300, unit: "mm", pull_cn: 40 };
const patch = ref<Patch>("top");
const reading = ref<RawReading>({ zones: {} } as RawReading);

const pass = ref<"dry" | "wet">("dry");

function intake() {
  setActivePinia(createPinia());
  pass.value = "dry";
  patch.value = "top";
  reading.value = { zones: {} } as RawReading;
  return effectScope().run(() => useIntake(reading, patch, pass, ref(true)))!;
}
/** Says it, and lets what follows from it happen. */
async function say(kept = false) {
  line.heard!.value({ type: "value", device: "comb-1", number: 1, kept, measured: length });
  await new Promise((rested) => setTimeout(rested));
}
const taken = (field: "stretched_mm" | "sprung_mm", mm: number) =>
  ({ field, read: { [field]: mm, with: { [field]: { sd: 1 } } }, room: {}, now: null }) as unknown as Taken;

beforeEach(() => {
  askTake.mockReset();
  vi.spyOn(ask, "askTake").mockImplementation(askTake);
  vi.spyOn(instruments, "useInstruments").mockImplementation((heard) => {
    line.heard = heard;
    return paired;
  });
});

describe("what instruments say", () => {
  it("lands in its zone, moves on once the zone is done, and comes out again step by step", async () => {
    const { last, back } = intake();
    askTake.mockResolvedValueOnce(taken("stretched_mm", 300)).mockResolvedValueOnce(taken("sprung_mm", 150));
    await say();
    expect(reading.value.zones?.top).toMatchObject({ stretched_mm: 300, with: { stretched_mm: { sd: 1 } } });
    expect(patch.value).toBe("top");
    await say();
    expect(last.value).toMatchObject({ field: "sprung_mm", patch: "top", value: 150 });
    expect(patch.value).toBe("crown");
    back();
    expect(patch.value).toBe("top");
    expect(reading.value.zones?.top?.sprung_mm).toBeUndefined();
    back();
    expect(reading.value.zones?.top).toBeUndefined();
    expect(last.value).toBeUndefined();
  });

  it("is of wet hair on the wet pass, and of dry hair again after it", async () => {
    intake();
    const now = () => askTake.mock.calls.map(([asked]) => asked.now);
    // What was asked of wet hair is answered for wet hair.
    askTake.mockResolvedValueOnce({ ...taken("sprung_mm", 150), now: "wet" });
    askTake.mockResolvedValueOnce(taken("sprung_mm", 150));
    pass.value = "wet";
    await say();
    pass.value = "dry";
    patch.value = "top";
    await say();
    expect(now()).toEqual(["wet", null]);
  });

  it("waits for a person when it came late, and when the server could not be asked", async () => {
    const { late, refusal, settle } = intake();
    await say(true);
    expect(late.value).toHaveLength(1);
    expect(askTake).not.toHaveBeenCalled();
    askTake.mockRejectedValueOnce(new Unreachable("down"));
    await say();
    expect(late.value).toHaveLength(2);
    expect(refusal.value).toEqual({ device: "comb-1" });
    settle(0, false);
    askTake.mockResolvedValueOnce(taken("stretched_mm", 300));
    settle(0, true);
    await new Promise((rested) => setTimeout(rested));
    expect(late.value).toEqual([]);
    expect(reading.value.zones?.top?.stretched_mm).toBe(300);
  });

  it("is refused with the reason, and nothing changes", async () => {
    const { late, refusal } = intake();
    const problem = { fields: [{ field: "measured.value", message: { id: "fault-missing" } }] };
    askTake.mockRejectedValueOnce(new Refused(problem as unknown as ProblemDetails));
    await say();
    expect(refusal.value?.said).toBe("is needed");
    expect(late.value).toEqual([]);
    expect(reading.value.zones).toEqual({});
  });
});
