<script setup lang="ts">
/** What happened, what is safe, and what to do next. */
import { Refused } from "@/api";
import { computed } from "vue";
import { useI18n } from "vue-i18n";

const props = defineProps<{ error: unknown }>();
defineEmits<{ again: [] }>();
const { t } = useI18n();
const text = computed(() =>
  props.error instanceof Refused ? `${props.error.problem.detail} ${props.error.problem.safe}` : t("app.unreachable"),
);
</script>

<template>
  <div class="caution" role="alert">
    <div class="row">
      <span>{{ text }}</span>
      <ElButton @click="$emit('again')">{{ t("app.again") }}</ElButton>
    </div>
  </div>
</template>
