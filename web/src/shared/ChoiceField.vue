<script setup lang="ts" generic="T extends string">
/** One of many choices, by name. */
import FieldFault from "./FieldFault.vue";

const props = defineProps<{
  modelValue: T | undefined;
  label: string;
  choices: readonly { value: T; label: string }[];
  fault?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [value: T] }>();
const id = `choose-${Math.random().toString(36).slice(2)}`;

function take(event: Event) {
  const { value } = event.target as HTMLSelectElement;
  const found = props.choices.find((choice) => choice.value === value);
  if (found) emit("update:modelValue", found.value);
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <select
      :id="id"
      :value="modelValue ?? ''"
      :disabled="disabled"
      :aria-invalid="Boolean(fault)"
      :aria-describedby="fault ? `${id}-fault` : undefined"
      @change="take"
    >
      <option v-for="choice in choices" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
    </select>
    <FieldFault v-if="fault" :id="`${id}-fault`" :said="fault" />
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
  align-content: start;
  min-width: 0;
}

label {
  font-weight: 600;
}
</style>
