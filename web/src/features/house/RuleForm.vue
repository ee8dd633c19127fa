<script setup lang="ts">
/** What the house thinks of the planner's rules: the side it takes in a dispute, and rules that it has switched off. */
import { body, client, type PlanRule } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import FoldPart from "@/shared/FoldPart.vue";
import { askHouseRules, askMethods } from "@/shared/ask";
import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { uniq } from "lodash-es";
import { computed } from "vue";
import { t, te } from "@/shared/words";

defineProps<{ disabled: boolean }>();
const cache = useQueryClient();
const methods = useQuery({ queryKey: ["methods"], queryFn: askMethods, staleTime: Infinity });
const own = useQuery({ queryKey: ["house-rules"], queryFn: askHouseRules });
const saved = { onSuccess: () => cache.invalidateQueries({ queryKey: ["house-rules"] }) };
const setRule = useMutation({
  mutationFn: ({ number, off }: { number: number; off: boolean }) =>
    body(client.PUT("/api/house/rules/{number}", { params: { path: { number } }, body: { off } })),
  ...saved,
});
const setSide = useMutation({
  mutationFn: ({ topic, takes }: { topic: string; takes: string | null }) =>
    body(client.PUT("/api/house/sides/{topic}", { params: { path: { topic } }, body: { takes } })),
  ...saved,
});

const rules = computed(() => methods.data.value?.rules ?? []);
const isOff = ({ number }: PlanRule) => own.data.value?.off?.includes(number) ?? false;
const count = computed(() => rules.value.filter(isOff).length);
const EITHER = "";
/** A word of the data in the words of this page, where it has some. */
const word = (kind: string, name: string) => {
  const key = `${kind}-${name.replaceAll(" ", "_")}`;
  return te(key) ? t(key) : name;
};
/** What rules and ways of working take sides in; where all take the same one there is no dispute. */
const disputes = computed(() => {
  const taken = [
    ...rules.value.flatMap(({ side }) => (side ? [[side.topic, side.takes] as const] : [])),
    ...(methods.data.value?.methods ?? []).flatMap(({ method }) => Object.entries(method.schools ?? {})),
  ];
  const sides = (topic: string) => uniq(taken.flatMap(([known, takes]) => (known === topic ? takes : [])));
  return uniq(taken.map(([topic]) => topic))
    .filter((topic) => sides(topic).length > 1)
    .map((topic) => ({
      topic,
      takes: own.data.value?.sides?.[topic] ?? EITHER,
      choices: [
        { value: EITHER, label: t("house-eitherSide") },
        ...sides(topic).map((takes) => ({ value: takes, label: word("rule-side", takes) })),
      ],
    }));
});
</script>

<template>
  <section class="stack">
    <h2>{{ t("house-rules") }}</h2>
    <p class="soft">{{ t("house-rulesHint") }}</p>
    <FailureNote v-if="setRule.error.value" :error="setRule.error.value" @again="setRule.reset()" />
    <FailureNote v-if="setSide.error.value" :error="setSide.error.value" @again="setSide.reset()" />
    <FailureNote v-if="own.error.value" :error="own.error.value" @again="own.refetch()" />
    <FailureNote v-if="methods.error.value" :error="methods.error.value" @again="methods.refetch()" />
    <template v-if="own.data.value && methods.data.value">
      <div class="disputes">
        <ChoiceRow
          v-for="{ topic, takes, choices } in disputes"
          :key="topic"
          :model-value="takes"
          :label="word('rule-topic', topic)"
          :choices="choices"
          :disabled="disabled"
          @update:model-value="setSide.mutate({ topic, takes: $event || null })"
        />
      </div>
      <FoldPart :title="t('house-rulesAll', { n: rules.length, off: count })">
        <ul class="rules">
          <li v-for="rule in rules" :key="rule.number" :class="{ off: isOff(rule) }">
            <ElSwitch
              :model-value="!isOff(rule)"
              :disabled="disabled"
              :aria-label="t('house-rule', { condition: rule.condition, advice: rule.advice })"
              @update:model-value="setRule.mutate({ number: rule.number, off: !$event })"
            />
            <span>
              <b>{{ rule.condition }}:</b> {{ rule.advice }}; <span class="soft">{{ rule.because }}.</span>
            </span>
          </li>
        </ul>
      </FoldPart>
    </template>
  </section>
</template>

<style scoped>
.disputes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 14px 28px;
}

.rules {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 4px 28px;
}

li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 12px;
  align-items: center;
  min-height: 44px;
}

li.off {
  box-shadow: inset 4px 0 0 var(--aim);
  padding-left: 12px;
}
</style>
