<script setup lang="ts">
/** Where the hair ends now and where it should: drawn on the client, dragged or stepped with the arrow keys. */
import {
  type Aim,
  type Figure,
  type MarkSheet,
  type Place,
  type Zone,
  type ZoneAim,
  type ZoneMark,
  zoneValues,
} from "@/api";
import { heightOf } from "@/shared/headDrawing";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import {
  STEP_MM,
  STRANDS,
  hair,
  longer,
  nextPoint,
  nudged,
  placeAt,
  placeHeight,
  spread,
  standingTurn,
  stands,
  type Side,
} from "./figureDrawing";
import HairPicture from "@/shared/hair/HairPicture.vue";
import type { Tones } from "@/shared/hair/paint";
import WidthHandles from "./WidthHandles.vue";
import { sayWish } from "./sayPlace";

const props = defineProps<{
  figure: Figure;
  aim: Aim;
  marks: MarkSheet | undefined;
  /** The hair, once it is there: as it is, or as the aim wishes it. */
  locks: Blob | undefined;
  drawn: "now" | "aimed";
  /** The sides that are shown, beside one another. */
  sides: readonly Side[];
  /** Whether it is of an aim that has changed since. */
  stale: boolean;
  tones: Tones;
  disabled: boolean;
}>();
const zone = defineModel<Zone>("zone", { required: true });
const emit = defineEmits<{
  lands: [zone: Zone, place: Place];
  worn: [zone: Zone, mm: number];
  width: [at: number, mm: number];
}>();
const { unit, say } = useUnit();

const svg = ref<SVGSVGElement>();
const dragged = ref<Zone>();
/** Where the drag of a zone that is wished by its length began, which way it is longer, and how long it was. */
let began: { at: DOMPoint; to: { x: number; y: number }; worn: number } | undefined;

/** How much of the body is shown to each side of its middle, in half breadths of the head: hair hangs no further out. */
const BODY = 2.02;
/** Steps by which a page key changes a length. */
const PAGE_STEPS = 4;
/** Height of the middle of the skull, as a share of its top. */
const MIDDLE_OF_HEAD = 0.4;
/** Room between the two views, or beside the one, for the names of the points. */
const MIDDLE = 118;
function centre(side: Side): number {
  const before = props.sides.indexOf(side);
  return props.figure.half_breadth_mm * BODY * (1 + 2 * before) + MIDDLE * before;
}
const shown = computed(() => zoneValues.filter((name) => props.sides.includes(STRANDS[name].side)));

const strands = computed(() =>
  shown.value.map((name) => {
    const { side, across } = STRANDS[name];
    const root = props.figure.zones.find((z) => z.zone === name)!;
    // Of a zone that is read in halves the one that hangs lowest shows where its hair ends.
    const sheets = props.marks?.zones.filter((z) => z.zone === name) ?? [];
    const result = sheets.find((sheet) => sheet.result)?.result;
    const wish = props.aim.zones[name];
    const height = (place: Place) => placeHeight(props.figure, place);
    const x = centre(side) + across * props.figure.half_breadth_mm;
    const y = -root.root_height_mm;
    const middle = { x: centre(side), y: -MIDDLE_OF_HEAD * props.figure.top_mm };
    const standing = stands(sheets) && !wish?.lands;
    // Hair that stands is drawn as if it hung, and the drawing turned about its root.
    const turn = standing ? standingTurn(x, y, middle) : 0;
    const now = sheets.flatMap(({ present }) => {
      if (!present) return [];
      return [standing ? y + present.worn_mm : -present.height_mm];
    });
    return {
      name,
      x,
      y,
      root,
      turn,
      now: now.length > 0 ? Math.max(...now) : undefined,
      lands: wished(wish, dragged.value === name && wish?.lands ? undefined : result, standing ? y : undefined),
      shortest: wish?.shortest
        ? -height(wish.shortest)
        : standing && wish?.shortest_worn_mm
          ? y + wish.shortest_worn_mm
          : undefined,
      wish,
      // What is first wished of hair that stands is a length.
      length: wish ? wish.worn_mm : stands(sheets) ? sheets[0]?.present?.worn_mm : undefined,
      worn: result?.target_mm,
    };
  }),
);

/** Where the drawn hair of a wish ends, with the root of hair that stands: while a place is dragged, where the hand is. */
function wished(wish: ZoneAim | undefined, result: ZoneMark | null | undefined, rootY: number | undefined) {
  if (wish?.worn_mm && rootY !== undefined) return rootY + wish.worn_mm;
  if (result && wish) return -result.target_height_mm;
  return wish?.lands ? -placeHeight(props.figure, wish.lands) : undefined;
}

type Strand = (typeof strands.value)[number];

/** Which way the hair of a strand goes as it is drawn. */
function direction({ turn }: Strand): { x: number; y: number } {
  const angle = ((turn + 90) * Math.PI) / 180;
  return { x: Math.cos(angle), y: Math.sin(angle) };
}

/** Where a point of the drawn strand lies that hangs to a height before it is turned. */
function turned(strand: Strand, y: number): { x: number; y: number } {
  const to = direction(strand);
  return { x: strand.x + to.x * (y - strand.y), y: strand.y + to.y * (y - strand.y) };
}

/** How far below the lowest end there is room to drag, mm. */
const ROOM = 120;
const size = computed(() => {
  const { half_breadth_mm: b, top_mm: top } = props.figure;
  const ends = strands.value.flatMap((s) =>
    [s.now, s.lands, s.shortest].flatMap((y) => (y === undefined ? [] : [turned(s, y).y])),
  );
  const least = -heightOf(props.figure, "armpit");
  const bottom = Math.min(-heightOf(props.figure, "waist") + 14, Math.max(least, ...ends) + ROOM);
  const body = b * BODY;
  const highest = Math.min(-top, ...ends) - 34;
  return {
    body,
    middle: MIDDLE,
    top: highest,
    height: bottom - highest,
    width: 2 * body * props.sides.length + MIDDLE,
  };
});

const levels = computed(() => {
  const heights = props.figure.points.map((p) => -p.height_mm);
  const labels = spread(heights, 17);
  return props.figure.points
    .map((p, i) => ({ point: p.point, y: heights[i]!, label: labels[i]! }))
    .filter((mark) => mark.y < size.value.top + size.value.height);
});

/** Where a zone's handle stands while nothing is wished: at the end of the hair, or at the first point. */
const handleY = (strand: Strand) =>
  strand.lands ??
  strand.now ??
  -(props.figure.points.find((p) => p.point === strand.root.reaches.at(-4)?.point)?.height_mm ?? 0);

function pointUnder(event: PointerEvent): DOMPoint | undefined {
  const matrix = svg.value?.getScreenCTM();
  return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : undefined;
}

function start(event: PointerEvent, name: Zone) {
  zone.value = name;
  if (props.disabled) return;
  (event.target as Element).setPointerCapture(event.pointerId);
  dragged.value = name;
  const strand = strands.value.find((strand) => strand.name === name);
  const at = pointUnder(event);
  began = strand?.length && at ? { at, to: direction(strand), worn: strand.length } : undefined;
}

function drag(event: PointerEvent) {
  if (!dragged.value) return;
  const at = pointUnder(event);
  if (began && at) {
    const by = (at.x - began.at.x) * began.to.x + (at.y - began.at.y) * began.to.y;
    emit("worn", dragged.value, longer(began.worn, by));
    return;
  }
  const root = props.figure.zones.find((z) => z.zone === dragged.value);
  const place = root && at ? placeAt(props.figure, root, -at.y) : undefined;
  if (place) emit("lands", dragged.value, place);
}

function level(height: number) {
  if (props.disabled) return;
  const root = props.figure.zones.find((z) => z.zone === zone.value);
  const place = root ? placeAt(props.figure, root, height) : undefined;
  if (place) emit("lands", zone.value, place);
}

function key(event: KeyboardEvent, strand: Strand) {
  const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 1, PageUp: -1 }[event.key] as 1 | -1 | undefined;
  if (!by || props.disabled) return;
  event.preventDefault();
  zone.value = strand.name;
  const far = event.key.startsWith("Page");
  if (strand.length) {
    const step = far ? PAGE_STEPS * STEP_MM : STEP_MM;
    emit("worn", strand.name, strand.wish ? longer(strand.length, by * step) : longer(strand.length, 0));
    return;
  }
  const place = strand.wish?.lands;
  const from = place ?? placeAt(props.figure, strand.root, -handleY(strand));
  if (!from) return;
  emit("lands", strand.name, place ? (far ? nextPoint : nudged)(props.figure, strand.root, from, by) : from);
}

const words = (strand: Strand) => (strand.wish ? sayWish(strand.wish, unit.value) : t("aim-noWish"));
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 ${size.top} ${size.width} ${size.height}`"
    role="group"
    :aria-label="t('aim-figure')"
    @pointermove="drag"
    @pointerup="dragged = undefined"
    @pointercancel="dragged = undefined"
  >
    <clipPath id="bust">
      <rect :x="-size.body" :y="size.top" :width="2 * size.body" :height="size.height" />
    </clipPath>
    <g v-for="side in sides" :key="side" :transform="`translate(${centre(side)} 0)`" clip-path="url(#bust)">
      <foreignObject :x="-size.body" :y="size.top" :width="2 * size.body" :height="size.height">
        <HairPicture
          :view="side"
          :figure="figure"
          :locks="locks"
          :tones="tones"
          :stale="stale"
          :box="[-size.body, size.top, 2 * size.body, size.height]"
          :label="`${t(`aim-drawn-${drawn}`)}, ${t(`plan-view-${side}`)}`"
        />
      </foreignObject>
      <text v-if="sides.length > 1" class="side" x="0" :y="size.top + 16">{{ t(`plan-view-${side}`) }}</text>
    </g>
    <g v-for="mark in levels" :key="mark.point" class="level" @click="level(-mark.y)">
      <line :x1="10" :x2="2 * size.body - 4" :y1="mark.y" :y2="mark.y" />
      <path :d="`M${2 * size.body - 4} ${mark.y}L${2 * size.body + 8} ${mark.label}`" />
      <template v-if="sides.length > 1">
        <line :x1="2 * size.body + size.middle + 4" :x2="size.width - 10" :y1="mark.y" :y2="mark.y" />
        <path :d="`M${2 * size.body + size.middle + 4} ${mark.y}L${2 * size.body + size.middle - 8} ${mark.label}`" />
      </template>
      <text :x="2 * size.body + size.middle / 2" :y="mark.label + 4.5">{{ t(`point-${mark.point}`) }}</text>
      <rect :x="2 * size.body" :y="mark.label - 8" :width="size.middle" height="16" />
    </g>
    <WidthHandles
      v-if="sides.includes('front')"
      :widths="aim.widths ?? []"
      :figure="figure"
      :centre="centre('front')"
      :point-under="pointUnder"
      :disabled="disabled"
      @width="(at, mm) => emit('width', at, mm)"
    />
    <g
      v-for="strand in strands"
      :key="strand.name"
      :class="{ here: strand.name === zone, wished: strand.lands !== undefined }"
    >
      <g :transform="`rotate(${strand.turn} ${strand.x} ${strand.y})`">
        <circle class="root" :cx="strand.x" :cy="strand.y" r="3" />
        <template v-if="strand.now !== undefined">
          <path class="now" :d="hair(strand.x - 3, strand.y, strand.now, 2.4)" />
          <path class="now end" :d="`M${strand.x - 11} ${strand.now}h16`" />
        </template>
        <path v-if="strand.lands !== undefined" class="aim" :d="`M${strand.x + 4} ${strand.y}V${strand.lands}`" />
        <path
          v-if="strand.shortest !== undefined"
          class="shortest"
          :d="`M${strand.x - 12} ${strand.shortest + 5}v-5h24v5`"
        />
        <g
          class="handle"
          role="slider"
          :tabindex="disabled ? -1 : 0"
          :aria-label="t('aim-landsOf', { zone: t(`zone-${strand.name}`) })"
          :aria-valuetext="words(strand)"
          :aria-valuenow="Math.round(strand.worn ?? 0)"
          aria-valuemin="0"
          aria-valuemax="2000"
          aria-orientation="vertical"
          :aria-disabled="disabled"
          @pointerdown="start($event, strand.name)"
          @focus="zone = strand.name"
          @keydown="key($event, strand)"
        >
          <rect class="grip" :x="strand.x - 24" :y="handleY(strand) - 24" width="48" height="48" />
          <path v-if="strand.lands !== undefined" class="bar" :d="`M${strand.x - 17} ${strand.lands}h34`" />
          <path v-else class="plus" :d="`M${strand.x} ${handleY(strand) - 7}v14m-7-7h14`" />
        </g>
      </g>
      <text
        v-if="strand.name === zone && strand.worn"
        class="name"
        :x="turned(strand, handleY(strand) + (strand.turn ? 26 : 0)).x"
        :y="turned(strand, handleY(strand) + (strand.turn ? 26 : 0)).y + (strand.turn ? 4 : 17)"
      >
        {{ say(strand.worn) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  max-height: 76vh;
  touch-action: pan-y;
}

.side {
  font: 650 14px var(--display);
  text-anchor: middle;
  fill: var(--ink-soft);
}

.level {
  cursor: pointer;
}

.level line,
.level path {
  stroke: var(--line-strong);
  stroke-width: 0.7;
  fill: none;
}

.level text {
  font: 550 12.5px var(--text);
  text-anchor: middle;
  fill: var(--ink);
}

.level rect {
  fill: transparent;
}

.level:hover text {
  fill: var(--aim);
  text-decoration: underline;
}

.root {
  fill: var(--ink);
}

/* Over hair of any tone the lines keep an edge of paper. */
.now,
.aim,
.shortest,
.bar,
.plus,
.root {
  filter: drop-shadow(0 0 1px var(--paper)) drop-shadow(0 0 1.5px var(--paper));
}

.now {
  fill: none;
  stroke: var(--now);
  stroke-width: 2;
  stroke-linecap: round;
}

.end {
  stroke-width: 2.6;
}

.aim {
  stroke: var(--aim);
  stroke-width: 2;
  stroke-dasharray: 5 4;
}

.shortest {
  fill: none;
  stroke: var(--aim);
  stroke-width: 1.6;
  stroke-dasharray: 2 2;
}

.handle {
  cursor: ns-resize;
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

.bar {
  stroke: var(--aim);
  stroke-width: 5;
  stroke-linecap: round;
}

.here .bar {
  stroke-width: 8;
}

.plus {
  stroke: var(--aim);
  stroke-width: 2;
}

.name {
  font: 700 13px var(--text);
  text-anchor: middle;
  fill: var(--aim);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
