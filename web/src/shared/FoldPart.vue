<script setup lang="ts">
/** A part that is rarely needed and closed until it is. */
import { computed } from "vue";

defineProps<{ title: string }>();
const open = defineModel<boolean>("open", { default: false });
const names = computed({
  get: () => (open.value ? ["part"] : []),
  set: (now: string[]) => (open.value = now.length > 0),
});
</script>

<template>
  <ElCollapse v-model="names">
    <ElCollapseItem name="part" :title="title">
      <slot />
    </ElCollapseItem>
  </ElCollapse>
</template>
