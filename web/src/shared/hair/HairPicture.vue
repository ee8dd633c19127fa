<script setup lang="ts">
/**
 * Hair as hair, from one side: what lies behind the person, the person, what lies in front of them, and lines over it.
 *
 * The hair is painted beside the page; until it is, and while it is out of date, it is pale and the lines tell. From another side
 * there is none until it is painted.
 */
import type { Figure } from "@/api";
import type { View } from "@/shared/sights";
import { useElementSize } from "@vueuse/core";
import { computed, onScopeDispose, ref, watch } from "vue";
import PersonLines from "./PersonLines.vue";
import { scalpOf } from "./person";
import { chinOf, css, scalpColour, type Tones } from "./paint";
import { unpainted, usePainter } from "./painter";
import { t } from "@/shared/words";
import type { Box } from "./picture";

const props = defineProps<{
  view: View;
  figure: Figure;
  /** The locks as the program answers them. */
  locks: Blob | undefined;
  tones: Tones;
  box: Box;
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
/** How often it was painted: what measures and what takes pictures waits for that. */
let paintings = 0;
/** From which side the hair is seen that is on it; none where there is none. */
const seenFrom = ref<View>();
/** Hair grows out of its own shade: skin shows only where it parts. Without hair it would look shaved. */
const scalp = computed(() => scalpOf(props.figure, props.view));
const shade = computed(() => (props.locks && seenFrom.value ? css(scalpColour(props.tones)) : undefined));
const mostLocks = computed(() => Math.max(1, Math.round(LOCKS_PER_DOT * width.value)));
const chin = computed(() => chinOf(props.figure));
const viewBox = computed(() => props.box.join(" "));
/** How wide it is painted; none before it has its place. */
const dots = computed(() =>
  Math.round(width.value * (props.paper ? PAPER_DOTS : Math.min(MOST_DOTS, globalThis.devicePixelRatio || 1))),
);

const waiting = ref(false);
let asked = 0;
const painter = usePainter();
onScopeDispose(painter.giveUp);

function show(canvas: HTMLCanvasElement | undefined, wide: number, parts: { from: number; bitmap: ImageBitmap }[]) {
  if (!canvas) return;
  // That wipes it.
  [canvas.width, canvas.height] = [wide, parts[0]?.bitmap.height ?? 1];
  const page = canvas.getContext("2d");
  for (const { from, bitmap } of parts) {
    page?.drawImage(bitmap, from, 0);
    bitmap.close();
  }
}

async function draw() {
  const { locks, view, tones, box } = props;
  const wide = dots.value;
  if (wide === 0) return;
  const mine = ++asked;
  waiting.value = locks !== undefined;
  const painted =
    locks && (await painter.paint({ locks, view, tones, box, chin: chin.value, dots: wide, most: mostLocks.value }));
  // What was asked for meanwhile is shown instead.
  if (mine !== asked) return;
  const parts = painted ?? [];
  show(
    behind.value,
    wide,
    parts.map(({ from, behind: bitmap }) => ({ from, bitmap })),
  );
  show(
    before.value,
    wide,
    parts.map(({ from, before: bitmap }) => ({ from, bitmap })),
  );
  waiting.value = false;
  seenFrom.value = painted && view;
  frame.value?.setAttribute("data-painted", String(++paintings));
}
watch([() => props.locks, () => props.view, () => props.tones, chin, viewBox, dots], draw, {
  immediate: true,
  flush: "post",
});
</script>

<template>
  <div
    ref="frame"
    class="hair"
    :class="{ stale: stale || waiting, turned: seenFrom && seenFrom !== view }"
    :style="{ aspectRatio: `${box[2]} / ${box[3]}` }"
  >
    <canvas ref="behind" aria-hidden="true"></canvas>
    <svg :viewBox="viewBox" aria-hidden="true">
      <PersonLines :figure="figure" :view="view" />
      <path v-if="shade" class="scalp" :d="scalp" :style="{ fill: shade }" />
    </svg>
    <canvas ref="before" aria-hidden="true"></canvas>
    <svg :viewBox="viewBox" role="img" :aria-label="label"><slot /></svg>
    <p v-if="unpainted && locks" class="unpainted">{{ t("hair-unpainted") }}</p>
  </div>
</template>

<style scoped>
.hair {
  container-type: inline-size;
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

.hair > .unpainted {
  inset: auto 0 0;
  height: auto;
  padding: 4px 8px;
  background: var(--sheet);
  font-size: 0.88rem;
}

/* A small picture has no room for words. */
@container (max-width: 200px) {
  .hair > .unpainted {
    display: none;
  }
}

/* Hair throws a soft shadow on what lies behind it. */
svg + canvas {
  filter: drop-shadow(0 2px 3px rgb(20 20 30 / 0.3));
}

/* On a small picture it can't be seen, and where no graphics card helps every frame pays for it. */
@container (max-width: 200px) {
  svg + canvas {
    filter: none;
  }
}

.stale canvas,
.stale .scalp {
  opacity: 0.4;
}

/* Hair from one side doesn't lie on a person from another. */
.turned canvas {
  visibility: hidden;
}

.scalp {
  fill-rule: evenodd;
}
</style>
