<script setup lang="ts">
/** A text with its label above and its fault below. */
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
    <p v-if="fault" :id="`${id}-fault`" class="fault" role="alert">{{ fault }}</p>
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

.fault {
  color: var(--warn);
  font-weight: 600;
  font-size: 0.9rem;
}

.fault::before {
  content: "▲ ";
  font-size: 0.75em;
}
</style>
