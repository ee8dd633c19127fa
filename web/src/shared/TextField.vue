<script setup lang="ts">
/** A text with its label above and its fault below. */
import FieldFault from "./FieldFault.vue";

defineOptions({ inheritAttrs: false });
const model = defineModel<string>({ required: true });
defineProps<{ label: string; fault?: string; type?: string; rows?: number; readonly?: boolean; disabled?: boolean }>();
const id = `text-${Math.random().toString(36).slice(2)}`;
</script>

<template>
  <div class="text">
    <label :for="id">{{ label }}</label>
    <ElInput
      :id="id"
      v-model="model"
      v-bind="$attrs"
      :type="type ?? (rows ? 'textarea' : 'text')"
      :rows="rows"
      :readonly="readonly"
      :disabled="disabled"
      :aria-invalid="Boolean(fault)"
      :aria-describedby="fault ? `${id}-fault` : undefined"
    />
    <FieldFault v-if="fault" :id="`${id}-fault`" :said="fault" />
  </div>
</template>

<style scoped>
.text {
  display: grid;
  gap: 4px;
}

label {
  font-weight: 600;
}
</style>
