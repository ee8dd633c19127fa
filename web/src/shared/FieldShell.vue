<script setup lang="ts">
/** What every field has: its label above, and below it what is wrong or how to fill it in. The control bears the `id`. */
import { computed, useId } from "vue";
import FieldFault from "./FieldFault.vue";

const props = defineProps<{ label: string; hideLabel?: boolean; fault?: string; hint?: string }>();
const id = useId();
const describedBy = computed(() => (props.fault ? `${id}-fault` : props.hint ? `${id}-hint` : undefined));
</script>

<template>
  <ElFormItem class="field" :for="id" :error="fault ?? ''">
    <template #label>
      <span :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    </template>
    <slot :id="id" :described-by="describedBy" />
    <template #error="{ error }">
      <FieldFault :id="`${id}-fault`" :said="error" />
    </template>
    <p v-if="hint && !fault" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </ElFormItem>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
  align-content: start;
  min-width: 0;
}

.hint {
  color: var(--ink-soft);
  font-size: 0.9rem;
  line-height: 1.35;
}
</style>
