<script setup lang="ts">
/** The section of a step by its name: each that has one on a small drawn head, to be pressed. */
import type { Figure, Region, SectionPicture } from "@/api";
import { same } from "@/shared/plain";
import { t } from "@/shared/words";
import { computed, ref } from "vue";
import StepHead from "./StepHead.vue";

const region = defineModel<Region>({ required: true });
const props = defineProps<{
  /** Those that have names, as they lie on this head. */
  sections: readonly SectionPicture[];
  figure: Figure;
  disabled: boolean;
}>();
const open = ref(false);
const chosen = computed(() => props.sections.find((known) => same(known.region, region.value)));

function choose(section: SectionPicture) {
  region.value = section.region;
  open.value = false;
}
</script>

<template>
  <div class="row pick">
    <span>
      <b>{{ t("plan-sectionNamed") }}</b>
      {{ chosen ? t(`section-${chosen.named}`) : t("plan-sectionOwn") }}
    </span>
    <ElButton :disabled="disabled" @click="open = true">{{ t("plan-sectionChoose") }}</ElButton>
    <ElDialog v-model="open" append-to="#layers" width="min(680px, 94vw)" :title="t('plan-sectionChoose')">
      <div class="heads" role="group" :aria-label="t('plan-sectionChoose')">
        <button
          v-for="known in sections"
          :key="known.named"
          type="button"
          :aria-pressed="known.named === chosen?.named"
          @click="choose(known)"
        >
          <StepHead :picture="known.picture" :figure="figure" :label="t(`plan-view-${known.picture.view}`)" />
          <span>{{ t(`section-${known.named}`) }}</span>
        </button>
      </div>
      <p class="soft small">{{ t("plan-sectionElse") }}</p>
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
