<script setup lang="ts">
/** The head from three sides; each zone shows a figure of its own and how much of it, and is pressed to be read. */
import type { Figure, HeadMark, Landmark, LandmarkPlace, Patch, ReadingSummary } from "@/api";
import { backZones, behind, ear, profile, sideZones } from "@/shared/headDrawing";
import { sayPatch, type ZoneReadings } from "@/shared/patches";
import { computed, useId } from "vue";
import { useI18n } from "vue-i18n";
import { patchesIn, type DrawnPatch } from "./halves";
import { marksIn, markWord, placeIn, type MapView } from "./headMarks";
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
const { t } = useI18n();

const id = useId();

const views = computed(() => {
  const { figure, zones } = props;
  const [a, b, top] = [figure.half_length_mm, figure.half_breadth_mm, figure.top_mm];
  const height = top - (figure.points.find((p) => p.point === "collarbone")?.height_mm ?? -170) + 12;
  const side = `${-a * 1.22} ${-top - 8} ${a * 2.35} ${height}`;
  return [
    {
      name: "left" as const,
      box: side,
      outline: profile(figure),
      patches: patchesIn("left", sideZones(figure, "left_side"), zones),
      ear: ear(figure),
      mirror: false,
    },
    {
      name: "behind" as const,
      box: `${-b * 1.5} ${-top - 8} ${b * 3} ${height}`,
      outline: behind(figure),
      patches: patchesIn("behind", backZones(figure), zones),
      mirror: false,
    },
    {
      name: "right" as const,
      box: side,
      outline: profile(figure),
      patches: patchesIn("right", sideZones(figure, "right_side"), zones),
      ear: ear(figure),
      mirror: true,
    },
  ];
});

const read = (name: Patch) => props.summary?.zones.find((z) => z.patch === name);
const shrinkage = (name: Patch) => {
  const share = read(name)?.shrinkage;
  return share === null || share === undefined ? undefined : Math.round(share * 100);
};
const faulty = (name: Patch) => read(name)?.gaps.length === 0 && shrinkage(name) === undefined;
/** Points that are seen in a drawing. */
const dots = (view: MapView, box: string) =>
  props.places.flatMap(({ landmark, at }) => {
    const place = placeIn(view, box, at);
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
/** A mirrored side view is drawn mirrored about its own box. */
const place = (label: [number, number], mirror: boolean, box: string): [number, number] => {
  const [left = 0, , width = 0] = box.split(" ").map(Number);
  return mirror ? [2 * left + width - label[0], label[1]] : label;
};
const flip = (mirror: boolean, box: string) => {
  const [left = 0, , width = 0] = box.split(" ").map(Number);
  return mirror ? `translate(${2 * left + width} 0) scale(-1 1)` : undefined;
};
const words = ({ patch }: DrawnPatch) => {
  const percent = shrinkage(patch);
  const zone = sayPatch(patch, t);
  return percent === undefined ? t("read.zoneOpen", { zone }) : t("read.zoneRead", { zone, percent });
};
</script>

<template>
  <div class="heads">
    <figure v-for="view in views" :key="view.name" :class="view.name">
      <svg :viewBox="view.box" role="group" :aria-label="t(`read.view.${view.name}`)">
        <g :transform="flip(view.mirror, view.box)">
          <path class="skin" :d="view.outline" />
          <path v-if="view.ear" class="ear" :d="view.ear" />
          <template v-for="drawn in view.patches" :key="drawn.patch">
            <clipPath v-if="drawn.clip" :id="`${id}-${view.name}-${drawn.patch}`">
              <rect v-bind="drawn.clip" />
            </clipPath>
            <path
              class="zone"
              :class="{
                here: drawn.patch === patch,
                read: shrinkage(drawn.patch) !== undefined,
                tinted: number(drawn.patch) !== undefined,
                faulty: faulty(drawn.patch),
              }"
              :style="tint(drawn.patch)"
              :d="drawn.path"
              :clip-path="drawn.clip && `url(#${id}-${view.name}-${drawn.patch})`"
              role="button"
              tabindex="-1"
              :aria-label="words(drawn)"
              :aria-pressed="drawn.patch === patch"
              @click="patch = drawn.patch"
            />
            <template v-if="drawn.seam">
              <clipPath :id="`${id}-${view.name}-${drawn.patch}-seam`"><path :d="drawn.path" /></clipPath>
              <line
                class="seam"
                v-bind="drawn.seam"
                :clip-path="`url(#${id}-${view.name}-${drawn.patch}-seam)`"
                aria-hidden="true"
              />
            </template>
          </template>
        </g>
        <g v-for="mark in marksIn(view.name, view.box, marks)" :key="mark.key" class="mark" :class="mark.kind">
          <title>{{ t("read.markSaid", { what: t(markWord(mark.kind)), strength: mark.percent }) }}</title>
          <circle :cx="mark.x" :cy="mark.y" :r="mark.reach" />
          <path v-if="mark.kind === 'growth'" :d="mark.swirl" />
          <text v-else :x="mark.x" :y="mark.y + 4">{{ t(`read.markSign.${mark.kind}`) }}</text>
        </g>
        <text
          v-for="drawn in view.patches"
          :key="drawn.patch"
          class="number"
          :class="{ here: drawn.patch === patch }"
          :x="place(drawn.label, view.mirror, view.box)[0]"
          :y="place(drawn.label, view.mirror, view.box)[1] + 5"
          aria-hidden="true"
        >
          {{ number(drawn.patch) ?? (drawn.patch === patch ? "?" : "·") }}
        </text>
        <circle
          v-for="dot in dots(view.name, view.box)"
          :key="dot.landmark"
          class="dot"
          :cx="dot.x"
          :cy="dot.y"
          r="8"
          role="button"
          tabindex="0"
          :aria-label="t('read.markHere', { place: t(`landmark.${dot.landmark}`) })"
          @click="emit('place', dot.landmark)"
          @keydown.enter.prevent="emit('place', dot.landmark)"
          @keydown.space.prevent="emit('place', dot.landmark)"
        />
      </svg>
      <figcaption class="soft small">{{ t(`read.view.${view.name}`) }}</figcaption>
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

.skin {
  fill: var(--skin);
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
}

.ear {
  fill: var(--skin);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.zone {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 2.5 2.5;
  cursor: pointer;
  outline: 0;
}

.seam {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 2.5 2.5;
  pointer-events: none;
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
