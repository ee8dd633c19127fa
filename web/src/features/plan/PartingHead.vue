<script setup lang="ts">
/** A section on a drawn head, large: the ends of its partings are dragged or moved with the arrow keys. */
import type { Figure, HairRequest, HeadView, Ink, MovedEnd, PartedRequest, PartingEnd, Region } from "@/api";
import { askParted } from "@/shared/ask";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import PersonLines from "@/shared/hair/PersonLines.vue";
import { useComputed } from "@/shared/useComputed";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const region = defineModel<Region>({ required: true });
const props = defineProps<{ on: HairRequest; figure: Figure }>();

const FOLLOW_MS = 60;
/** How far an arrow key moves an end, mm: further than what still is the landmark beside it. */
const STEP_MM = 6;
/** The lines of the face don't help here. */
const COARSE: readonly Ink[] = ["body", "head", "ear", "firm"];
/** From where it is seen; until one chooses or moves an end, from where it shows best. */
const side = ref<HeadView>();
/** The end that a finger is on, and where it is once it moves: a mere touch changes nothing. */
const held = ref<PartingEnd>();
const moved = ref<MovedEnd>();
const question = computed<PartedRequest>(() => ({
  on: props.on,
  region: region.value,
  view: side.value,
  moved: moved.value,
}));
const parted = useComputed("parted", question, askParted, FOLLOW_MS, true);
const shown = computed(() => parted.data.value);
/** The sides, with the words that the view in space has for them. */
const SIDES = { front: "front", left: "left", behind: "back", right: "right", above: "top" } as const;
const sides = (Object.keys(SIDES) as (keyof typeof SIDES)[]).map((value) => ({
  value: value as HeadView,
  label: t(`plan-spaceViews-${SIDES[value]}`),
}));
const view = computed<HeadView>({
  get: () => shown.value?.picture.view ?? "left",
  set: (value) => (side.value = value),
});

const path = (points: readonly number[][]) => `M${points.map(([x, y]) => `${x} ${y}`).join("L")}Z`;
const placeOf = ({ end, at }: PartingEnd) => (moved.value?.end === end ? moved.value.to : at);
const named = ({ landmark, is_landmark }: PartingEnd) =>
  is_landmark ? t(`landmark-${landmark}`) : t("plan-endNear", { landmark: t(`landmark-${landmark}`) });

const drawing = ref<SVGSVGElement>();
function drag(event: PointerEvent) {
  const matrix = drawing.value?.getScreenCTM();
  if (!held.value || !matrix) return;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  moved.value = { end: held.value.end, to: [x, y] };
}
function start(event: PointerEvent, end: PartingEnd) {
  (event.target as Element).setPointerCapture(event.pointerId);
  side.value = view.value;
  held.value = end;
}
function letGo() {
  held.value = undefined;
  void settle(moved.value);
}
function giveUp() {
  held.value = undefined;
  moved.value = undefined;
}

const failed = ref<unknown>();
/** Takes over the section that an end was moved to make. */
async function settle(to: MovedEnd | undefined) {
  if (!to) return;
  failed.value = undefined;
  try {
    region.value = (await askParted({ ...question.value, moved: to })).region;
  } catch (error) {
    failed.value = error;
  }
  moved.value = undefined;
}

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-STEP_MM, 0],
  ArrowRight: [STEP_MM, 0],
  ArrowUp: [0, -STEP_MM],
  ArrowDown: [0, STEP_MM],
};
function key(event: KeyboardEvent, end: PartingEnd) {
  const by = STEPS[event.key];
  if (!by) return;
  event.preventDefault();
  side.value = view.value;
  void settle({ end: end.end, to: [end.at[0]! + by[0], end.at[1]! + by[1]] });
}
</script>

<template>
  <div class="parting">
    <svg
      ref="drawing"
      viewBox="-150 -165 300 290"
      role="group"
      :aria-label="t('plan-endsOf')"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="giveUp"
    >
      <PersonLines :figure="figure" :view="view" :only="COARSE" />
      <path v-if="shown" class="section" :d="shown.picture.section.map(path).join('')" />
      <g
        v-for="end in shown?.ends ?? []"
        :key="end.end"
        class="end"
        role="button"
        tabindex="0"
        :aria-label="t('plan-endOf', { place: named(end) })"
        @pointerdown="start($event, end)"
        @keydown="key($event, end)"
      >
        <title>{{ named(end) }}</title>
        <circle class="reach" :cx="placeOf(end)[0]" :cy="placeOf(end)[1]" r="16" />
        <circle class="dot" :cx="placeOf(end)[0]" :cy="placeOf(end)[1]" r="6.5" />
      </g>
    </svg>
    <div class="stack tight">
      <ChoiceRow v-model="view" :label="t('plan-spaceSide')" hide-label :choices="sides" />
      <p class="soft small">{{ t(shown && shown.ends.length === 0 ? "plan-endsNone" : "plan-endsHint") }}</p>
      <FailureNote v-if="failed" :error="failed" @again="failed = undefined" />
    </div>
  </div>
</template>

<style scoped>
.parting {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(180px, 1fr);
  gap: 16px;
  align-items: center;
}

svg {
  width: 100%;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
}

.section {
  fill: var(--forecast-band);
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 2;
  stroke-linejoin: round;
}

.end {
  touch-action: none;
  cursor: grab;
  outline: none;
}

.reach {
  fill: transparent;
}

.dot {
  fill: var(--sheet);
  stroke: var(--aim);
  stroke-width: 3;
}

.end:focus-visible .reach {
  stroke: var(--ink);
  stroke-width: 2.5;
}

@media (max-width: 640px) {
  .parting {
    grid-template-columns: 1fr;
  }
}
</style>
