<script setup lang="ts">
/** A point of face or body, and how far below it. */
import type { FigureZone, Place, Point } from "@/api";
import { computed } from "vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { t } from "@/shared/words";

const props = defineProps<{ label: string; zone: FigureZone; optional?: boolean; fault?: string; disabled: boolean }>();
const model = defineModel<Place | null | undefined>();
const choices = computed(() => [
  { value: "" as Point | "", label: t(props.optional ? "aim-notSaid" : "aim-noWish") },
  ...props.zone.reaches.map(({ point }) => ({ value: point, label: t(`point-${point}`) })),
]);

function choose(point: Point | "") {
  model.value = point ? { point, below_mm: 0 } : undefined;
}

function offset(value: number | undefined) {
  if (model.value) model.value = { ...model.value, below_mm: value ?? 0 };
}
</script>

<template>
  <div class="place">
    <ChoiceField
      :model-value="model?.point ?? ''"
      :label="label"
      :choices="choices"
      :disabled="disabled"
      @update:model-value="choose"
    />
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
