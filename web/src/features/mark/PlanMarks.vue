<script setup lang="ts">
/** The plan as marks: step by step where on the comb it is cut, where that lands, and how much to keep back until it was seen. */
import { sayPlace } from "@/features/aim";
import StepHead from "@/shared/StepHead.vue";
import FailureNote from "@/shared/FailureNote.vue";
import FoldPart from "@/shared/FoldPart.vue";
import { numberIn, onComb, signOf } from "@/shared/lengths";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { keyOf } from "./states";
import { keepsBack, usePlanMarks } from "./usePlanMarks";

defineProps<{ print?: boolean }>();
const { unit, say, tell } = useUnit();
const { plan, steps, figure, error, marks } = usePlanMarks();
</script>

<template>
  <section v-if="plan.cut.moves.length > 0" class="stack" :aria-label="t('planMarks-title')">
    <h2>{{ t("planMarks-title") }}: {{ plan.cut.name }}</h2>
    <FailureNote v-if="error" :error="error" @again="marks.refetch()" />
    <p v-else-if="steps.length === 0" class="soft" aria-live="polite">{{ t("planMarks-pending") }}</p>
    <ol>
      <li v-for="step in steps" :key="step.step">
        <StepHead
          v-if="figure.data.value && step.picture && step.words.section"
          :picture="step.picture"
          :figure="figure.data.value"
          :label="t('plan-section', { section: tell(step.words.section) })"
        />
        <div class="stack tight">
          <h3>
            {{ step.step + 1 }}. {{ tell(step.words.title) }}
            <small v-if="step.state" class="soft">{{ t(`states-${keyOf(step.state)}`) }}</small>
          </h3>
          <p v-if="!step.cuts" class="caution small">{{ t("plan-doesNothing") }}</p>
          <div v-for="mark in step.marks" :key="mark.zone" class="mark">
            <p class="cut">
              <b v-if="mark.comb_mm != null">
                {{ t("planMarks-comb", { length: `${onComb(unit, mark.comb_mm)} ${signOf(unit)}` }) }}
              </b>
              <b v-else-if="mark.lands && mark.line_below_mm != null">
                {{ t(`zone-${mark.zone}`) }}:
                {{ t("planMarks-line", { length: say(mark.line_below_mm), place: sayPlace(mark.lands, unit) }) }}
              </b>
              <b v-else-if="mark.lands">{{ t(`zone-${mark.zone}`) }}: {{ sayPlace(mark.lands, unit) }}</b>
              <span v-if="keepsBack(mark)">{{ t("planMarks-back", { length: say(mark.keep_back_mm!) }) }}</span>
            </p>
            <p class="soft">
              {{
                t("planMarks-lands", {
                  worn: say(mark.worn_mm),
                  low: numberIn(unit, mark.lands_low_mm),
                  high: say(mark.lands_high_mm),
                })
              }}
            </p>
          </div>
          <template v-if="step.held_mm.length > 1">
            <p v-if="print" class="soft small">
              {{ t("planMarks-subsections") }}: {{ step.held_mm.map((mm) => onComb(unit, mm)).join(" · ") }}
            </p>
            <FoldPart v-else :title="t('planMarks-each', { n: step.held_mm.length })">
              <ol class="each">
                <li v-for="(mm, i) in step.held_mm" :key="i">{{ onComb(unit, mm) }} {{ signOf(unit) }}</li>
              </ol>
            </FoldPart>
          </template>
          <template v-if="print || step.marks.length === 0">
            <p v-for="line in step.words.lines" :key="tell(line)">{{ tell(line) }}</p>
          </template>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 10px;
}

ol > li {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 14px;
  align-items: start;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 10px 14px;
  break-inside: avoid;
}

h3 {
  font: 650 1.05rem var(--display);
}

.cut {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 1.12rem;
}

.each {
  list-style: decimal;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  padding-left: 24px;
}

.each > li {
  display: list-item;
  border: 0;
  padding: 0;
  background: none;
}
</style>
