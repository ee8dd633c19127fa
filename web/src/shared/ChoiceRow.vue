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
const name = `choice-${Math.random().toString(36).slice(2)}`;

function take(value: T) {
  if (!props.disabled) emit("update:modelValue", value);
}
</script>

<template>
  <fieldset class="choice" :disabled="disabled">
    <legend :class="{ 'visually-hidden': hideLabel }">{{ label }}</legend>
    <span class="options">
      <label v-for="choice in choices" :key="choice.value" :class="{ taken: modelValue === choice.value }">
        <input
          type="radio"
          :name="name"
          :value="choice.value"
          :checked="modelValue === choice.value"
          :disabled="choice.disabled"
          @change="take(choice.value)"
        />
        <span>{{ choice.label }}</span>
      </label>
    </span>
  </fieldset>
</template>

<style scoped>
.options {
  display: inline-flex;
  flex-wrap: wrap;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  overflow: hidden;
  background: var(--sheet);
}

label {
  position: relative;
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 4px 14px;
  cursor: pointer;
  border-left: 1px solid var(--line);
}

label:first-child {
  border-left: 0;
}

label:has(:disabled) {
  color: var(--ink-soft);
  cursor: not-allowed;
}

.taken {
  background: var(--ink);
  color: var(--on-ink);
  font-weight: 600;
}

label:has(:focus-visible) {
  outline: 3px solid var(--forecast);
  outline-offset: -3px;
}

input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: inherit;
  margin: 0;
}
</style>
