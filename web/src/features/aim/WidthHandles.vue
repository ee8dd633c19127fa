<script setup lang="ts">
/** Wished widths on the client from the front: each a bar on both sides, dragged or stepped with the arrow keys. */
import type { Figure, WidthAim } from "@/api";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import { STEP_MM, placeHeight } from "./figureDrawing";

const props = defineProps<{
  widths: readonly WidthAim[];
  figure: Figure;
  /** Where the middle of the client lies. */
  centre: number;
  /** The point of the drawing under a hand. */
  pointUnder: (event: PointerEvent) => DOMPoint | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ width: [at: number, mm: number] }>();
const { say } = useUnit();
/** Half the height of a bar, and of what takes hold of it. */
const BAR = 13;
const GRIP = 22;
const LEAST_MM = 60;
const MOST_MM = 900;
const dragged = ref<number>();
const bars = computed(() =>
  props.widths.map((wish, at) => ({ at, wish, y: -placeHeight(props.figure, wish.at), half: wish.width_mm / 2 })),
);
const whole = (mm: number) => Math.min(MOST_MM, Math.max(LEAST_MM, Math.round(mm / STEP_MM) * STEP_MM));

function start(event: PointerEvent, at: number) {
  if (props.disabled) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  dragged.value = at;
}
function drag(event: PointerEvent) {
  const point = dragged.value === undefined ? undefined : props.pointUnder(event);
  if (point) emit("width", dragged.value!, whole(2 * Math.abs(point.x - props.centre)));
}
function key(event: KeyboardEvent, at: number, width: number) {
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
  if (!by || props.disabled) return;
  event.preventDefault();
  emit("width", at, whole(width + by * 2 * STEP_MM));
}
</script>

<template>
  <g v-for="{ at, wish, y, half } in bars" :key="at" class="width">
    <line :x1="centre - half" :x2="centre + half" :y1="y" :y2="y" />
    <g
      v-for="side in [-1, 1]"
      :key="side"
      class="handle"
      :role="side === 1 ? 'slider' : undefined"
      :tabindex="side === 1 && !disabled ? 0 : undefined"
      :aria-label="side === 1 ? t('aim-widthOf', { point: t(`point-${wish.at.point}`) }) : undefined"
      :aria-valuenow="side === 1 ? Math.round(wish.width_mm) : undefined"
      :aria-valuemin="side === 1 ? LEAST_MM : undefined"
      :aria-valuemax="side === 1 ? MOST_MM : undefined"
      :aria-valuetext="side === 1 ? say(wish.width_mm) : undefined"
      :aria-disabled="side === 1 ? disabled : undefined"
      @pointerdown="start($event, at)"
      @pointermove="drag"
      @pointerup="dragged = undefined"
      @pointercancel="dragged = undefined"
      @keydown="key($event, at, wish.width_mm)"
    >
      <rect class="grip" :x="centre + side * half - GRIP" :y="y - GRIP" :width="2 * GRIP" :height="2 * GRIP" />
      <path :d="`M${centre + side * half} ${y - BAR}v${2 * BAR}`" />
    </g>
    <text :x="centre + half + 8" :y="y - BAR">{{ say(wish.width_mm) }}</text>
  </g>
</template>

<style scoped>
line {
  stroke: var(--aim);
  stroke-width: 1.2;
  stroke-dasharray: 2 4;
  opacity: 0.7;
}

path {
  stroke: var(--aim);
  stroke-width: 5;
  stroke-linecap: round;
  filter: drop-shadow(0 0 1px var(--paper)) drop-shadow(0 0 1.5px var(--paper));
}

.handle {
  cursor: ew-resize;
  touch-action: none;
  outline: 0;
}

.grip {
  fill: transparent;
  rx: 8px;
}

.handle:focus-visible .grip {
  stroke: var(--forecast);
  stroke-width: 2.5;
}

text {
  font: 700 12px var(--text);
  fill: var(--aim);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
