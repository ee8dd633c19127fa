<script setup lang="ts">
/** One strand at its four lengths, all in one scale: along the hair, held on the comb, hanging, worn. */
import type { StrandLines } from "@/api";
import { useUnit } from "@/shared/unit";
import { useElementSize } from "@vueuse/core";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{ strand: StrandLines; targetMm: number; lands: [number, number]; moisture: string }>();
const { say } = useUnit();

const lines = computed(() => {
  const { strand } = props;
  const straight: [number, number][] = [
    [0, 0],
    [0, strand.lengths.fibre_mm],
  ];
  const pairs = (points: number[][]) => points as [number, number][];
  return [
    { name: "fibre", points: straight, mm: strand.lengths.fibre_mm, tone: "now" },
    { name: "held", points: pairs(strand.held), mm: strand.lengths.held_mm, tone: "now" },
    { name: "hanging", points: pairs(strand.hanging), mm: strand.lengths.hanging_mm, tone: "now" },
    { name: "worn", points: pairs(strand.worn), mm: strand.lengths.worn_mm, tone: "forecast" },
  ] as const;
});

/** Pixels a millimetre: the longest line fits the height. */
const HEIGHT = 250;
const scale = computed(() => HEIGHT / Math.max(props.strand.lengths.fibre_mm, 40));
/** Each line has a lane, as wide as there is room for, with what it is written over it. */
const [NARROW, WIDE] = [78, 128];
const svg = ref<SVGElement>();
const { width: room } = useElementSize(svg);
const lane = computed(() => Math.min(WIDE, Math.max(NARROW, (room.value || 4 * WIDE) / 4 - 2)));
const width = computed(() => 4 * lane.value);
/** Below all that hangs there. */
const wishAt = computed(
  () => scale.value * Math.max(props.targetMm, props.lands[1], props.strand.lengths.worn_mm) + 18,
);

function path(points: readonly (readonly [number, number])[], index: number): string {
  const middle = points.reduce((sum, p) => sum + p[0], 0) / points.length;
  const x0 = lane.value * index + 34;
  return `M${points.map(([x, y]) => `${(x0 + (x - middle) * scale.value).toFixed(1)} ${(y * scale.value).toFixed(1)}`).join("L")}`;
}
</script>

<template>
  <svg
    ref="svg"
    class="strands"
    :viewBox="`-4 -46 ${width + 8} ${HEIGHT + 72}`"
    role="img"
    :aria-label="t('strand-label')"
  >
    <path class="scalp" :d="`M0 0H${width}`" />
    <rect
      class="band"
      :x="lane * 3 + 2"
      :y="lands[0] * scale"
      :width="lane - 6"
      :height="Math.max(2, (lands[1] - lands[0]) * scale)"
    />
    <path class="target" :d="`M${lane * 3 - 4} ${targetMm * scale}h${lane}`" />
    <g v-for="(line, i) in lines" :key="line.name">
      <path :class="['hair', line.tone]" :d="path(line.points, i)" />
      <text class="what" :x="lane * i + 2" y="-31">{{ t(`strand-${line.name}`) }}</text>
      <text class="mm" :class="line.tone" :x="lane * i + 2" y="-11">{{ say(line.mm) }}</text>
    </g>
    <text class="wish" :x="lane * 3 + 2" :y="wishAt">
      {{ t("strand-target", { length: say(targetMm) }) }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  max-height: 340px;
}

.scalp {
  stroke: var(--ink);
  stroke-width: 2.5;
}

.hair {
  stroke-width: 1.5;
  fill: none;
  stroke: var(--now);
  stroke-linejoin: round;
  stroke-linecap: round;
}

.hair.forecast {
  stroke: var(--forecast);
}

.band {
  fill: var(--forecast-band);
}

.target {
  stroke: var(--aim);
  stroke-width: 2.5;
  stroke-dasharray: 5 4;
}

text {
  font: 500 12px var(--text);
  fill: var(--ink-soft);
}

.mm {
  font: 700 16px var(--text);
  fill: var(--ink);
}

.mm.forecast {
  fill: var(--forecast);
}

.wish {
  fill: var(--aim);
  font-weight: 650;
}
</style>
