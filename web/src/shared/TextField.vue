<script setup lang="ts">
/** A text. */
import FieldShell from "./FieldShell.vue";

defineOptions({ inheritAttrs: false });
const model = defineModel<string>({ required: true });
defineProps<{
  label: string;
  hideLabel?: boolean;
  fault?: string;
  type?: string;
  rows?: number;
  readonly?: boolean;
  disabled?: boolean;
}>();
</script>

<template>
  <FieldShell v-slot="{ id, describedBy }" class="text" :label="label" :hide-label="hideLabel" :fault="fault">
    <ElInput
      :id="id"
      v-model="model"
      v-bind="$attrs"
      :type="type ?? (rows ? 'textarea' : 'text')"
      :rows="rows"
      :readonly="readonly"
      :disabled="disabled"
      :aria-invalid="Boolean(fault)"
      :aria-describedby="describedBy"
    />
  </FieldShell>
</template>
