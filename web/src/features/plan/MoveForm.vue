<script setup lang="ts">
/** What can be set of one move. */
import FoldPart from "@/shared/FoldPart.vue";
import { type HeldState, type Move, type MoveReport, type Point, moistureValues, combValues } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import FinerForm from "./FinerForm.vue";
import HowForm from "./HowForm.vue";
import PauseForm from "./PauseForm.vue";
import { amounts, setPoint, setTechnique, techniquesOf, type Amount } from "./moves";
import { useChoices } from "@/shared/useChoices";

const props = defineProps<{
  move: Move;
  /** Its place in the cut, from 0, and how many moves there are. */
  at: number;
  count: number;
  report: MoveReport | undefined;
  points: readonly Point[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();
const { named } = useChoices();
const numbers = computed(() => amounts(props.move, props.report));
const technique = computed(() => props.move.technique?.kind ?? "blunt");
const line = computed(() => ("perimeter" in props.move.kind ? props.move.kind.perimeter.behind.point : undefined));
const SIGNS = { length: undefined, degrees: "°", percent: "%", count: "×" } as const;
const pause = computed(() => ("pause" in props.move.kind ? props.move.kind.pause : undefined));

/** What is typed is kept to the tenth: nothing finer can be held or cut. */
const rounded = (amount: Amount) => Math.round(amount.value * 10) / 10;

function set(amount: Amount, value: number | undefined) {
  if (value !== undefined) emit("change", (move) => amount.set(move, value));
}
function setState(part: Partial<HeldState>) {
  emit("change", (move) => (move.state = { moisture: "dry", comb: "wide", ...move.state, ...part }));
}
</script>

<template>
  <PauseForm
    v-if="pause"
    :model-value="pause"
    :fault-at="faultAt"
    :disabled="disabled"
    @update:model-value="emit('change', (m) => (m.kind = { pause: $event }))"
  />
  <div v-else class="form">
    <ChoiceField
      v-if="line"
      class="wide"
      :model-value="line"
      :label="t('plan-line')"
      :choices="named(points, 'point')"
      :disabled="disabled"
      @update:model-value="emit('change', (move) => setPoint(move, $event))"
    />
    <LengthField
      v-for="amount in numbers"
      :key="amount.name"
      :label="t(`plan-amount-${amount.name}`)"
      :model-value="rounded(amount)"
      :sign="SIGNS[amount.unit]"
      :fault="faultAt(amount.field)"
      :disabled="disabled"
      @update:model-value="set(amount, $event)"
    />
    <ChoiceField
      :model-value="technique"
      :label="t('plan-technique')"
      :choices="named(techniquesOf(move), 'technique')"
      :disabled="disabled"
      @update:model-value="emit('change', (move) => setTechnique(move, $event))"
    />
    <ChoiceField
      :model-value="move.state?.moisture"
      :label="t('plan-moisture')"
      :choices="named(moistureValues, 'figureWord-moisture')"
      :disabled="disabled"
      @update:model-value="setState({ moisture: $event })"
    />
    <ChoiceField
      :model-value="move.state?.comb"
      :label="t('plan-comb')"
      :choices="named(combValues, 'comb')"
      :disabled="disabled"
      @update:model-value="setState({ comb: $event })"
    />
    <FoldPart class="wide" :title="t('plan-how')">
      <HowForm
        :move="move"
        :at="at"
        :points="points"
        :fault-at="faultAt"
        :disabled="disabled"
        @change="(how) => emit('change', how)"
      />
    </FoldPart>
    <FoldPart class="wide" :title="t('plan-finer')">
      <FinerForm
        :move="move"
        :at="at"
        :count="count"
        :points="points"
        :fault-at="faultAt"
        :disabled="disabled"
        @change="(finer) => emit('change', finer)"
      />
    </FoldPart>
    <CheckField
      class="wide"
      :label="t('plan-mirrored')"
      :model-value="move.mirrored ?? false"
      :disabled="disabled"
      @update:model-value="emit('change', (m) => (m.mirrored = $event))"
    />
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  padding: 8px 0;
}

.wide {
  grid-column: 1 / -1;
}
</style>
