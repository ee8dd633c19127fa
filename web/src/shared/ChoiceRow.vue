<script setup lang="ts" generic="T extends string">
/** A few choices in a row, one of them taken. Arrow keys move, as in any group of radio buttons. */
const props = defineProps<{
  modelValue: T | null | undefined;
  label: string;
  choices: readonly { value: T; label: string; disabled?: boolean }[];
  hideLabel?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [value: T] }>();

function take(value: unknown) {
  const found = props.choices.find((choice) => choice.value === value);
  if (found) emit("update:modelValue", found.value);
}
</script>

<template>
  <div class="choice">
    <span class="legend" aria-hidden="true" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <ElRadioGroup
      :model-value="modelValue ?? undefined"
      :disabled="disabled"
      :aria-label="label"
      @update:model-value="take"
    >
      <ElRadioButton
        v-for="choice in choices"
        :key="choice.value"
        :value="choice.value"
        :label="choice.label"
        :disabled="choice.disabled"
      />
    </ElRadioGroup>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 4px;
  justify-items: start;
  align-content: start;
}

.legend {
  font-weight: 600;
}
</style>
