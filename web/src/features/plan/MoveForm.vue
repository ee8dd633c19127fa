<script setup lang="ts">
/** What can be set of one move. */
import type { Comb, HeldState, Moisture, Move, MoveReport, Point, TechniqueKind } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { useI18n } from "vue-i18n";
import { amounts, setPoint, setTechnique, techniquesOf, type Amount } from "./moves";

const props = defineProps<{
  move: Move;
  report: MoveReport | undefined;
  points: readonly Point[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();
const { t } = useI18n();
const id = `move-${Math.random().toString(36).slice(2)}`;
const numbers = computed(() => amounts(props.move, props.report));
const MOISTURES: readonly Moisture[] = ["dry", "damp", "wet"];
const COMBS: readonly Comb[] = ["none", "wide", "medium", "fine"];
const technique = computed(() => props.move.technique?.kind ?? "blunt");
const line = computed(() => ("perimeter" in props.move.way ? props.move.way.perimeter.behind.point : undefined));
const SIGNS = { length: undefined, degrees: "°", percent: "%" } as const;

/** What is typed is kept to the tenth: nothing finer can be held or cut. */
const rounded = (amount: Amount) => Math.round(amount.value * 10) / 10;

function set(amount: Amount, value: number | undefined) {
  if (value !== undefined) emit("change", (move) => amount.set(move, value));
}
function setState(part: Partial<HeldState>) {
  emit("change", (move) => (move.state = { moisture: "dry", comb: "wide", ...move.state, ...part }));
}
const chosen = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div class="form">
    <div v-if="line" class="wide">
      <label :for="`${id}-line`">{{ t("plan.line") }}</label>
      <select
        :id="`${id}-line`"
        :value="line"
        :disabled="disabled"
        @change="emit('change', (move) => setPoint(move, chosen($event) as Point))"
      >
        <option v-for="point in points" :key="point" :value="point">{{ t(`point.${point}`) }}</option>
      </select>
    </div>
    <LengthField
      v-for="amount in numbers"
      :key="amount.name"
      :label="t(`plan.amount.${amount.name}`)"
      :model-value="rounded(amount)"
      :sign="SIGNS[amount.unit]"
      :fault="faultAt(amount.field)"
      :disabled="disabled"
      @update:model-value="set(amount, $event)"
    />
    <div>
      <label :for="`${id}-technique`">{{ t("plan.technique") }}</label>
      <select
        :id="`${id}-technique`"
        :value="technique"
        :disabled="disabled"
        @change="emit('change', (move) => setTechnique(move, chosen($event) as TechniqueKind))"
      >
        <option v-for="kind in techniquesOf(move)" :key="kind" :value="kind">{{ t(`plan.techniques.${kind}`) }}</option>
      </select>
    </div>
    <div>
      <label :for="`${id}-moisture`">{{ t("plan.moisture") }}</label>
      <select
        :id="`${id}-moisture`"
        :value="move.state?.moisture"
        :disabled="disabled"
        @change="setState({ moisture: chosen($event) as Moisture })"
      >
        <option v-for="each in MOISTURES" :key="each" :value="each">{{ t(`moisture.${each}`) }}</option>
      </select>
    </div>
    <div>
      <label :for="`${id}-comb`">{{ t("plan.comb") }}</label>
      <select
        :id="`${id}-comb`"
        :value="move.state?.comb"
        :disabled="disabled"
        @change="setState({ comb: chosen($event) as Comb })"
      >
        <option v-for="each in COMBS" :key="each" :value="each">{{ t(`comb.${each}`) }}</option>
      </select>
    </div>
    <CheckField
      class="wide"
      :label="t('plan.mirrored')"
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

div > label {
  display: block;
  font-weight: 600;
}

.wide {
  grid-column: 1 / -1;
}
</style>
