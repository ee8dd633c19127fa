<script setup lang="ts">
/** The fall in one view: the head, the hair as it is and after the cut, and the section that is worked on. */
import type { Fall, Figure, SectionShape } from "@/api";
import { behind, profile } from "@/shared/headDrawing";
import { computed } from "vue";
import { useI18n } from "vue-i18n";
import { outline, section, strands, type View } from "./fallDrawing";

const props = defineProps<{
  view: View;
  figure: Figure;
  before: Fall;
  after: Fall;
  sections: readonly SectionShape[];
  frame: { half: number; top: number; bottom: number };
  label: string;
}>();
const { t } = useI18n();
const box = computed(() => {
  const { half, top, bottom } = props.frame;
  return `${-half} ${-top} ${2 * half} ${top - bottom}`;
});
const head = computed(() =>
  props.view === "left" || props.view === "right" ? profile(props.figure) : behind(props.figure),
);
const shown = computed(() =>
  props.sections.map((each) => section(props.view, each)).filter((each) => each !== undefined),
);
</script>

<template>
  <figure>
    <figcaption>{{ t(`plan.view.${view}`) }}</figcaption>
    <svg :viewBox="box" role="img" :aria-label="label">
      <path class="skin" :transform="view === 'right' ? 'scale(-1 1)' : undefined" :d="head" />
      <path class="after" :d="outline(view, after)" />
      <path v-for="(line, i) in strands(view, after)" :key="i" class="strand" :d="line" />
      <path class="before" :d="outline(view, before)" />
      <g v-for="(each, i) in shown" :key="i" class="section">
        <path v-for="(line, k) in each.held" :key="k" class="held" :d="line" />
        <path class="base" :d="each.base" />
        <path class="hand" :d="each.hand" />
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

.strand {
  stroke: var(--forecast);
  stroke-width: 0.7;
  opacity: 0.55;
}

.before {
  stroke: var(--now);
  stroke-width: 1.6;
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
