<script setup lang="ts">
/** A comb at true size with the mark on it: the scalp end is at nought. */
import type { Comb, LengthUnit } from "@/api";
import { computed } from "vue";
import { t } from "@/shared/words";
import { COMB_MM, graduations, onTheComb } from "./comb";
import { onComb } from "@/shared/lengths";

const props = defineProps<{ unit: LengthUnit; markMm: number; comb: Comb; pixelsPerMm?: number; print?: boolean }>();
const EDGE = 7;
const TEETH: Record<Comb, number> = { none: 4, wide: 6, medium: 3.4, fine: 1.9 };

const length = computed(() => COMB_MM[props.unit]);
const mark = computed(() => onTheComb(props.unit, props.markMm));
const box = computed(() => ({ width: length.value + 2 * EDGE, height: props.print ? 17 : 30 }));
const teeth = computed(() => {
  const gap = TEETH[props.comb];
  const count = Math.floor((length.value - 2) / gap);
  const [top, bottom] = props.print ? [11, 15] : [17, 27];
  return Array.from({ length: count + 1 }, (_, i) => `M${(1 + i * gap).toFixed(2)} ${top}V${bottom}`).join("");
});
/** On paper a millimetre is a millimetre; on a screen it is what the person has measured. */
const size = computed(() =>
  props.print
    ? { width: `${box.value.width}mm`, height: `${box.value.height}mm` }
    : {
        width: `${box.value.width * (props.pixelsPerMm ?? 96 / 25.4)}px`,
        height: `${box.value.height * (props.pixelsPerMm ?? 96 / 25.4)}px`,
      },
);
const labelled = computed(() => graduations(props.unit).filter((line) => line.label));
const words = computed(() => {
  const rest = onComb(props.unit, mark.value.rest);
  const at = t("mark-at", { n: rest, unit: t(`unit-${props.unit}`) });
  return mark.value.combs ? t("mark-combsAnd", { combs: mark.value.combs, at }) : at;
});
</script>

<template>
  <svg class="comb" :viewBox="`${-EDGE} 0 ${box.width} ${box.height}`" :style="size" role="img" :aria-label="words">
    <rect class="spine" x="-5" y="1" :width="length + 10" :height="print ? 10.5 : 16.5" rx="2.500" />
    <path class="teeth" :d="teeth" />
    <g v-for="line in graduations(unit)" :key="line.mm">
      <path class="line" :d="`M${line.mm} 1V${line.label ? 5 : 3}`" />
    </g>
    <g :transform="`translate(${mark.rest} 0)`">
      <path class="mark" :d="`M0 0V${box.height}`" />
      <path class="mark-head" d="M-2.400 0H2.400L0 3.600z" />
    </g>
    <text v-for="line in labelled" :key="line.mm" class="label" :x="line.mm" y="8.600">
      {{ line.label }}
    </text>
  </svg>
</template>

<style scoped>
.comb {
  display: block;
  flex: none;
}

.spine {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 0.5;
}

.teeth {
  stroke: var(--ink);
  stroke-width: 0.8;
  stroke-linecap: round;
}

.line {
  stroke: var(--ink);
  stroke-width: 0.35;
}

.label {
  font: 600 3.4px var(--text);
  text-anchor: middle;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 1.2px;
}

.mark {
  stroke: var(--aim);
  stroke-width: 0.9;
}

.mark-head {
  fill: var(--aim);
}

@media print {
  .spine {
    fill: #fff;
    stroke: #000;
  }

  .teeth,
  .line {
    stroke: #000;
  }

  .label {
    fill: #000;
    stroke: #fff;
  }
}
</style>
