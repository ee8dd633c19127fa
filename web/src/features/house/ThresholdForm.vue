<script setup lang="ts">
/** From where on the house objects to what is found about a plan; what it hasn't set is judged by the usual thresholds. */
import { body, client, contract, type FindingRule } from "@/api";
import FailureNote from "@/shared/FailureNote.vue";
import LengthField from "@/shared/LengthField.vue";
import { askThresholds } from "@/shared/ask";
import { useUnit } from "@/shared/unit";
import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { useDebounceFn } from "@vueuse/core";
import { reactive } from "vue";
import { t } from "@/shared/words";

defineProps<{ disabled: boolean }>();
const { say } = useUnit();
const cache = useQueryClient();
const own = useQuery({ queryKey: ["thresholds"], queryFn: askThresholds });
const set = useMutation({
  mutationFn: ({ code, value }: { code: FindingRule["code"]; value: number | null }) =>
    body(client.PUT("/api/house/thresholds/{finding}", { params: { path: { finding: code } }, body: { value } })),
  onSuccess: () => cache.invalidateQueries({ queryKey: ["thresholds"] }),
});
/** What is typed and not saved yet. */
const typed = reactive<Partial<Record<FindingRule["code"], number>>>({});
const valueOf = ({ code, threshold }: FindingRule) => typed[code] ?? own.data.value?.[code] ?? threshold;
const isOwn = ({ code }: FindingRule) => own.data.value?.[code] !== undefined;
const isInside = ({ least, greatest }: FindingRule, value: number) => value >= least && value <= greatest;

const REST_MS = 700;
const save = useDebounceFn(async (rule: FindingRule) => {
  const value = typed[rule.code];
  if (value === undefined || !isInside(rule, value)) return;
  await set.mutateAsync({ code: rule.code, value });
  if (typed[rule.code] === value) delete typed[rule.code];
}, REST_MS);
function change(rule: FindingRule, value: number | undefined) {
  if (value === undefined) return;
  typed[rule.code] = value;
  void save(rule);
}
function restore(rule: FindingRule) {
  delete typed[rule.code];
  set.mutate({ code: rule.code, value: null });
}
const tells = ({ unit }: FindingRule, value: number) =>
  unit === "mm" ? say(value) : t(`plan-findingUnit-${unit}`, { value });
const range = (rule: FindingRule) =>
  t(rule.worse === "above" ? "house-saidFrom" : "house-saidUnder", {
    least: tells(rule, rule.least),
    greatest: tells(rule, rule.greatest),
  });
</script>

<template>
  <section class="stack">
    <h2>{{ t("house-thresholds") }}</h2>
    <p class="soft">{{ t("house-thresholdsHint") }}</p>
    <FailureNote v-if="set.error.value" :error="set.error.value" @again="set.reset()" />
    <FailureNote v-if="own.error.value" :error="own.error.value" @again="own.refetch()" />
    <ul v-else-if="own.data.value" class="rules">
      <li v-for="rule in contract.findings" :key="rule.code" :class="{ own: isOwn(rule) }">
        <LengthField
          :model-value="valueOf(rule)"
          :label="t(`plan-finding-${rule.code}`)"
          :hint="range(rule)"
          :sign="rule.unit === 'mm' ? undefined : t(`house-unit-${rule.unit}`)"
          :fault="isInside(rule, valueOf(rule)) ? undefined : range(rule)"
          :disabled="disabled"
          @update:model-value="change(rule, $event)"
        />
        <ElButton v-if="isOwn(rule)" :disabled="disabled" @click="restore(rule)">
          {{ t("house-usual", { value: tells(rule, rule.threshold) }) }}
        </ElButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rules {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 14px 28px;
}

li.own {
  box-shadow: inset 4px 0 0 var(--aim);
  padding-left: 12px;
}
</style>
