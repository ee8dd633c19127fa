<script setup lang="ts">
/**
 * Hair as hair, from one side: what lies behind the person, the person, what lies in front of them, and lines over it.
 *
 * The hair is painted when the page has time for it; until then, and while it is out of date, it is pale and the lines tell.
 */
import type { Figure, Lock } from "@/api";
import type { View } from "@/shared/fallDrawing";
import { useElementSize } from "@vueuse/core";
import { computed, onScopeDispose, ref, watch } from "vue";
import PersonLines from "./PersonLines.vue";
import { scalpOf } from "./person";
import { isBehind, paint, scalpColour, strokesOf, thinned, type Colour } from "./paint";

const props = defineProps<{
  view: View;
  figure: Figure;
  locks: readonly Lock[] | undefined;
  tone: (lock: Lock) => Colour;
  /** What is shown, mm: left, top, width and height. */
  box: readonly [number, number, number, number];
  /** Whether the locks are of hair that has changed since. */
  stale?: boolean;
  label: string;
  /** Whether it is for paper: painted more finely than a screen shows. */
  paper?: boolean;
}>();

const MOST_DOTS = 2;
const PAPER_DOTS = 3;
/** Locks of a picture for each dot of its width on the page. */
const LOCKS_PER_DOT = 2;
const frame = ref<HTMLElement>();
const behind = ref<HTMLCanvasElement>();
const before = ref<HTMLCanvasElement>();
const { width } = useElementSize(frame);
/** Hair grows out of its own shade: skin shows only where it parts. */
const scalp = computed(() => scalpOf(props.figure, props.view));
const shade = computed(() => (props.locks?.[0] ? scalpColour(props.tone(props.locks[0])) : undefined));
const viewBox = computed(() => props.box.join(" "));
/** Wide enough to be painted at all. */
const dots = computed(() =>
  Math.round(width.value * (props.paper ? PAPER_DOTS : Math.min(MOST_DOTS, globalThis.devicePixelRatio || 1))),
);

/** How often it was painted: what measures and what takes pictures waits for that. */
let paintings = 0;
let waiting: ReturnType<typeof setTimeout> | undefined;
onScopeDispose(() => clearTimeout(waiting));

function draw() {
  const [left, top, wide, high] = props.box;
  const scale = dots.value / wide;
  const locks = thinned(props.locks ?? [], LOCKS_PER_DOT * width.value);
  const strokes = strokesOf(locks, props.view, props.tone, scale);
  for (const [canvas, back] of [
    [behind.value, true],
    [before.value, false],
  ] as const) {
    const context = canvas?.getContext("2d");
    if (!canvas || !context) return;
    canvas.width = dots.value;
    canvas.height = Math.round(high * scale);
    context.setTransform(scale, 0, 0, scale, -left * scale, -top * scale);
    paint(
      context,
      strokes.filter((stroke) => isBehind(props.view, stroke) === back),
    );
  }
  frame.value?.setAttribute("data-painted", String(++paintings));
}
watch(
  [() => props.locks, () => props.view, () => props.tone, viewBox, dots],
  () => {
    clearTimeout(waiting);
    if (dots.value > 0) waiting = setTimeout(draw);
  },
  { immediate: true, flush: "post" },
);
</script>

<template>
  <div ref="frame" class="hair" :class="{ stale }" :style="{ aspectRatio: `${box[2]} / ${box[3]}` }">
    <canvas ref="behind" aria-hidden="true"></canvas>
    <svg :viewBox="viewBox" aria-hidden="true">
      <PersonLines :figure="figure" :view="view" />
      <path v-if="shade" class="scalp" :d="scalp" :style="{ fill: shade }" />
    </svg>
    <canvas ref="before" aria-hidden="true"></canvas>
    <svg :viewBox="viewBox" role="img" :aria-label="label"><slot /></svg>
  </div>
</template>

<style scoped>
.hair {
  position: relative;
  width: 100%;
  overflow: hidden;
}

.hair > * {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

canvas {
  transition: opacity 0.12s;
}

/* Hair throws a soft shadow on what lies behind it. */
svg + canvas {
  filter: drop-shadow(0 2px 3px rgb(20 20 30 / 0.3));
}

.stale canvas {
  opacity: 0.4;
}

.scalp {
  fill-rule: evenodd;
}
</style>
