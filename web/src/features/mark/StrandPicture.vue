<script setup lang="ts">
/** One strand at its four lengths, all in one scale: along the hair, held on the comb, hanging, worn. */
import type { StrandLines } from "@/api";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
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
const lane = 128;
const width = lane * 4;

function path(points: readonly (readonly [number, number])[], index: number): string {
  const middle = points.reduce((sum, p) => sum + p[0], 0) / points.length;
  const x0 = lane * index + 34;
  return `M${points.map(([x, y]) => `${(x0 + (x - middle) * scale.value).toFixed(1)} ${(y * scale.value).toFixed(1)}`).join("L")}`;
}
</script>

<template>
  <svg class="strands" :viewBox="`-4 -16 ${width + 24} ${HEIGHT + 26}`" role="img" :aria-label="t('strand-label')">
    <path class="scalp" :d="`M0 0H${width}`" />
    <rect
      class="band"
      :x="lane * 3 + 2"
      :y="lands[0] * scale"
      width="72"
      :height="Math.max(2, (lands[1] - lands[0]) * scale)"
    />
    <path class="target" :d="`M${lane * 3 - 6} ${targetMm * scale}h96`" />
    <g v-for="(line, i) in lines" :key="line.name">
      <path :class="['hair', line.tone]" :d="path(line.points, i)" />
      <text class="what" :x="lane * i + 66" :y="14">{{ t(`strand-${line.name}`) }}</text>
      <text class="mm" :class="line.tone" :x="lane * i + 66" :y="33">{{ say(line.mm) }}</text>
    </g>
    <text class="wish" :x="lane * 3 + 66" :y="Math.max(52, targetMm * scale - 5)">
      {{ t("strand-target", { length: say(targetMm) }) }}
    </text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
  max-height: 320px;
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
