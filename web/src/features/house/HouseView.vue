<script setup lang="ts">
import { body, client } from "@/api";
import { useSession } from "@/features/session";
import FailureNote from "@/shared/FailureNote.vue";
import { sayMoment } from "@/shared/days";
import { useQuery } from "@tanstack/vue-query";
import { t, te } from "@/shared/words";
import RuleForm from "./RuleForm.vue";
import ThresholdForm from "./ThresholdForm.vue";

const session = useSession();
const audit = useQuery({
  queryKey: ["audit"],
  queryFn: () => body(client.GET("/api/audit")),
  enabled: () => session.mayReadAudit,
});
/** An action that has no words yet is shown by its name rather than not at all. */
const word = (kinds: readonly string[], name: string) => {
  const key = kinds.map((kind) => `${kind}-${name}`).find((found) => te(found));
  return key ? t(key) : name;
};
</script>

<template>
  <div class="page stack">
    <h1>{{ session.person?.house }}</h1>
    <ThresholdForm :disabled="!session.maySetHouse" />
    <RuleForm :disabled="!session.maySetHouse" />
    <h2>{{ t("house-audit") }}</h2>
    <p v-if="!session.mayReadAudit">{{ t("house-ownerOnly") }}</p>
    <FailureNote v-else-if="audit.error.value" :error="audit.error.value" @again="audit.refetch()" />
    <p v-else-if="audit.data.value?.entries.length === 0">{{ t("house-nothing") }}</p>
    <div v-else class="scroll" tabindex="0" role="region" :aria-label="t('house-audit')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t("house-when") }}</th>
            <th scope="col">{{ t("house-who") }}</th>
            <th scope="col">{{ t("house-what") }}</th>
            <th scope="col">{{ t("house-version") }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(entry, i) in audit.data.value?.entries" :key="i">
            <td>{{ sayMoment(entry.at) }}</td>
            <td>{{ entry.person ?? t("house-nobody") }}</td>
            <td>{{ word(["stage", "house-entity"], entry.entity) }}: {{ word(["house-action"], entry.action) }}</td>
            <td>{{ entry.version ?? "" }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

th,
td {
  padding: 9px 16px 9px 0;
  border-bottom: 1px solid var(--line);
}
</style>
