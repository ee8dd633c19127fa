<script setup lang="ts">
/** A step as a small drawn head: its section shaded, the guide or perimeter as a line, the hold as an arrow. */
import type { Figure, StepPicture } from "@/api";
import { above, behind, ear, profile } from "@/shared/headDrawing";
import { computed, useId } from "vue";

const props = defineProps<{ picture: StepPicture; figure: Figure; label: string }>();
const arrow = useId();
const HEADS = { left: profile, right: profile, behind, above };
const head = computed(() => HEADS[props.picture.view](props.figure));
const sideways = computed(() => props.picture.view === "left" || props.picture.view === "right");
/** From the right the face looks right: the same lines the other way round. */
const turn = computed(() => (props.picture.view === "right" ? "scale(-1 1)" : undefined));
const line = (points: readonly number[][]) =>
  points.length > 0 ? `M${points.map(([x, y]) => `${x} ${y}`).join("L")}` : "";
const section = computed(() => props.picture.section.map((ring) => `${line(ring)}Z`).join(""));
</script>

<template>
  <svg class="head" viewBox="-150 -160 300 300" role="img" :aria-label="label">
    <title>{{ label }}</title>
    <marker :id="arrow" viewBox="0 0 10 10" refX="4" refY="5" markerWidth="3.4" markerHeight="3.4" orient="auto">
      <path class="tip" d="M0 0L10 5L0 10Z" />
    </marker>
    <path class="skin" :transform="turn" :d="head" />
    <path class="section" :d="section" />
    <path v-if="sideways" class="ear" :transform="turn" :d="ear(figure)" />
    <path v-if="picture.guide.length > 0" class="guide" :d="line(picture.guide)" />
    <path v-if="picture.held" class="held" :d="line(picture.held)" :marker-end="`url(#${arrow})`" />
  </svg>
</template>

<style scoped>
.head {
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

.skin {
  fill: var(--skin);
  stroke: var(--line-strong);
  stroke-width: 4;
}

.ear {
  stroke: var(--line-strong);
  stroke-width: 4;
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
