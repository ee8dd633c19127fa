<script setup lang="ts">
/** The fall in one view: the head, the hair as it is and after the cut, and the section that is worked on. */
import type { Fall, Figure, SectionShape, Zone } from "@/api";
import { above, behind, profile } from "@/shared/headDrawing";
import { computed } from "vue";
import { t } from "@/shared/words";
import { aims, outline, section, strands, type View } from "@/shared/fallDrawing";

const props = defineProps<{
  view: View;
  figure: Figure;
  before: Fall;
  after: Fall;
  sections: readonly SectionShape[];
  wishes: readonly { zone: Zone; height_mm: number }[];
  frame: { half: number; top: number; bottom: number };
  label: string;
}>();
const box = computed(() => {
  const { half, top, bottom } = props.frame;
  if (props.view === "top") return `${-half} ${-half} ${2 * half} ${2 * half}`;
  return `${-half} ${-top} ${2 * half} ${top - bottom}`;
});
const head = computed(() => {
  if (props.view === "top") return above(props.figure);
  return props.view === "left" || props.view === "right" ? profile(props.figure) : behind(props.figure);
});
const shown = computed(() =>
  props.sections.map((held) => section(props.view, held)).filter((drawn) => drawn !== undefined),
);
</script>

<template>
  <figure>
    <figcaption>{{ t(`plan-view-${view}`) }}</figcaption>
    <svg :viewBox="box" role="img" :aria-label="label">
      <path class="skin" :transform="view === 'right' ? 'scale(-1 1)' : undefined" :d="head" />
      <path class="after" :d="outline(view, after)" />
      <path class="strand" :d="strands(view, after)" />
      <path class="before" :d="outline(view, before)" />
      <path v-for="(line, i) in aims(view, wishes)" :key="`aim-${i}`" class="aim" :d="line" />
      <g v-for="(drawn, i) in shown" :key="i" class="section">
        <path v-for="(line, k) in drawn.held" :key="k" class="held" :d="line" />
        <path class="base" :d="drawn.base" />
        <path class="hand" :d="drawn.hand" />
      </g>
    </svg>
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

svg {
  width: 100%;
  display: block;
  aspect-ratio: 1;
}

path {
  fill: none;
  vector-effect: non-scaling-stroke;
  stroke-linejoin: round;
}

.skin {
  fill: var(--skin);
  stroke: var(--line-strong);
}

.after {
  fill: var(--forecast-band);
  stroke: var(--forecast);
  stroke-width: 2;
}

/* As wide as a lock at any size: keeping lines thin on the screen makes so many of them slow to draw. */
.strand {
  vector-effect: none;
  stroke: var(--forecast);
  stroke-width: 1;
  opacity: 0.55;
}

.before {
  stroke: var(--now);
  stroke-width: 1.6;
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

.held {
  stroke: var(--aim);
  stroke-width: 0.6;
  opacity: 0.6;
}
</style>
