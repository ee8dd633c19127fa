<script setup lang="ts">
/** One sheet of paper for the client: the hair after the cut from three sides, without numbers. */
import { useSession } from "@/features/session";
import { bodyOf, planQuestion, useVisit } from "@/features/visit";
import { askFall, askFigure } from "@/shared/ask";
import { sayDay } from "@/shared/days";
import EmptyState from "@/shared/EmptyState.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { frame } from "@/shared/fallDrawing";
import type { View } from "@/shared/sights";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { useLocks } from "@/shared/hair/useLocks";
import { useComputed } from "@/shared/useComputed";
import { t } from "@/shared/words";
import { computed, ref } from "vue";
import { boxOf } from "./frame";

const SIDES: readonly View[] = ["front", "left", "behind"];

const session = useSession();
const visit = useVisit();
const plan = computed(() => bodyOf(visit.value, "plan"));
const question = computed(() => planQuestion(visit.value, plan.value));
const figure = useComputed(
  "figure",
  computed(() => ({ reading: { measures: bodyOf(visit.value, "read").measures ?? {} } })),
  askFigure,
);
const fall = useComputed("fall", question, askFall);
const { locks, tones } = useLocks(question, ref("after"));
const box = computed(() => fall.data.value && boxOf(frame([fall.data.value.after], [])));
const print = () => window.print();
</script>

<template>
  <div class="paper">
    <p class="no-print row">
      <RouterLink :to="{ name: 'plan' }">{{ t("plan-clientPageBack") }}</RouterLink>
      <ElButton type="primary" :disabled="!locks" @click="print">{{ t("print-print") }}</ElButton>
    </p>
    <EmptyState v-if="!question" :text="t('plan-clientPageNone')" />
    <FailureNote v-if="fall.error.value" :error="fall.error.value" @again="fall.refetch()" />
    <header>
      <h1>{{ visit.client.name }}</h1>
      <p>{{ session.person?.house }} · {{ sayDay(visit.on_date) }} · {{ visit.stylist }}</p>
    </header>
    <div v-if="figure.data.value && box" class="sides">
      <figure v-for="view in SIDES" :key="view">
        <HairPicture
          paper
          :view="view"
          :figure="figure.data.value"
          :locks="locks"
          :tones="tones"
          :box="box"
          :label="t(`plan-view-${view}`)"
        />
        <figcaption>{{ t(`plan-view-${view}`) }}</figcaption>
      </figure>
    </div>
  </div>
</template>

<style scoped>
.paper {
  max-width: 1100px;
  margin: 0 auto;
  padding: 20px 16px 40px;
}

header {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 8px;
  margin-bottom: 16px;
}

h1 {
  font-size: 1.6rem;
  overflow-wrap: anywhere;
}

.sides {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}

figure {
  margin: 0;
}

figcaption {
  text-align: center;
  font: 600 1rem var(--display);
}

@media (max-width: 640px) {
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
