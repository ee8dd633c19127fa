<script setup lang="ts">
/** The hair as it is now: where its line lies, how the computed hair falls, and how well the two agree. */
import ChoiceField from "@/shared/ChoiceField.vue";
import FoldPart from "@/shared/FoldPart.vue";
import {
  type Agreement,
  type FallRequest,
  type Figure,
  type HairNow,
  type LineAt,
  type LinePoint,
  type Point,
  lineAtValues,
} from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { headOf, LOCKS, useLocks } from "@/shared/hair/useLocks";
import { frame, outline } from "@/shared/fallDrawing";
import type { View } from "@/shared/sights";
import LengthField from "@/shared/LengthField.vue";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { askDoubts } from "@/shared/ask";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import { apart, lineTicks } from "./agreement";

const line = defineModel<LinePoint[]>();
const props = defineProps<{
  figure: Figure;
  now: HairNow | undefined;
  /** What its hair is asked for with; nothing while too little is measured. */
  question: FallRequest | undefined;
  /** Whether enough is measured, so that only the answer is still on its way. */
  asked?: boolean;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const { say } = useUnit();

const VIEWS: readonly View[] = ["front", "left", "behind"];
const shown = computed(() => (props.now ? frame([props.now.fall], []) : undefined));
const box = computed<[number, number, number, number]>(() => {
  const { half, top, bottom } = shown.value ?? { half: 150, top: 150, bottom: -200 };
  return [-half, -top, 2 * half, top - bottom];
});
const hair = useLocks(
  computed(() => props.question),
  ref("now"),
  { count: LOCKS.small },
);

/** What would change the picture most if it were measured; less than this can't be seen. */
const TOLD = 3;
const SEEN_MM = 5;
const REST_MS = 700;
const doubts = useComputed(
  "doubts",
  computed(() => props.question && headOf(props.question)),
  askDoubts,
  REST_MS,
);
const told = computed(() => (doubts.data.value ?? []).filter(({ moves_mm }) => moves_mm >= SEEN_MM).slice(0, TOLD));

const points = computed(() => line.value ?? []);
const at = (place: LineAt) => points.value.findIndex((known) => known.at === place);
const given = (place: LineAt) => points.value[at(place)];
const fault = (place: LineAt, field: string) =>
  given(place) ? props.faultAt(`line.${at(place)}.${field}`) : undefined;

function put(place: LineAt, lies: LinePoint["lies"] | undefined) {
  const rest = points.value.filter((known) => known.at !== place);
  const all = lies ? [...rest, { at: place, lies }] : rest;
  line.value = lineAtValues.flatMap((name) => all.filter((known) => known.at === name));
}
const places = computed(() => [
  { value: "" as Point | "", label: t("read-lineOpen") },
  ...props.figure.points.map(({ point }) => ({ value: point, label: t(`point-${point}`) })),
]);
function choose(place: LineAt, point: Point | "") {
  put(place, point ? { point, below_mm: 0 } : undefined);
}

function words(agreement: Agreement | undefined): { text: string; far: boolean } | undefined {
  const off = agreement && apart(agreement);
  if (off === undefined) return undefined;
  if (Math.abs(off) < 5) return { text: t("read-lineAgrees"), far: false };
  return { text: t(off < 0 ? "read-lineLower" : "read-lineHigher", { length: say(Math.abs(off)) }), far: true };
}
/** The line as it was measured, by where. */
const measuredAt = computed(() =>
  points.value.flatMap((point, i) => {
    const height = props.now?.agreements.line[i]?.measured_mm;
    return height === undefined ? [] : [{ at: point.at, height }];
  }),
);
const said = computed(() => points.value.map((_, i) => words(props.now?.agreements.line[i])));
/** The greatest difference of a girth, as a share. */
const girthsOff = computed(() => {
  const offs = (props.now?.agreements.girths ?? []).map((girth) => Math.abs((apart(girth) ?? 0) / girth.measured_mm));
  return offs.length > 0 ? Math.max(...offs) : undefined;
});
</script>

<template>
  <section class="now">
    <h2>{{ t("read-now") }}</h2>
    <div v-if="now && shown" class="views">
      <HairPicture
        v-for="view in VIEWS"
        :key="view"
        :view="view"
        :figure="figure"
        :locks="hair.locks.value"
        :tones="hair.tones.value"
        :stale="hair.stale.value"
        :box="box"
        :label="t(`plan-view-${view}`)"
      >
        <path class="outline" :d="outline(view, now.fall)" />
        <path v-for="tick in lineTicks(view, now.fall, measuredAt)" :key="tick" class="tick" :d="tick" />
      </HairPicture>
    </div>
    <p v-if="now" class="small">
      {{
        t("read-nowIs", {
          grams: Math.round(now.fall.mass_g),
          width: say(now.fall.width_mm),
          light: say(Math.max(0, now.fall.see_through_below_mm - now.fall.lowest_mm)),
        })
      }}
      <template v-if="girthsOff !== undefined">
        {{ t("read-girthsOff", { percent: Math.round(100 * girthsOff) }) }}
      </template>
    </p>
    <div v-if="now && told.length > 0" class="doubts">
      <h3>{{ t("read-looksLike") }}</h3>
      <p class="small">{{ t("read-looksLikeElse") }}</p>
      <ul>
        <li v-for="{ unmeasured, moves_mm } in told" :key="unmeasured">
          <span>{{ t(`read-doubt-${unmeasured}`) }}</span>
          <span class="figure">{{ t("read-doubtMoves", { length: say(moves_mm) }) }}</span>
        </li>
      </ul>
    </div>
    <p v-if="!now" class="soft small" aria-live="polite">{{ t(asked ? "read-nowSlow" : "read-nowLacks") }}</p>
    <FoldPart :title="`${t('read-line')} ${t('read-lineTaken', { n: points.length, all: lineAtValues.length })}`">
      <p class="soft small">{{ t("read-lineHint") }}</p>
      <ul>
        <li v-for="place in lineAtValues" :key="place">
          <ChoiceField
            :model-value="given(place)?.lies.point ?? ''"
            :label="t(`read-lineAt-${place}`)"
            :choices="places"
            :disabled="disabled"
            @update:model-value="choose(place, $event)"
          />
          <LengthField
            :model-value="given(place)?.lies.below_mm"
            :label="t('fields-below_mm')"
            :fault="fault(place, 'lies.below_mm')"
            :disabled="disabled || !given(place)"
            @update:model-value="given(place) && put(place, { ...given(place)!.lies, below_mm: $event ?? 0 })"
          />
          <p class="small" :class="{ far: said[at(place)]?.far }">{{ said[at(place)]?.text }}</p>
        </li>
      </ul>
    </FoldPart>
  </section>
</template>

<style scoped>
.now {
  display: grid;
  gap: 8px;
}

.views {
  display: grid;
  grid-template-columns: minmax(0, 2.05fr) minmax(0, 1fr);
  gap: 8px;
}

.views > :first-child {
  grid-row: span 2;
}

.doubts {
  border-left: 4px solid var(--now);
  padding: 2px 0 2px 12px;
}

.doubts li {
  grid-template-columns: 1fr auto;
}

.doubts ul {
  padding-top: 4px;
  gap: 2px;
}

path {
  fill: none;
  stroke-linejoin: round;
}

.tick {
  fill: none;
  stroke: var(--aim);
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
}

.outline {
  stroke: var(--now);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

summary span {
  margin-left: 0.35em;
}

ul {
  list-style: none;
  padding: 8px 0 0;
  display: grid;
  gap: 12px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 0.8fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}

li > p {
  padding-top: 34px;
}

label {
  font-weight: 600;
  display: grid;
  gap: 4px;
}

.far {
  color: var(--warn);
  font-weight: 650;
}

.far::before {
  content: "▲ ";
  font-size: 0.75em;
}
</style>
