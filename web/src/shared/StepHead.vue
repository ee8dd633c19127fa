<script setup lang="ts">
/** A step as a small drawn head: its section shaded, the guide or perimeter as a line, the hold as an arrow. */
import type { Figure, Ink, StepPicture } from "@/api";
import PersonLines from "@/shared/hair/PersonLines.vue";
import { computed, useId } from "vue";

const props = defineProps<{ picture: StepPicture; figure: Figure; label: string }>();
const arrow = useId();
/** The lines of the face are too fine for it. */
const COARSE: readonly Ink[] = ["body", "head", "ear"];
const line = (points: readonly number[][]) =>
  points.length > 0 ? `M${points.map(([x, y]) => `${x} ${y}`).join("L")}` : "";
const section = computed(() => props.picture.section.map((ring) => `${line(ring)}Z`).join(""));
</script>

<template>
  <svg class="picture" viewBox="-150 -160 300 300" role="img" :aria-label="label">
    <title>{{ label }}</title>
    <marker :id="arrow" viewBox="0 0 10 10" refX="4" refY="5" markerWidth="3.4" markerHeight="3.4" orient="auto">
      <path class="tip" d="M0 0L10 5L0 10Z" />
    </marker>
    <PersonLines :figure="figure" :view="picture.view" :only="COARSE" />
    <path class="section" :d="section" />
    <path v-if="picture.guide.length > 0" class="guide" :d="line(picture.guide)" />
    <path v-if="picture.held" class="held" :d="line(picture.held)" :marker-end="`url(#${arrow})`" />
  </svg>
</template>

<style scoped>
.picture {
  width: 88px;
  height: 88px;
  flex: none;
  overflow: hidden;
}

path {
  fill: none;
  stroke-linejoin: round;
  stroke-linecap: round;
}

.picture :deep(.head) {
  stroke-width: 3.5;
}

.section {
  fill: var(--forecast-band);
  stroke: var(--ink);
  stroke-width: 4;
  fill-rule: evenodd;
}

.guide {
  stroke: var(--ink);
  stroke-width: 6;
  stroke-dasharray: 12 12;
}

.held {
  stroke: var(--aim);
  stroke-width: 9;
}

.tip {
  fill: var(--aim);
}
</style>
