<script setup lang="ts">
/** The person that carries the hair, as lines and areas of a drawing in millimetres. */
import type { Figure, Ink } from "@/api";
import type { View } from "@/shared/sights";
import { computed } from "vue";
import { personOf } from "./person";

const props = defineProps<{
  figure: Figure;
  view: View;
  /** Which of them are wanted: all, or a few where the drawing is too small for the face. */
  only?: readonly Ink[];
}>();
const parts = computed(() => personOf(props.figure, props.view).filter(({ ink }) => props.only?.includes(ink) ?? true));
</script>

<template>
  <g>
    <path v-for="(part, i) in parts" :key="i" :class="part.ink" :d="part.d" />
  </g>
</template>

<style scoped>
path {
  fill: none;
  stroke-linejoin: round;
  stroke-linecap: round;
}

.body {
  fill: var(--bust-body);
  stroke: var(--bust-line);
  stroke-width: 1.4;
}

.head {
  fill: var(--bust-skin);
  stroke: var(--bust-ink);
  stroke-width: 1.7;
}

.ear {
  fill: var(--bust-body);
  stroke: var(--bust-line);
  stroke-width: 1.4;
}

.lips {
  fill: var(--bust-lips);
}

.brow {
  fill: var(--bust-ink);
}

.firm {
  stroke: var(--bust-ink);
  stroke-width: 1.8;
}

.fine {
  stroke: var(--bust-line);
  stroke-width: 1.3;
}

.faint {
  stroke: var(--bust-faint);
  stroke-width: 1.4;
}
</style>
