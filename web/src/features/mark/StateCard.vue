<script setup lang="ts">
/** One zone in one state: where to cut, as a number to be read at arm's length, and where it will land. */
import { type Comb, type HeldState, type Moisture, type SheetZone, moistureValues, combValues } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import { numberIn, onComb, signOf } from "@/shared/lengths";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";
import { exists, keyOf, markIn, sameState, verdict } from "./states";

const props = defineProps<{ zone: SheetZone; title: string }>();
const state = defineModel<HeldState>({ required: true });
const { unit, say } = useUnit();

const answer = computed(() => verdict(props.zone, state.value));
const mark = computed(() => ("mark" in answer.value ? answer.value.mark : undefined));
/** Where the line lies while the hair is combed down to it. */
const lineBelow = computed(() => props.zone.result && markIn(props.zone.result, state.value)?.line_below_mm);
const advised = computed(() => sameState(props.zone.result?.advised, state.value));
const moisture = computed({
  get: () => state.value.moisture,
  set: (value: Moisture) => {
    const next = { moisture: value, comb: state.value.comb };
    state.value = exists(next) ? next : { moisture: value, comb: "medium" };
  },
});
const comb = computed({
  get: () => state.value.comb,
  set: (value: Comb) => (state.value = { moisture: state.value.moisture, comb: value }),
});
const combs = computed(() =>
  combValues.map((value) => ({
    value,
    label: t(`combShort-${value}`),
    disabled: !exists({ moisture: state.value.moisture, comb: value }),
  })),
);
</script>

<template>
  <section class="sheet card" :aria-label="`${title}: ${t(`states-${keyOf(state)}`)}`">
    <header class="row spread">
      <h3>{{ title }}</h3>
      <span v-if="advised" class="advised">✓ {{ t("mark-advised") }}</span>
    </header>
    <div class="row switches">
      <ChoiceRow
        v-model="moisture"
        hide-label
        :label="t('mark-moisture')"
        :choices="moistureValues.map((value) => ({ value, label: t(`figureWord-moisture-${value}`) }))"
      />
      <ChoiceRow v-model="comb" hide-label :label="t('mark-comb')" :choices="combs" />
    </div>
    <div v-if="answer.kind === 'cut' && mark" class="answer">
      <p class="number big" data-testid="mark">
        {{ onComb(unit, mark.comb_mm) }}<small>{{ signOf(unit) }}</small>
      </p>
      <dl>
        <div class="lands">
          <dt>{{ t("mark-lands") }}</dt>
          <dd>{{ numberIn(unit, mark.lands_low_mm) }} – {{ say(mark.lands_high_mm) }}</dd>
        </div>
        <div>
          <dt>{{ t("mark-extra") }}</dt>
          <dd>{{ t("mark-extraBoth", { held: say(mark.allowance_held_mm), worn: say(mark.allowance_mm) }) }}</dd>
        </div>
        <div v-if="typeof lineBelow === 'number'" :title="t('mark-lineMeans')">
          <dt>{{ t("mark-line") }}</dt>
          <dd>{{ t("mark-lineBelow", { length: say(lineBelow) }) }}</dd>
        </div>
        <div>
          <dt>{{ t("mark-off") }}</dt>
          <dd>{{ mark.outcome.kind === "cut" ? say(mark.outcome.off_mm) : "" }}</dd>
        </div>
      </dl>
    </div>
    <p v-else class="none">{{ t(`mark-verdict-${answer.kind}`) }}</p>
  </section>
</template>

<style scoped>
.card header {
  min-height: 28px;
}

.card {
  padding: 10px 16px 12px;
  display: grid;
  gap: 10px;
  align-content: start;
}

.switches {
  gap: 8px;
}

.advised {
  color: var(--good);
  font-weight: 650;
}

.answer {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 20px;
  align-items: center;
}

.big {
  font-size: 4.8rem;
  line-height: 1;
  min-width: 150px;
}

small {
  font-size: 1.4rem;
  font-weight: 600;
  margin-left: 4px;
  letter-spacing: 0;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 10px;
}

dl div {
  display: contents;
}

dt {
  color: var(--ink-soft);
}

dd {
  font-weight: 600;
}

.lands dd {
  color: var(--forecast);
}

.none {
  font: 600 1.3rem/1.35 var(--display);
  padding: 14px 0;
  max-width: 36ch;
}

@media (max-width: 640px) {
  .answer {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
  }
}
</style>
