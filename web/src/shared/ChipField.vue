<script setup lang="ts" generic="T extends string">
/** Any of a few things, each pressed on or off. What is chosen stays in the order it is shown in. */
const props = defineProps<{ label: string; choices: readonly { value: T; label: string }[]; disabled?: boolean }>();
const chosen = defineModel<T[]>({ required: true });

/** The same choice is always the same document. */
function toggle(one: T, on: boolean) {
  chosen.value = props.choices
    .map((choice) => choice.value)
    .filter((value) => (value === one ? on : chosen.value.includes(value)));
}
</script>

<template>
  <fieldset :disabled="disabled">
    <legend>{{ label }}</legend>
    <div class="chips">
      <label v-for="choice in choices" :key="choice.value" :class="{ on: chosen.includes(choice.value) }">
        <input
          type="checkbox"
          :checked="chosen.includes(choice.value)"
          @change="toggle(choice.value, ($event.target as HTMLInputElement).checked)"
        />
        {{ choice.label }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 4px 16px;
  border: 1px solid var(--line-strong);
  border-radius: 24px;
  background: var(--sheet);
  cursor: pointer;
}

.on {
  border: 2px solid var(--ink);
  padding: 3px 15px;
  font-weight: 650;
}

label:has(:focus-visible) {
  outline: 3px solid var(--forecast);
  outline-offset: 2px;
}

input {
  width: 18px;
  height: 18px;
  accent-color: var(--ink);
  margin: 0;
  outline: 0;
}
</style>
