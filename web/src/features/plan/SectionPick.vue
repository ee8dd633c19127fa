<script setup lang="ts">
/** The section of a step: by its name, each that has one on a small drawn head to be pressed; and as its partings are moved. */
import type { Figure, HairRequest, Region, SectionPicture } from "@/api";
import { same } from "@/shared/plain";
import { t } from "@/shared/words";
import { computed, ref } from "vue";
import PartingHead from "./PartingHead.vue";
import StepHead from "@/shared/StepHead.vue";

const region = defineModel<Region>({ required: true });
const props = defineProps<{
  /** Those that have names, as they lie on this head. */
  sections: readonly SectionPicture[];
  figure: Figure;
  /** The head it lies on. */
  on: HairRequest;
  disabled: boolean;
}>();
const open = ref(false);
const chosen = computed(() => props.sections.find((known) => same(known.region, region.value)));
</script>

<template>
  <div class="row pick">
    <span>
      <b>{{ t("plan-sectionNamed") }}</b>
      {{ chosen ? t(`section-${chosen.named}`) : t("plan-sectionOwn") }}
    </span>
    <ElButton :disabled="disabled" @click="open = true">{{ t("plan-sectionChoose") }}</ElButton>
    <ElDialog v-model="open" append-to="#layers" width="min(680px, 94vw)" top="4vh" :title="t('plan-sectionChoose')">
      <PartingHead v-model="region" :on="on" :figure="figure" />
      <div class="heads" role="group" :aria-label="t('plan-sectionChoose')">
        <button
          v-for="known in sections"
          :key="known.named"
          type="button"
          :aria-pressed="known.named === chosen?.named"
          @click="region = known.region"
        >
          <StepHead :picture="known.picture" :figure="figure" :label="t(`plan-view-${known.picture.view}`)" />
          <span>{{ t(`section-${known.named}`) }}</span>
        </button>
      </div>
      <p class="soft small">{{ t("plan-sectionElse") }}</p>
      <template #footer>
        <ElButton type="primary" @click="open = false">{{ t("plan-sectionDone") }}</ElButton>
      </template>
    </ElDialog>
  </div>
</template>

<style scoped>
.pick {
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}

.heads {
  display: grid;
  margin-top: 14px;
  grid-template-columns: repeat(auto-fill, minmax(116px, 1fr));
  gap: 8px;
}

.heads button {
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 4px;
  padding: 8px 4px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
  color: var(--ink);
  font: 600 0.92rem var(--display);
  cursor: pointer;
}

.heads button[aria-pressed="true"] {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}
</style>
