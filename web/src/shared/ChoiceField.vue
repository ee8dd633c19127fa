<script setup lang="ts" generic="T extends string">
/** One of many choices, by name. */
import { computed } from "vue";
import FieldShell from "./FieldShell.vue";

const props = defineProps<{
  modelValue: T | undefined;
  label: string;
  choices: readonly { value: T; label: string }[];
  hideLabel?: boolean;
  hint?: string;
  fault?: string;
  /** Shown while nothing is chosen. */
  placeholder?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [value: T] }>();

/** What stands for nothing, where that can be chosen. */
const none = computed(() => props.choices.find((choice) => (choice.value as string) === "")?.label);
const chosen = computed(() => props.choices.find((choice) => choice.value === props.modelValue));

function take(value: unknown) {
  const found = props.choices.find((choice) => choice.value === value);
  if (found) emit("update:modelValue", found.value);
}
</script>

<template>
  <FieldShell v-slot="{ id, describedBy }" :label="label" :hide-label="hideLabel" :fault="fault" :hint="hint">
    <ElSelect
      :id="id"
      :model-value="modelValue ?? ''"
      :disabled="disabled"
      :placeholder="placeholder ?? none ?? ''"
      :aria-label="label"
      :aria-describedby="describedBy"
      :persistent="false"
      append-to="#layers"
      @update:model-value="take"
    >
      <!-- The options are made once the list is open: the label of what is chosen doesn't wait for them. -->
      <template #label>
        <span :title="chosen?.label">{{ chosen?.label }}</span>
      </template>
      <ElOption
        v-for="choice in choices"
        :key="choice.value"
        :value="choice.value"
        :label="choice.label"
        :data-value="choice.value"
      />
    </ElSelect>
  </FieldShell>
</template>
