<script setup lang="ts">
/** How full a battery is, drawn, with the number in words. */
import { t } from "@/shared/words";

defineProps<{ pct: number }>();
</script>

<template>
  <svg
    viewBox="0 0 34 16"
    width="34"
    height="16"
    role="img"
    :aria-label="t('instruments-battery', { pct: Math.round(pct) })"
  >
    <path class="case" d="M1 3h28v10H1zM29 6h3v4h-3" />
    <rect class="charge" x="3" y="5" :width="Math.max(0.5, (24 * pct) / 100)" height="6" />
  </svg>
</template>

<style scoped>
.case {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}

.charge {
  fill: var(--ink);
}
</style>
