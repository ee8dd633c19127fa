<script setup lang="ts">
import { copy, same } from "@/shared/plain";
import {
  type Place,
  type SheetZone,
  type StartingWish,
  type Zone,
  type ZoneAim,
  startingWishValues,
  zoneValues,
} from "@/api";
import {
  SaveState,
  bodyOf,
  hairQuestion,
  headQuestion,
  marksQuestion,
  uncutQuestion,
  useStage,
  useUndoKeys,
  useVisit,
} from "@/features/visit";
import { askFall, askFigure, askMarks, askWish } from "@/shared/ask";
import { notify } from "@/shared/notify";
import CheckField from "@/shared/CheckField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import LengthField from "@/shared/LengthField.vue";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import { heightOf } from "@/shared/headDrawing";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { mirrored } from "@/shared/patches";
import { useMediaQuery } from "@vueuse/core";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import AimAlso from "./AimAlso.vue";
import AimFigure from "./AimFigure.vue";
import AimWidths from "./AimWidths.vue";
import PlaceField from "./PlaceField.vue";
import { SIDES, STRANDS, longer, placeAt, stands, type Side } from "./figureDrawing";
import { sayWish } from "./sayPlace";

const { unit, say, tellFailure } = useUnit();
const visit = useVisit();
const document = useStage("aim");
useUndoKeys(document);
const aim = document.draft;
const zone = ref<Zone>(zoneValues.find((name) => aim.value.zones[name]) ?? "left_side");
const locked = computed(() => !document.editable.value);
/** On a phone there is room for one side: that of the zone in hand. */
const narrow = useMediaQuery("(max-width: 640px)");
const side = computed<Side>({
  get: () => STRANDS[zone.value].side,
  set: (wanted) => (zone.value = zoneValues.find((name) => STRANDS[name].side === wanted)!),
});

const figure = useComputed(
  "figure",
  computed(() => headQuestion(visit.value)),
  askFigure,
);
/** The hair that is drawn behind the lines: as it is, or as the aim wishes it once it wishes anything. */
const drawn = ref<"now" | "aimed">("aimed");
const wished = computed(() => Object.keys(aim.value.zones).length > 0);
const states = computed(() => (["now", "aimed"] as const).map((value) => ({ value, label: t(`aim-drawn-${value}`) })));
const hair = useLocks(
  computed(() => uncutQuestion(visit.value)),
  computed(() => (wished.value ? drawn.value : "now")),
  { count: LOCKS.small, aim },
);
const marks = useComputed(
  "marks",
  computed(() => marksQuestion(visit.value, unit.value, aim.value)),
  askMarks,
);

const open = computed({
  get: () => aim.value.open_face ?? false,
  set: (open_face) => (aim.value = { ...aim.value, open_face }),
});

const widths = computed({
  get: () => aim.value.widths ?? [],
  set: (widths) => (aim.value = { ...aim.value, widths }),
});
const widen = (at: number, width_mm: number) =>
  (widths.value = widths.value.map((wish, i) => (i === at ? { ...wish, width_mm } : wish)));
const faultAt = (field: string) => {
  const said = document.faultAt(field);
  return said ? t("field-fault", { said }) : undefined;
};
const fallNow = useComputed(
  "fall",
  computed(() => uncutQuestion(visit.value)),
  askFall,
);

/** Wishes in plain words: each sets its targets, to be changed from there. */
const STARTS = startingWishValues;
const headed = computed(() => hairQuestion(visit.value));
const starting = ref(false);
async function begin(wanted: StartingWish) {
  if (!headed.value) return;
  starting.value = true;
  try {
    aim.value = await askWish({ on: headed.value, aim: aim.value, wish: wanted });
  } catch (error) {
    notify(tellFailure(error));
  } finally {
    starting.value = false;
  }
}

const alike = ref(same(aim.value.zones.left_side, aim.value.zones.right_side));
const other = computed(() => mirrored(zone.value));

function wish(name: Zone, next: ZoneAim | undefined) {
  const zones = { ...aim.value.zones };
  const twin = mirrored(name);
  for (const zoneName of twin && alike.value ? [name, twin] : [name]) {
    if (next) zones[zoneName] = copy(next);
    else delete zones[zoneName];
  }
  aim.value = { ...aim.value, zones };
}

const lands = computed<Place | null | undefined>({
  get: () => aim.value.zones[zone.value]?.lands,
  set: (place) => land(zone.value, place),
});
const shortest = computed<Place | null | undefined>({
  get: () => aim.value.zones[zone.value]?.shortest,
  set: (place) => lands.value && wish(zone.value, { lands: lands.value, ...(place && { shortest: place }) }),
});
const wornMm = computed<number | null | undefined>({
  get: () => aim.value.zones[zone.value]?.worn_mm,
  set: (mm) => wear(zone.value, mm),
});
const shortestWornMm = computed<number | null | undefined>({
  get: () => aim.value.zones[zone.value]?.shortest_worn_mm,
  set: (mm) => wornMm.value && wish(zone.value, { worn_mm: wornMm.value, ...(mm && { shortest_worn_mm: mm }) }),
});

function land(name: Zone, place: Place | null | undefined) {
  const kept = aim.value.zones[name]?.shortest;
  wish(name, place ? { lands: place, ...(kept && { shortest: kept }) } : undefined);
}

function wear(name: Zone, mm: number | null | undefined) {
  const kept = aim.value.zones[name]?.shortest_worn_mm;
  wish(name, mm ? { worn_mm: mm, ...(kept && { shortest_worn_mm: kept }) } : undefined);
}

/** What a wish is made by; where there is none yet, what suits the hair unless the other was chosen. */
const chosen = ref<Partial<Record<Zone, WishedBy>>>({});
type WishedBy = "place" | "length";
const standing = computed(() => stands(sheets(zone.value)));
const wishedBy = computed<WishedBy>({
  get: () => {
    const now = aim.value.zones[zone.value];
    if (now) return now.lands ? "place" : "length";
    return chosen.value[zone.value] ?? (standing.value ? "length" : "place");
  },
  set: (by) => {
    chosen.value = { ...chosen.value, [zone.value]: by };
    const [sheet] = sheets(zone.value);
    if (!aim.value.zones[zone.value]) return;
    if (by === "length") {
      // Of hair that stands a wish by a place says nothing of use: it begins as it is.
      const mm = standing.value ? sheet?.present?.worn_mm : (sheet?.result?.target_mm ?? sheet?.present?.worn_mm);
      wish(zone.value, mm ? { worn_mm: longer(mm, 0) } : undefined);
    } else {
      const root = figure.data.value?.zones.find((known) => known.zone === zone.value);
      const [highest] = root?.reaches ?? [];
      if (!root || !highest) return;
      const height = Math.min(sheet?.result?.target_height_mm ?? 0, heightOf(figure.data.value!, highest.point));
      const place = placeAt(figure.data.value!, root, height);
      wish(zone.value, place ? { lands: place } : undefined);
    }
  },
});

function setAlike(on: boolean) {
  alike.value = on;
  const now = aim.value.zones[zone.value];
  if (on && other.value && now) wish(zone.value, now);
}

/** Whether the hair of a zone ends above a place. */
function tooShort(name: Zone, place: Place): boolean {
  if (!figure.data.value) return false;
  const height = heightOf(figure.data.value, place.point) - (place.below_mm ?? 0);
  return sheets(name).some(({ present }) => present && present.height_mm > height + REACH_MM);
}
/** What nobody sees that hair is too short by, mm. */
const REACH_MM = 2;

/** One line all round: every zone whose hair hangs to that point; or one length. */
function everywhere() {
  const now = aim.value.zones[zone.value];
  if (!now || !figure.data.value) return;
  const zones = { ...aim.value.zones };
  for (const known of figure.data.value.zones) {
    const reaches =
      !now.lands ||
      (known.reaches.some((reach) => reach.point === now.lands?.point) && !tooShort(known.zone, now.lands));
    if (reaches && known.zone !== "fringe") zones[known.zone] = copy(now);
  }
  aim.value = { ...aim.value, zones };
}

const WISHED_BY = ["place", "length"] as const;
const ODDS = [5, 10, 20, 100] as const;
const odds = computed({
  get: () => String(Math.round(1 / aim.value.risk)),
  set: (value: string) => (aim.value = { ...aim.value, risk: 1 / Number(value) }),
});

/** A zone that is read in halves has two. */
const sheets = (name: Zone): SheetZone[] => marks.data.value?.zones.filter((z) => z.zone === name) ?? [];
const fault = (field: string) => {
  const said = document.faultAt(`zones.${zone.value}.${field}`);
  return said ? t("field-fault", { said }) : undefined;
};

/** What keeps a wish from being computed although its zone is read. */
const contradiction = computed(() => {
  const found = sheets(zone.value)[0]?.missing.find(
    (m) => m.field.startsWith("aim.") && (m.problem.kind === "contradicts" || m.problem.kind === "longer_than"),
  );
  if (!found) return undefined;
  if (found.problem.kind !== "longer_than") return t("aim-aboveRoot");
  return t(wishedBy.value === "place" ? "aim-shortestLonger" : "aim-shortestWornLonger");
});

/** How long it is worn now; of a zone that is read in halves, of each. */
function wornNow(name: Zone): string {
  const said = sheets(name).flatMap(({ present }) => (present ? [say(present.worn_mm)] : []));
  return said.length > 0 ? said.join(" · ") : "·";
}

function difference(name: Zone): string {
  if (!aim.value.zones[name]) return "";
  const said = sheets(name).map(({ result, present }) => {
    if (!present) return t("aim-notRead");
    if (!result) return t("aim-look");
    const mm = present.worn_mm - result.target_mm;
    if (mm > 0.5) return t("aim-shorter", { length: say(mm) });
    return mm < -0.5 ? t("aim-longer", { length: say(-mm) }) : t("aim-asItIs");
  });
  return [...new Set(said)].join(" · ");
}
</script>

<template>
  <div class="view">
    <h1 class="visually-hidden">{{ t("stage-aim") }}</h1>
    <SaveState :document="document" undoable />
    <section class="stack">
      <ChoiceRow
        v-if="narrow"
        v-model="side"
        :label="t('plan-spaceSide')"
        hide-label
        :choices="SIDES.map((value) => ({ value, label: t(`plan-view-${value}`) }))"
      />
      <AimFigure
        v-if="figure.data.value"
        v-model:zone="zone"
        :figure="figure.data.value"
        :aim="aim"
        :marks="marks.data.value"
        :locks="hair.locks.value"
        :tones="hair.tones.value"
        :stale="hair.stale.value"
        :sides="narrow ? [side] : SIDES"
        :drawn="wished ? drawn : 'now'"
        :disabled="locked"
        @lands="land"
        @worn="wear"
        @width="widen"
      />
      <CheckField v-model="open" :label="t('aim-openFace')" :disabled="locked" />
      <AimWidths
        v-if="figure.data.value"
        v-model="widths"
        :figure="figure.data.value"
        :now="fallNow.data.value?.before"
        :fault-at="faultAt"
        :disabled="locked"
      />
      <AimAlso v-model="aim" :worn="bodyOf(visit, 'talk').worn" :fault-at="faultAt" :disabled="locked" />
      <ChoiceRow v-if="wished" v-model="drawn" :label="t('aim-drawn')" hide-label :choices="states" />
      <p class="legend small">
        <span class="now">{{ t("aim-legend-now") }}</span>
        <span class="aim">{{ t("aim-legend-aim") }}</span>
        <span class="shortest">{{ t("aim-legend-shortest") }}</span>
      </p>
    </section>
    <section class="stack">
      <FailureNote v-if="marks.error.value" :error="marks.error.value" @again="marks.refetch()" />
      <div class="row begin" role="group" :aria-label="t('aim-begin')">
        <span class="soft">{{ t("aim-begin") }}</span>
        <ElButton v-for="name in STARTS" :key="name" :disabled="locked || !headed || starting" @click="begin(name)">
          {{ t(`aim-begin-${name}`) }}
        </ElButton>
      </div>
      <div v-if="figure.data.value" class="sheet form">
        <h2>{{ t(`zone-${zone}`) }}</h2>
        <ChoiceRow
          v-model="wishedBy"
          :disabled="locked"
          :label="t('aim-wishedBy')"
          :choices="WISHED_BY.map((value) => ({ value, label: t(`aim-by-${value}`) }))"
        />
        <template v-if="wishedBy === 'place'">
          <p v-if="standing" class="caution">{{ t("aim-stands") }}</p>
          <PlaceField
            v-model="lands"
            :label="t('aim-lands')"
            :zone="figure.data.value.zones.find((z) => z.zone === zone)!"
            :fault="fault('lands.below_mm')"
            :disabled="locked"
          />
          <PlaceField
            v-model="shortest"
            optional
            :label="t('aim-shortest')"
            :zone="figure.data.value.zones.find((z) => z.zone === zone)!"
            :fault="fault('shortest.below_mm')"
            :disabled="locked || !lands"
          />
        </template>
        <div v-else class="lengths">
          <LengthField v-model="wornMm" :label="t('aim-worn')" :fault="fault('worn_mm')" :disabled="locked" />
          <LengthField
            v-model="shortestWornMm"
            :label="t('aim-shortest')"
            :fault="fault('shortest_worn_mm')"
            :disabled="locked || !wornMm"
          />
        </div>
        <p v-if="contradiction" class="caution" role="alert">{{ contradiction }}</p>
        <div class="row">
          <CheckField
            v-if="other"
            :model-value="alike"
            :label="t('aim-alike')"
            :disabled="locked"
            @update:model-value="setAlike"
          />
          <ElButton :disabled="locked || !aim.zones[zone]" @click="everywhere">
            {{ t(wishedBy === "place" ? "aim-everywhere" : "aim-everywhereLong") }}
          </ElButton>
        </div>
      </div>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t("read-zone") }}</th>
            <th scope="col" class="figure">{{ t("aim-nowWorn") }}</th>
            <th scope="col">{{ t("aim-wish") }}</th>
            <th scope="col">{{ t("aim-means") }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="name in zoneValues" :key="name" :class="{ here: name === zone }" @click="zone = name">
            <th scope="row">
              <button type="button" :aria-current="name === zone ? 'true' : undefined" @click.stop="zone = name">
                {{ t(`zone-${name}`) }}
              </button>
            </th>
            <td class="figure">{{ wornNow(name) }}</td>
            <td class="wish">{{ aim.zones[name] ? sayWish(aim.zones[name]!, unit) : "" }}</td>
            <td>{{ difference(name) }}</td>
          </tr>
        </tbody>
      </table>
      <div>
        <ChoiceRow
          v-model="odds"
          :disabled="locked"
          :label="t('aim-risk')"
          :choices="ODDS.map((n) => ({ value: String(n), label: t('aim-oneIn', { n }) }))"
        />
        <p class="soft small">{{ t("aim-riskHint") }}</p>
      </div>
      <p>
        <RouterLink class="onward" :to="{ name: 'plan' }">{{ t("aim-onward") }}</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 24px 36px;
  max-width: 1480px;
  margin: 0 auto;
  padding: 16px 24px 48px;
}

section {
  gap: 12px;
}

.form {
  padding: 12px 20px;
  display: grid;
  gap: 10px;
}

.lengths {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: start;
}

h2 {
  font-size: 1.6rem;
}

th,
td {
  border-bottom: 1px solid var(--line);
  height: 37px;
  padding: 0 12px 0 0;
}

thead th {
  font-size: 0.9rem;
  color: var(--ink-soft);
}

.figure {
  text-align: right;
  white-space: nowrap;
}

th button {
  white-space: nowrap;
}

.wish {
  color: var(--aim);
  font-weight: 600;
}

tbody tr {
  cursor: pointer;
}

.here {
  box-shadow: inset 5px 0 0 var(--ink);
  background: var(--sheet);
}

button:not(.el-button) {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
  min-height: 37px;
  width: 100%;
  padding: 0 8px 0 14px;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  justify-content: center;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 30px;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 3px solid var(--now);
}

.legend .aim::before {
  border-top: 3px dashed var(--aim);
}

.legend .shortest::before {
  border-top: 2px dotted var(--aim);
}

.onward {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 650;
}

@media (max-width: 1000px) {
  .view {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
