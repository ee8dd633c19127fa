<script setup lang="ts">
/** The fall in one view: the hair as it will be or is, with the outlines of both over it, and the section that is worked on. */
import type { Fall, Figure, SectionShape, Zone } from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import type { Tones } from "@/shared/hair/paint";
import { computed } from "vue";
import { t } from "@/shared/words";
import { aims, outline, section } from "@/shared/fallDrawing";
import { pinsOn, type Numbered } from "./findings";
import type { View } from "@/shared/sights";

const props = defineProps<{
  view: View;
  figure: Figure;
  /** How worn hair falls; nothing where the hair that is drawn isn't worn so. */
  before: Fall | undefined;
  after: Fall | undefined;
  locks: Blob | undefined;
  tones: Tones;
  stale: boolean;
  sections: readonly SectionShape[];
  wishes: readonly { zone: Zone; height_mm: number }[];
  frame: { half: number; top: number; bottom: number };
  label: string;
  /** What is found, pinned where it is; the one that is open stands out. */
  findings?: readonly Numbered[];
  open?: string | undefined;
}>();
const pins = computed(() => pinsOn(props.view, props.findings ?? []));
const chosen = computed(() => props.findings?.find(({ finding }) => finding.code === props.open)?.number);
const box = computed<[number, number, number, number]>(() => {
  const { half, top, bottom } = props.frame;
  return props.view === "above" ? [-half, -half, 2 * half, 2 * half] : [-half, -top, 2 * half, top - bottom];
});
const shown = computed(() =>
  props.sections.map((held) => section(props.view, held)).filter((drawn) => drawn !== undefined),
);
</script>

<template>
  <figure>
    <figcaption>{{ t(`plan-view-${view}`) }}</figcaption>
    <HairPicture :view="view" :figure="figure" :locks="locks" :tones="tones" :box="box" :stale="stale" :label="label">
      <path v-if="before" class="before" :d="outline(view, before)" />
      <path v-if="after" class="after" :d="outline(view, after)" />
      <path v-for="(line, i) in aims(view, wishes)" :key="`aim-${i}`" class="aim" :d="line" />
      <g v-for="(drawn, i) in shown" :key="i" class="section">
        <path v-for="(line, k) in drawn.held" :key="k" class="held" :d="line" />
        <path class="base" :d="drawn.base" />
        <path class="hand" :d="drawn.hand" />
      </g>
      <g v-for="pin in pins" :key="`pin-${pin.number}`" class="pin" :class="{ chosen: pin.number === chosen }">
        <circle :cx="pin.x" :cy="pin.y" r="11" />
        <text :x="pin.x" :y="pin.y" dy="0.36em">{{ pin.number }}</text>
      </g>
    </HairPicture>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  background: var(--sheet);
  border-radius: var(--radius);
  border: 1px solid var(--line);
  padding: 6px 8px;
}

figcaption {
  font: 600 0.9rem var(--display);
  color: var(--ink-soft);
}

path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}

.after {
  stroke: var(--forecast);
  stroke-width: 1.8;
}

.before {
  stroke: var(--now);
  stroke-width: 1.3;
  stroke-dasharray: 5 3;
}

.aim {
  stroke: var(--aim);
  stroke-width: 2.5;
  stroke-dasharray: 2 3;
}

.base {
  stroke: var(--aim);
  stroke-width: 2;
}

.hand {
  stroke: var(--aim);
  stroke-width: 2.5;
  stroke-dasharray: 5 4;
}

.pin circle {
  fill: var(--warn);
  stroke: var(--sheet);
  stroke-width: 2;
}

.pin text {
  fill: var(--sheet);
  font: 650 13px var(--display);
  text-anchor: middle;
}

.pin.chosen circle {
  stroke: var(--ink);
  stroke-width: 3;
}

.held {
  stroke: var(--aim);
  stroke-width: 0.6;
  opacity: 0.6;
}
</style>
