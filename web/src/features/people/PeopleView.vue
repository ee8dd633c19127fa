<script setup lang="ts">
import { body, client } from "@/api";
import EmptyState from "@/shared/EmptyState.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { sayDay } from "@/shared/days";
import { keepPreviousData, useQuery } from "@tanstack/vue-query";
import { refDebounced } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { t } from "@/shared/words";
import { useRoute, useRouter } from "vue-router";
import NewClient from "./NewClient.vue";

const route = useRoute();
const router = useRouter();
const adding = ref(false);
const typed = ref(String(route.query.search ?? ""));
const search = refDebounced(typed, 250);
const page = computed(() => Math.max(1, Number(route.query.page) || 1));

// What is looked for is part of the address: it can be sent, and "back" comes back to it.
watch(search, (words) => void router.replace({ query: words ? { search: words } : {} }));
const turn = (to: number) => void router.push({ query: { ...route.query, page: String(to) } });

const people = useQuery({
  queryKey: computed(() => ["clients", search.value, page.value] as const),
  queryFn: () => body(client.GET("/api/clients", { params: { query: { search: search.value, page: page.value } } })),
  placeholderData: keepPreviousData,
});
const list = people.data;
</script>

<template>
  <div class="page stack">
    <div class="row spread">
      <h1>{{ t("people-title") }}</h1>
      <ElButton type="primary" @click="adding = true">{{ t("people-add") }}</ElButton>
    </div>
    <div class="search">
      <label class="visually-hidden" for="search">{{ t("people-search") }}</label>
      <ElInput id="search" v-model="typed" type="search" size="large" clearable :placeholder="t('people-search')" />
      <p class="soft small" aria-live="polite">
        <template v-if="list">{{ t("people-found", { count: list.total }) }}</template>
      </p>
    </div>
    <FailureNote v-if="people.error.value" :error="people.error.value" @again="people.refetch()" />
    <EmptyState
      v-else-if="list && list.total === 0"
      :text="search ? t('people-noneFound', { search }) : t('people-none')"
    />
    <ul v-else-if="list" class="list">
      <li v-for="person in list.clients" :key="person.id">
        <RouterLink :to="{ name: 'client', params: { client: person.id } }">
          <span class="name">{{ person.name }}</span>
          <span class="note soft">{{ person.note }}</span>
          <span class="visits">
            <template v-if="person.last_visit">{{
              t("people-lastVisit", { day: sayDay(person.last_visit) })
            }}</template>
            <template v-else>{{ t("people-noVisit") }}</template>
          </span>
          <span class="visits soft">{{ t("people-visits", { count: person.visits }) }}</span>
        </RouterLink>
      </li>
    </ul>
    <ElPagination
      v-if="list && list.total > list.per_page"
      layout="prev, pager, next"
      :total="list.total"
      :page-size="list.per_page"
      :current-page="list.page"
      @current-change="turn"
    />
    <NewClient v-model="adding" />
  </div>
</template>

<style scoped>
.search {
  display: grid;
  gap: 6px;
}

.list {
  list-style: none;
  border-top: 1px solid var(--line);
}

.list a {
  display: grid;
  grid-template-columns: minmax(160px, 1.1fr) 2fr minmax(150px, auto) 80px;
  gap: 4px 20px;
  align-items: baseline;
  padding: 13px 12px;
  border-bottom: 1px solid var(--line);
  text-decoration: none;
}

.list a:hover {
  background: var(--sheet);
}

.name {
  font-weight: 650;
  font-size: 1.1rem;
  overflow-wrap: anywhere;
}

.note {
  overflow: hidden;
  text-overflow: ellipsis;
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
}

.visits {
  text-align: right;
}

@media (max-width: 760px) {
  .list a {
    grid-template-columns: 1fr auto;
  }

  .note {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
