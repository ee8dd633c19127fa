<script setup lang="ts">
/** A point of face or body, and how far below it. */
import type { FigureZone, Place, Point } from "@/api";
import LengthField from "@/shared/LengthField.vue";
import { t } from "@/shared/words";

const props = defineProps<{ label: string; zone: FigureZone; optional?: boolean; fault?: string; disabled: boolean }>();
const model = defineModel<Place | null | undefined>();
const id = `place-${Math.random().toString(36).slice(2)}`;

function choose(event: Event) {
  const point = (event.target as HTMLSelectElement).value as Point | "";
  model.value = point ? { point, below_mm: 0 } : undefined;
}

function offset(value: number | undefined) {
  if (model.value) model.value = { ...model.value, below_mm: value ?? 0 };
}
</script>

<template>
  <div class="place">
    <div>
      <label :for="id">{{ label }}</label>
      <select :id="id" :value="model?.point ?? ''" :disabled="disabled" @change="choose">
        <option value="">{{ optional ? t("aim-notSaid") : t("aim-noWish") }}</option>
        <option v-for="reach in props.zone.reaches" :key="reach.point" :value="reach.point">
          {{ t(`point-${reach.point}`) }}
        </option>
      </select>
    </div>
    <LengthField
      :model-value="model?.below_mm"
      :label="t('fields-below_mm')"
      :disabled="disabled || !model"
      :fault="fault"
      @update:model-value="offset"
    />
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: 1.5fr 1fr;
  gap: 12px;
  align-items: start;
}

label {
  font-weight: 600;
  display: block;
  margin-bottom: 4px;
}
</style>
