<script setup lang="ts">
import FailureNote from "@/shared/FailureNote.vue";
import { sayDay } from "@/shared/days";
import { computed, provide, type Ref } from "vue";
import { t } from "@/shared/words";
import { useRoute } from "vue-router";
import type { Visit } from "@/api";
import StageRibbon from "./StageRibbon.vue";
import { useLive } from "./useLive";
import { VISIT, useVisitQuery } from "./visitData";

const props = defineProps<{ visit: string }>();
const route = useRoute();
const query = useVisitQuery(() => props.visit);
const found = query.data;
useLive(() => props.visit);
const bare = computed(() => route.meta.bare ?? false);

// Stages are only mounted once the visit is there.
provide(VISIT, found as Ref<Visit>);
</script>

<template>
  <div v-if="query.error.value && !found" class="page stack">
    <h1>{{ t("visit-unfound") }}</h1>
    <FailureNote :error="query.error.value" @again="query.refetch()" />
    <p>
      <RouterLink :to="{ name: 'people' }">{{ t("nowhere-back") }}</RouterLink>
    </p>
  </div>
  <p v-else-if="!found" class="page soft" aria-live="polite">{{ t("app-loading") }}</p>
  <div v-else-if="bare"><RouterView :key="found.id" /></div>
  <div v-else class="visit">
    <header class="no-print">
      <p class="whose">
        <RouterLink
          :to="{ name: 'client', params: { client: found.client.id } }"
          class="name"
          :title="found.client.name"
          >{{ found.client.name }}</RouterLink
        >
        <span class="soft">{{ sayDay(found.on_date) }}</span>
      </p>
      <StageRibbon :visit="found" />
      <span id="save-state" class="save-state"></span>
    </header>
    <RouterView :key="found.id" />
  </div>
</template>

<style scoped>
header {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) auto minmax(200px, 1fr);
  align-items: center;
  gap: 8px 24px;
  padding: 6px 24px;
  border-bottom: 1px solid var(--line);
}

.whose {
  display: grid;
  line-height: 1.25;
  min-width: 0;
}

.name {
  font: 650 1.15rem/1.25 var(--display);
  text-decoration: none;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.name:hover {
  text-decoration: underline;
}

.save-state {
  justify-self: end;
}

@media (max-width: 900px) {
  header {
    grid-template-columns: 1fr 1fr;
  }

  header :deep(.ribbon) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
