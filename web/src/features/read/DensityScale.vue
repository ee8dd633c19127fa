<script setup lang="ts">
/** Density by comparing: made-up scalps with a known number of hairs, to be held beside a parting. */
import FoldPart from "@/shared/FoldPart.vue";
import { t } from "@/shared/words";

/** Hairs on a square centimetre of each picture: even steps to the eye. */
const SCALE = [80, 120, 180, 250, 350] as const;
const density = defineModel<number | null>();
defineProps<{ disabled: boolean }>();
</script>

<template>
  <FoldPart :title="t('read-compareDensity')">
    <p class="soft small">{{ t("read-compareHint") }}</p>
    <div class="scale">
      <button
        v-for="hairs in SCALE"
        :key="hairs"
        type="button"
        :disabled="disabled"
        :aria-pressed="density === hairs"
        @click="density = hairs"
      >
        <img :src="`/api/densities/${hairs}`" width="84" height="84" alt="" loading="lazy" />
        <span>{{ hairs }}</span>
      </button>
    </div>
  </FoldPart>
</template>

<style scoped>
.scale {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

button {
  font: inherit;
  color: inherit;
  display: grid;
  gap: 4px;
  justify-items: center;
  padding: 4px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  cursor: pointer;
}

button[aria-pressed="true"] {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 2px var(--ink);
  font-weight: 650;
}

img {
  display: block;
  border-radius: 4px;
}
</style>
