<script setup lang="ts">
/** Two or three ways to the wish side by side, this client after each; and why the others are not among them. */
import {
  moistureValues,
  zoneValues,
  type FallRequest,
  type Figure,
  type Moisture,
  type Proposal,
  type RuleSettings,
  type Zone,
} from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import FailureNote from "@/shared/FailureNote.vue";
import FoldPart from "@/shared/FoldPart.vue";
import type { Box } from "@/shared/hair/picture";
import { useUnit } from "@/shared/unit";
import { computed, ref, toRef } from "vue";
import { t } from "@/shared/words";
import ProposalCard from "./ProposalCard.vue";
import { squareOf, type Frame } from "./frame";
import { ANY_STATE, NOTHING_WANTED, useProposals, type StatePin, type Wanted } from "./useProposals";

const props = defineProps<{
  question: FallRequest | undefined;
  /** The head and what it fills, once they are known. */
  figure: Figure | undefined;
  frame: Frame | undefined;
  /** What the house thinks of the planner's rules; nothing while that isn't known. */
  rules: RuleSettings | undefined;
  shown: boolean;
  disabled: boolean;
}>();
const emit = defineEmits<{ choose: [plan: Proposal]; close: [] }>();
const { tell } = useUnit();
const wanted = ref<Wanted>(NOTHING_WANTED);
const { answer, looking, error, again, stop, goOn, stopped } = useProposals(
  computed(() => props.question),
  toRef(props, "shown"),
  wanted,
  toRef(props, "rules"),
);
const MINUTES = ["30", "45", "60", "90"] as const;
const ANY_TIME = "any";
const states = computed(() => [
  { value: ANY_STATE as StatePin, label: t("proposals-anyState") },
  ...moistureValues.map((value) => ({ value: value as StatePin, label: t(`figureWord-moisture-${value}`) })),
]);
const times = computed(() => [
  { value: ANY_TIME, label: t("proposals-anyTime") },
  ...MINUTES.map((value) => ({ value: value as string, label: t("proposal-minutesValue", { n: Number(value) }) })),
]);
const time = computed({
  get: () => (wanted.value.minutes === undefined ? ANY_TIME : String(wanted.value.minutes)),
  set: (value) => (wanted.value = { ...wanted.value, minutes: value === ANY_TIME ? undefined : Number(value) }),
});
/** A state for one zone, or the one each way has. */
function pin(zone: Zone, state: StatePin) {
  const states = { ...wanted.value.states };
  if (state === ANY_STATE) delete states[zone];
  else states[zone] = state as Moisture;
  wanted.value = { ...wanted.value, states };
}
const box = computed<Box | undefined>(() => props.frame && squareOf(props.frame));
</script>

<template>
  <div class="proposals stack" role="region" :aria-label="t('proposals-title')">
    <header class="row">
      <h2>{{ t("proposals-title") }}</h2>
      <div class="pins row">
        <CheckField
          :model-value="wanted.noThinning"
          :label="t('proposals-noThinning')"
          @update:model-value="wanted = { ...wanted, noThinning: $event }"
        />
        <ChoiceField
          :model-value="wanted.state"
          :label="t('proposals-state')"
          :choices="states"
          @update:model-value="wanted = { ...wanted, state: $event as StatePin }"
        />
        <ChoiceField v-model="time" :label="t('proposals-time')" :choices="times" />
        <ElButton @click="emit('close')">{{ t("proposals-own") }}</ElButton>
      </div>
    </header>
    <FailureNote v-if="error" :error="error" @again="again" />
    <p class="row soft" aria-live="polite">
      <template v-if="looking">
        {{ t(answer ? "proposals-more" : "proposals-looking") }}
        <ElButton v-if="answer" @click="stop">{{ t("proposals-stop") }}</ElButton>
      </template>
      <template v-else-if="stopped">
        {{ t("proposals-stopped") }}
        <ElButton @click="goOn">{{ t("proposals-goOn") }}</ElButton>
      </template>
      <template v-else-if="answer && answer.proposals.length > 0">{{
        t("proposals-found", { n: answer.proposals.length, cuts: answer.evaluations })
      }}</template>
      <template v-else-if="answer">{{ t("proposals-none") }}</template>
    </p>
    <div v-if="answer && answer.out_of_reach.length > 0" class="caution small">
      <ul>
        <li v-for="far in answer.out_of_reach" :key="far.zone">{{ tell(far.text) }}</li>
      </ul>
    </div>
    <div v-if="answer && question && figure && box" class="cards">
      <ProposalCard
        v-for="(plan, i) in answer.proposals"
        :key="plan.method"
        :plan="plan"
        :rank="i + 1"
        :question="question"
        :figure="figure"
        :box="box"
        :disabled="disabled"
        @choose="emit('choose', $event)"
      />
    </div>
    <FoldPart :title="t('proposals-byZone')">
      <div class="zones">
        <ChoiceField
          v-for="zone in zoneValues"
          :key="zone"
          :model-value="wanted.states?.[zone] ?? (ANY_STATE as StatePin)"
          :label="t(`zone-${zone}`)"
          :choices="states"
          @update:model-value="pin(zone, $event)"
        />
      </div>
    </FoldPart>
    <FoldPart
      v-if="answer && answer.considered.length > 0"
      :title="t('proposals-considered', { n: answer.considered.length })"
    >
      <ul>
        <li v-for="other in answer.considered" :key="other.method">
          <b>{{ other.name }}</b>. {{ tell(other.why_not) }}
        </li>
      </ul>
    </FoldPart>
  </div>
</template>

<style scoped>
.proposals {
  gap: 10px;
}

header {
  justify-content: space-between;
  align-items: end;
  flex-wrap: wrap;
  gap: 10px 24px;
}

.pins {
  align-items: end;
  flex-wrap: wrap;
  gap: 8px 16px;
}

.pins :deep(.field),
.pins > :not(label, button) {
  min-width: 190px;
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: 14px;
  align-items: start;
}

.zones {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 8px 16px;
}

.caution ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
</style>
