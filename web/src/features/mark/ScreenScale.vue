<script setup lang="ts">
import { computed } from "vue";
import { t } from "@/shared/words";
import { CARD_MM, useScreenScale } from "./useScreenScale";

const open = defineModel<boolean>({ required: true });
const { pixelsPerMm, nominal } = useScreenScale();
const percent = computed({
  get: () => Math.round((pixelsPerMm.value / nominal) * 1000) / 10,
  set: (value: number) => (pixelsPerMm.value = (nominal * value) / 100),
});
const card = computed(() => ({ width: `${CARD_MM * pixelsPerMm.value}px`, height: `${54 * pixelsPerMm.value}px` }));
</script>

<template>
  <ElDialog v-model="open" :title="t('scale-title')" width="680px" append-to="#layers">
    <div class="stack">
      <p>{{ t("scale-text") }}</p>
      <div class="card" :style="card"></div>
      <div class="size">
        {{ t("scale-size", { percent }) }}
        <ElSlider
          v-model="percent"
          :min="50"
          :max="200"
          :step="0.5"
          :show-tooltip="false"
          :aria-label="t('scale-size', { percent })"
        />
      </div>
      <div class="row">
        <ElButton type="primary" @click="open = false">{{ t("scale-done") }}</ElButton>
        <ElButton @click="percent = 100">{{ t("scale-reset") }}</ElButton>
      </div>
    </div>
  </ElDialog>
</template>

<style scoped>
.card {
  border: 2px solid var(--ink);
  border-radius: 12px;
  max-width: none;
}

.size {
  display: grid;
  gap: 8px;
  font-weight: 600;
}
</style>
