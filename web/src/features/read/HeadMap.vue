<script setup lang="ts">
/** The head from three sides, with the zones as the core lays them out; each shows a figure of its own and how much of it, and is pressed to be read. */
import type { Figure, HeadMark, HeadView, Landmark, LandmarkPlace, Patch, PatchOutline, ReadingSummary } from "@/api";
import PersonLines from "@/shared/hair/PersonLines.vue";
import { sayPatch, type ZoneReadings } from "@/shared/patches";
import { computed } from "vue";
import { t } from "@/shared/words";
import { marksIn, markWord, placeIn } from "./headMarks";
import { shade, type Shown } from "./shade";

const props = defineProps<{
  figure: Figure;
  summary: ReadingSummary | undefined;
  zones: ZoneReadings;
  show: Shown;
  /** Weak spots and swirls where they lie. */
  marks: readonly HeadMark[];
  /** Points that can be pressed while a mark is put on the head; none otherwise. */
  places: readonly LandmarkPlace[];
}>();
const emit = defineEmits<{ place: [landmark: Landmark] }>();
const patch = defineModel<Patch>({ required: true });

/** Least distance of a number from the edge of its zone on the drawing, mm. */
const NUMBER_MM = 6;

const views = computed(() => {
  const { figure } = props;
  const [a, b, top] = [figure.half_length_mm, figure.half_breadth_mm, figure.top_mm];
  const height = top - (figure.points.find((p) => p.point === "collarbone")?.height_mm ?? -170) + 12;
  // The face needs more room than the back of the head.
  const view = (name: HeadView, left: number, width: number) => ({
    name,
    box: `${left} ${-top - 8} ${width} ${height}`,
    patches: figure.outlines.filter((outline) => outline.view === name),
  });
  return [view("left", -a * 1.22, a * 2.35), view("behind", -b * 1.5, b * 3), view("right", -a * 1.13, a * 2.35)];
});

const read = (name: Patch) => props.summary?.zones.find((z) => z.patch === name);
const shrinkage = (name: Patch) => {
  const share = read(name)?.shrinkage;
  return share === null || share === undefined ? undefined : Math.round(share * 100);
};
const faulty = (name: Patch) => read(name)?.gaps.length === 0 && shrinkage(name) === undefined;
/** Points that are seen in a drawing. */
const dots = (view: HeadView) =>
  props.places.flatMap(({ landmark, at }) => {
    const place = placeIn(view, at);
    return place ? [{ landmark, x: place[0], y: place[1] }] : [];
  });
/** Hairs on a square centimetre where they were counted, or where its hair is alike. */
const counted = (name: Patch) => {
  const read = props.zones[name];
  return read?.hairs_per_cm2 ?? (read?.like ? props.zones[read.like]?.hairs_per_cm2 : undefined) ?? undefined;
};
/** The number a zone shows. */
const number = (name: Patch) => {
  const sd = read(name)?.worn_sd_mm;
  if (props.show === "density") return counted(name);
  return props.show === "surety" ? (typeof sd === "number" ? Math.round(sd) : undefined) : shrinkage(name);
};
const tint = (name: Patch) => {
  const shown = number(name);
  return shown === undefined ? undefined : { "--shade": `${shade(props.show, shown)}%` };
};
const edgeOf = ({ edge }: PatchOutline) => `M${edge.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`).join("L")}Z`;
/** Whether a number fits into what is seen of a patch. */
const roomy = ({ edge, middle: [x = 0, y = 0] }: PatchOutline) =>
  edge.every((place) => Math.hypot(place[0]! - x, place[1]! - y) > NUMBER_MM);
const words = (patch: Patch) => {
  const percent = shrinkage(patch);
  const zone = sayPatch(patch);
  return percent === undefined ? t("read-zoneOpen", { zone }) : t("read-zoneRead", { zone, percent });
};
</script>

<template>
  <div class="heads">
    <figure v-for="view in views" :key="view.name" :class="view.name">
      <svg :viewBox="view.box" role="group" :aria-label="t(`read-view-${view.name}`)">
        <PersonLines :figure="figure" :view="view.name" />
        <path
          v-for="drawn in view.patches"
          :key="drawn.patch"
          class="zone"
          :class="{
            here: drawn.patch === patch,
            read: shrinkage(drawn.patch) !== undefined,
            tinted: number(drawn.patch) !== undefined,
            faulty: faulty(drawn.patch),
          }"
          :style="tint(drawn.patch)"
          :d="edgeOf(drawn)"
          role="button"
          tabindex="-1"
          :aria-label="words(drawn.patch)"
          :aria-pressed="drawn.patch === patch"
          @click="patch = drawn.patch"
        />
        <g v-for="mark in marksIn(view.name, marks)" :key="mark.key" class="mark" :class="mark.kind">
          <title>{{ t("read-markSaid", { what: t(markWord(mark.kind)), strength: mark.percent }) }}</title>
          <circle :cx="mark.x" :cy="mark.y" :r="mark.reach" />
          <path v-if="mark.kind === 'growth'" :d="mark.swirl" />
          <text v-else :x="mark.x" :y="mark.y + 4">{{ t(`read-markSign-${mark.kind}`) }}</text>
        </g>
        <text
          v-for="drawn in view.patches.filter(roomy)"
          :key="drawn.patch"
          class="number"
          :class="{ here: drawn.patch === patch }"
          :x="drawn.middle[0]"
          :y="drawn.middle[1]! + 5"
          aria-hidden="true"
        >
          {{ number(drawn.patch) ?? (drawn.patch === patch ? "?" : "·") }}
        </text>
        <circle
          v-for="dot in dots(view.name)"
          :key="dot.landmark"
          class="dot"
          :cx="dot.x"
          :cy="dot.y"
          r="8"
          role="button"
          tabindex="0"
          :aria-label="t('read-markHere', { place: t(`landmark-${dot.landmark}`) })"
          @click="emit('place', dot.landmark)"
          @keydown.enter.prevent="emit('place', dot.landmark)"
          @keydown.space.prevent="emit('place', dot.landmark)"
        />
      </svg>
      <figcaption class="soft small">{{ t(`read-view-${view.name}`) }}</figcaption>
    </figure>
  </div>
</template>

<style scoped>
.heads {
  display: grid;
  grid-template-columns: 1.25fr 1fr;
  grid-template-rows: auto auto;
  gap: 8px 20px;
  align-items: end;
}

.left {
  grid-row: 1 / 3;
  align-self: center;
}

svg {
  width: 100%;
  display: block;
  max-height: 46vh;
}

.behind svg,
.right svg {
  max-height: 27vh;
}

figcaption {
  text-align: center;
}

.zone {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 2.5 2.5;
  cursor: pointer;
  outline: 0;
}

.zone.read {
  stroke-dasharray: none;
  stroke-width: 1.4;
}

.zone.faulty {
  stroke: var(--warn-line);
  stroke-width: 2.5;
}

/* The more of it, the darker; the number says how much. */
.zone.tinted {
  fill: color-mix(in srgb, var(--now) var(--shade), var(--sheet));
}

.zone:hover {
  fill: var(--sunk);
}

.zone.here {
  fill: var(--ink);
}

.number {
  font: 700 15px var(--text);
  font-variant-numeric: tabular-nums;
  text-anchor: middle;
  fill: var(--ink);
  pointer-events: none;
}

.number.here {
  fill: var(--on-ink);
}

.mark circle {
  fill: color-mix(in srgb, var(--warn-line) 26%, transparent);
  stroke: var(--warn);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}

.mark.growth circle {
  fill: none;
  stroke: var(--aim);
}

.mark path {
  fill: none;
  stroke: var(--aim);
  stroke-width: 2;
  stroke-linecap: round;
}

.mark text {
  font: 700 12px var(--text);
  text-anchor: middle;
  fill: var(--warn);
}

.mark {
  pointer-events: none;
}

.dot {
  fill: var(--sheet);
  stroke: var(--aim);
  stroke-width: 3;
  cursor: pointer;
}

.dot:hover,
.dot:focus-visible {
  fill: var(--aim);
}

/* On a tablet the zone that is measured has to stand on the same screen. */
@media (max-width: 960px) {
  svg {
    max-height: 36vh;
  }

  .behind svg,
  .right svg {
    max-height: 17vh;
  }
}
</style>
