<script setup lang="ts">
import FilePick from "@/shared/FilePick.vue";
import { Refused, body, client as api, stageValues, type VisitRow } from "@/api";
import { useSession } from "@/features/session";
import EmptyState from "@/shared/EmptyState.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { sayDay, sayMoment, today } from "@/shared/days";
import { useQuery, useQueryClient } from "@tanstack/vue-query";
import { v4 as uuid } from "uuid";
import { computed, ref } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { useRouter } from "vue-router";

const props = defineProps<{ client: string }>();
const router = useRouter();
const cache = useQueryClient();
const session = useSession();
const { tell } = useUnit();
const failure = ref<unknown>();
const busy = ref(false);

const path = computed(() => ({ path: { id: props.client } }));
const person = useQuery({
  queryKey: computed(() => ["client", props.client] as const),
  queryFn: () => body(api.GET("/api/clients/{id}", { params: path.value })),
});
const visits = useQuery({
  queryKey: computed(() => ["visits", props.client] as const),
  queryFn: () => body(api.GET("/api/clients/{id}/visits", { params: path.value })),
});
const error = computed(() => person.error.value ?? visits.error.value);
const refused = computed(() => (failure.value instanceof Refused ? failure.value : undefined));

async function open(opening: () => Promise<{ id: string }>) {
  busy.value = true;
  failure.value = undefined;
  try {
    const visit = await opening();
    key = uuid();
    await cache.invalidateQueries({ queryKey: ["visits", props.client] });
    await router.push({ name: "visit", params: { visit: visit.id } });
  } catch (cause) {
    failure.value = cause;
  } finally {
    busy.value = false;
  }
}

/** Whose answer was lost is asked for again under the same key: the same visit is begun once. */
let key = uuid();
const begin = () => {
  const headers = { "Idempotency-Key": `${key} ${today()}` };
  return open(() =>
    body(api.POST("/api/clients/{id}/visits", { params: path.value, body: { on_date: today() }, headers })),
  );
};

async function bringIn(chosen: File) {
  const text = await chosen.text();
  // The file goes as it is: the server names the line of what is wrong in it.
  await open(() =>
    body(
      api.POST("/api/clients/{id}/import", {
        params: path.value,
        body: text as never,
        bodySerializer: (sent) => sent as unknown as string,
        headers: { "content-type": "application/json" },
      }),
    ),
  );
}

const reached = (visit: VisitRow) => stageValues.filter((stage) => visit.stages[stage]);
</script>

<template>
  <div class="page stack">
    <p>
      <RouterLink :to="{ name: 'people' }">{{ t("client-back") }}</RouterLink>
    </p>
    <FailureNote v-if="error" :error="error" @again="(person.refetch(), visits.refetch())" />
    <template v-if="person.data.value">
      <h1>{{ person.data.value.name }}</h1>
      <p v-if="person.data.value.note" class="note">{{ person.data.value.note }}</p>
      <p class="soft small">
        <template v-if="person.data.value.contact">{{ person.data.value.contact }} · </template>
        {{ t("client-consent", { moment: sayMoment(person.data.value.consent_at) }) }}
      </p>
    </template>
    <div v-if="person.data.value && session.mayEdit" class="row">
      <ElButton type="primary" :loading="busy" @click="begin">{{ t("client-begin") }}</ElButton>
      <FilePick :label="t('client-import')" accept="application/json,.json" :busy="busy" @pick="bringIn" />
    </div>
    <div v-if="failure" class="caution" role="alert">
      <div v-if="refused">
        <p>{{ t("client-refused") }}</p>
        <ul v-if="refused.problem.fields.length">
          <li v-for="fault in refused.problem.fields" :key="fault.field + fault.line">
            <template v-if="fault.line">{{ t("client-line", { line: fault.line }) }}: </template>
            <code>{{ fault.field }}</code> {{ tell(fault.message) }}
          </li>
          <li v-if="refused.problem.more">{{ t("client-more", { n: refused.problem.more }) }}</li>
        </ul>
        <p v-else>{{ tell(refused.problem.message) }}</p>
        <p>{{ t("error-safe") }}</p>
      </div>
      <p v-else>{{ t("app-unreachable") }}</p>
    </div>
    <section v-if="visits.data.value" class="stack">
      <h2>{{ t("client-visits") }}</h2>
      <EmptyState v-if="visits.data.value.length === 0" :text="t('client-noVisits')" />
      <ol v-else class="visits">
        <li v-for="visit in visits.data.value" :key="visit.id">
          <RouterLink :to="{ name: 'visit', params: { visit: visit.id } }">
            <span class="day">{{ sayDay(visit.on_date) }}</span>
            <span>{{ visit.stylist }}</span>
            <span class="soft">{{
              reached(visit).length
                ? reached(visit)
                    .map((stage) => t(`stage-${stage}`))
                    .join(" · ")
                : t("client-notBegun")
            }}</span>
          </RouterLink>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
h1 {
  overflow-wrap: anywhere;
}

.note {
  font-size: 1.15rem;
  max-width: 70ch;
  overflow-wrap: anywhere;
}

.visits {
  list-style: none;
  border-left: 2px solid var(--ink);
  margin-left: 7px;
}

.visits a {
  position: relative;
  display: grid;
  grid-template-columns: 150px 180px 1fr;
  gap: 4px 16px;
  padding: 14px 16px 14px 26px;
  text-decoration: none;
}

.visits a::before {
  content: "";
  position: absolute;
  left: -8px;
  top: 19px;
  width: 14px;
  height: 14px;
  border-radius: 50%;
  background: var(--paper);
  border: 3px solid var(--ink);
}

.visits a:hover {
  background: var(--sheet);
}

.day {
  font-weight: 650;
}

ul {
  padding-left: 20px;
}

@media (max-width: 640px) {
  .visits a {
    grid-template-columns: 1fr;
  }
}
</style>
