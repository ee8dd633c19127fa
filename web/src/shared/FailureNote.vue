<script setup lang="ts">
/** What happened, what is safe, and what to do next. */
import { Refused } from "@/api";
import { computed } from "vue";
import { useUnit } from "./unit";
import { t } from "./words";

const props = defineProps<{ error: unknown }>();
defineEmits<{ again: [] }>();
const { tellFailure } = useUnit();
const text = computed(() => {
  const failure = tellFailure(props.error);
  return props.error instanceof Refused ? `${failure} ${t("error-safe")}` : failure;
});
</script>

<template>
  <div class="caution" role="alert">
    <div class="row">
      <span>{{ text }}</span>
      <ElButton @click="$emit('again')">{{ t("app-again") }}</ElButton>
    </div>
  </div>
</template>
