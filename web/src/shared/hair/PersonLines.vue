<script setup lang="ts">
/** The person that carries the hair, as lines and areas of a drawing in millimetres. */
import type { Figure, Ink } from "@/api";
import type { View } from "@/shared/sights";
import { computed, useId } from "vue";
import { personOf } from "./person";

const props = defineProps<{
  figure: Figure;
  view: View;
  /** Which of them are wanted: all, or a few where the drawing is too small for the face. */
  only?: readonly Ink[];
}>();
const parts = computed(() => personOf(props.figure, props.view).filter(({ ink }) => props.only?.includes(ink) ?? true));

const id = useId();
/** Areas that are lit: from in front and a little from the left, as hair is. */
const fills: Partial<Record<Ink, string>> = { head: `url(#${id}-head)`, body: `url(#${id}-body)` };
</script>

<template>
  <g>
    <defs>
      <radialGradient :id="`${id}-head`" cx="0.44" cy="0.42" r="0.68">
        <stop class="skin" offset="0.55" />
        <stop class="skin-shade" offset="1" />
      </radialGradient>
      <linearGradient :id="`${id}-body`" x1="0.35" y1="0" x2="0.5" y2="1">
        <stop class="body-shade" offset="0.12" />
        <stop class="trunk" offset="0.45" />
        <stop class="body-shade" offset="1" />
      </linearGradient>
    </defs>
    <path v-for="(part, i) in parts" :key="i" :class="part.ink" :d="part.d" :style="{ fill: fills[part.ink] }" />
  </g>
</template>

<style scoped>
path {
  fill: none;
  stroke-linejoin: round;
  stroke-linecap: round;
}

.skin {
  stop-color: var(--bust-skin);
}

.skin-shade {
  stop-color: var(--bust-skin-shade);
}

.trunk {
  stop-color: var(--bust-body);
}

.body-shade {
  stop-color: var(--bust-body-shade);
}

.body {
  stroke: var(--bust-line);
  stroke-width: 1.4;
}

.head {
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
