<script setup lang="ts">
/** One thing that is so or isn't. */
const model = defineModel<boolean>({ required: true });
defineProps<{ label: string; disabled?: boolean }>();
</script>

<template>
  <ElCheckbox :model-value="model" :disabled="disabled" @update:model-value="model = Boolean($event)">{{
    label
  }}</ElCheckbox>
</template>
