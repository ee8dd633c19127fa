<script setup lang="ts">
/** A part that is rarely needed and closed until it is. */
import { computed, ref, watch } from "vue";

defineProps<{ title: string }>();
const open = defineModel<boolean>("open", { default: false });
const names = computed({
  get: () => (open.value ? ["part"] : []),
  set: (now: string[]) => (open.value = now.length > 0),
});
/** What it holds is made once it is opened, and kept from then on with what was typed there. */
const made = ref(open.value);
watch(open, (now) => (made.value ||= now), { flush: "sync" });
</script>

<template>
  <ElCollapse v-model="names">
    <ElCollapseItem name="part" :title="title">
      <slot v-if="made" />
    </ElCollapseItem>
  </ElCollapse>
</template>
