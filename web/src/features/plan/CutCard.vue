<script setup lang="ts">
/** A cut to be chosen: this client after it, drawn once it is in sight. */
import type { Cut, FallRequest, Figure } from "@/api";
import type { Box } from "@/shared/hair/picture";
import { useElementVisibility } from "@vueuse/core";
import { useTemplateRef } from "vue";
import { t } from "@/shared/words";
import CutPictures from "./CutPictures.vue";

defineProps<{
  cut: Cut;
  question: FallRequest | undefined;
  figure: Figure | undefined;
  box: Box | undefined;
}>();
const emit = defineEmits<{ choose: [] }>();
const seen = useElementVisibility(useTemplateRef<HTMLElement>("card"), { once: true });
</script>

<template>
  <article ref="card" class="card" :aria-label="cut.name">
    <CutPictures
      v-if="figure && box && question"
      class="pictures"
      :cut="cut"
      :name="cut.name"
      :question="seen ? question : undefined"
      :figure="figure"
      :box="box"
      :views="['front', 'left']"
    />
    <h3>{{ cut.name }}</h3>
    <p class="soft">{{ cut.purpose }}</p>
    <ElButton :aria-label="t('proposal-chooseNamed', { name: cut.name })" @click="emit('choose')">
      {{ t("proposal-choose") }}
    </ElButton>
  </article>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 6px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
  padding: 10px 12px;
}

.pictures {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
}

h3 {
  font: 650 1.05rem var(--display);
}

.card :deep(.el-button) {
  margin-top: auto;
  min-height: 44px;
}
</style>
