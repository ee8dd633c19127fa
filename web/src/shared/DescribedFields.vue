<script setup lang="ts" generic="T">
/** A form drawn from its fields as they are described. It hands on what a field changes, to be carried out on the subject. */
import CheckField from "./CheckField.vue";
import ChoiceField from "./ChoiceField.vue";
import LengthField from "./LengthField.vue";
import TextField from "./TextField.vue";
import type { Field } from "./fields";

const props = defineProps<{
  fields: readonly Field<T>[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (subject: T) => void] }>();

function set<V>(field: { set: (subject: T, value: V) => void }, value: V) {
  emit("change", (subject) => field.set(subject, value));
}
function setNumber(field: Field<T> & { kind: "number" }, value: number | undefined) {
  if (value !== undefined) set(field, value);
  else if (field.clear) emit("change", field.clear);
}
const classes = (field: Field<T>) => ({ wide: "wide" in field && field.wide });
const common = (field: Exclude<Field<T>, { kind: "gap" }>) => ({
  label: field.label,
  fault: props.faultAt(field.path),
  disabled: props.disabled,
});
</script>

<template>
  <template v-for="field in fields" :key="field.path">
    <ChoiceField
      v-if="field.kind === 'choice'"
      v-bind="common(field)"
      :class="classes(field)"
      :model-value="field.value"
      :choices="field.choices"
      @update:model-value="set(field, $event)"
    />
    <LengthField
      v-else-if="field.kind === 'number'"
      v-bind="common(field)"
      :class="classes(field)"
      :model-value="field.value"
      :sign="field.sign"
      @update:model-value="setNumber(field, $event)"
    />
    <CheckField
      v-else-if="field.kind === 'check'"
      :class="classes(field)"
      :label="field.label"
      :disabled="disabled"
      :model-value="field.value"
      @update:model-value="set(field, $event)"
    />
    <TextField
      v-else-if="field.kind === 'text'"
      v-bind="common(field)"
      :class="classes(field)"
      :model-value="field.value"
      :rows="2"
      @update:model-value="set(field, $event)"
    />
    <span v-else></span>
  </template>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
</style>
