<script setup lang="ts" generic="T extends string">
/** Any of a few things, each pressed on or off. What is chosen stays in the order it is shown in. */
const props = defineProps<{ label: string; choices: readonly { value: T; label: string }[]; disabled?: boolean }>();
const chosen = defineModel<T[]>({ required: true });

/** The same choice is always the same document. */
function take(values: unknown) {
  chosen.value = props.choices.map((choice) => choice.value).filter((value) => (values as T[]).includes(value));
}
</script>

<template>
  <div class="chips">
    <span class="legend" aria-hidden="true">{{ label }}</span>
    <ElCheckboxGroup :model-value="chosen" :disabled="disabled" :aria-label="label" @update:model-value="take">
      <ElCheckboxButton v-for="choice in choices" :key="choice.value" :value="choice.value" :label="choice.label">
        {{ choice.label }}
      </ElCheckboxButton>
    </ElCheckboxGroup>
  </div>
</template>

<style scoped>
.chips {
  display: grid;
  gap: 6px;
}

.legend {
  font-weight: 600;
}
</style>
