<script setup lang="ts">
/** The cuts of the house, each as this client would look after it, with what it is for. None replaces steps unasked. */
import type { Cut, FallRequest, Figure } from "@/api";
import type { Box } from "@/shared/hair/picture";
import { t } from "@/shared/words";
import CutCard from "./CutCard.vue";

defineProps<{
  cuts: readonly { key: string; cut: Cut }[];
  question: FallRequest | undefined;
  figure: Figure | undefined;
  box: Box | undefined;
  /** Steps that stand there now. */
  steps: number;
}>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ choose: [cut: Cut] }>();

function choose(cut: Cut) {
  open.value = false;
  emit("choose", cut);
}
</script>

<template>
  <ElDialog v-model="open" :title="t('plan-start')" width="min(1180px, 94vw)" append-to="#layers">
    <p v-if="steps > 0" class="caution">{{ t("plan-startReplaces", { n: steps }) }}</p>
    <div class="cuts">
      <CutCard
        v-for="{ key, cut } in cuts"
        :key="key"
        :cut="cut"
        :question="question"
        :figure="figure"
        :box="box"
        @choose="choose(cut)"
      />
    </div>
  </ElDialog>
</template>

<style scoped>
.cuts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 250px), 1fr));
  gap: 14px;
  margin-top: 10px;
}
</style>
