<script setup lang="ts">
/** A cut to be chosen: this client after it, drawn once it is in sight. */
import type { Cut, FallRequest, Figure } from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import type { Box } from "@/shared/hair/picture";
import { useElementVisibility } from "@vueuse/core";
import { computed, ref, useTemplateRef } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{
  cut: Cut;
  question: FallRequest | undefined;
  figure: Figure | undefined;
  box: Box | undefined;
}>();
const emit = defineEmits<{ choose: [] }>();
const seen = useElementVisibility(useTemplateRef<HTMLElement>("card"), { once: true });
const { locks, stale, tones } = useLocks(
  computed(() => (seen.value && props.question ? { ...props.question, plan: { cut: props.cut } } : undefined)),
  ref("after"),
  { count: LOCKS.small },
);
const VIEWS = ["front", "left"] as const;
</script>

<template>
  <article ref="card" class="card" :aria-label="cut.name">
    <div v-if="figure && box && question" class="pictures">
      <HairPicture
        v-for="view in VIEWS"
        :key="view"
        :view="view"
        :figure="figure"
        :locks="locks"
        :tones="tones"
        :stale="stale"
        :box="box"
        :label="t('proposal-looks', { name: cut.name, view: t(`plan-view-${view}`) })"
      />
    </div>
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
