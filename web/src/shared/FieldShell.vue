<script setup lang="ts">
/** What every field has: its label above, and below it what is wrong or how to fill it in. The control is told both by `id`. */
import { computed, useId } from "vue";
import FieldFault from "./FieldFault.vue";

const props = defineProps<{ label: string; hideLabel?: boolean; fault?: string; hint?: string }>();
const id = useId();
const describedBy = computed(() => (props.fault ? `${id}-fault` : props.hint ? `${id}-hint` : undefined));
</script>

<template>
  <div class="field" :class="{ faulty: fault }">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <slot :id="id" :described-by="describedBy" />
    <FieldFault v-if="fault" :id="`${id}-fault`" :said="fault" />
    <p v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
  align-content: start;
  min-width: 0;
}

label {
  font-weight: 600;
}

.hint {
  color: var(--ink-soft);
  font-size: 0.9rem;
}
</style>
