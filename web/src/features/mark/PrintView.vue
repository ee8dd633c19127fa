<script setup lang="ts">
/** The marks on one sheet of paper: the client as the aim wishes them, and combs drawn at true size, for the mirror or the trolley. */
import type { SheetZone } from "@/api";
import { sayWish } from "@/features/aim";
import { useSession } from "@/features/session";
import FailureNote from "@/shared/FailureNote.vue";
import { askFigure } from "@/shared/ask";
import { sayDay } from "@/shared/days";
import HairPicture from "@/shared/hair/HairPicture.vue";
import type { Box } from "@/shared/hair/picture";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import { numberIn, onComb, say, signOf } from "@/shared/lengths";
import { sayPatch } from "@/shared/patches";
import type { View } from "@/shared/sights";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import DrawnComb from "./DrawnComb.vue";
import { onTheComb } from "./comb";
import { keyOf, verdict } from "./states";
import { bodyOf, uncutQuestion } from "@/features/visit";
import PlanMarks from "./PlanMarks.vue";
import { useSheet } from "./useSheet";

const { unit } = useUnit();
const session = useSession();
const { visit, question, sheet } = useSheet();

/** What is printed is the plan, where there is one. */
const planned = computed(() => bodyOf(visit.value, "plan").cut.moves.length > 0);
const rows = computed(() =>
  (sheet.data.value?.zones ?? []).filter((zone) => zone.result).map((zone) => ({ zone, answer: advice(zone) })),
);
const left = computed(() => (sheet.data.value?.zones ?? []).filter((zone) => !zone.result));
const advice = (zone: SheetZone) => {
  const state = zone.result?.advised;
  return state ? { state, ...verdict(zone, state) } : undefined;
};
const print = () => window.print();

const SIDES: readonly View[] = ["front", "left", "behind"];
/** Room beside, above and below the person, and under the lowest of them the shoulders at least, mm. */
const HALF_MM = 190;
const ROOM_MM = 30;
const LEAST_MM = 230;
const figure = useComputed(
  "figure",
  computed(() => ({ reading: { measures: question.value.reading.measures ?? {} } })),
  askFigure,
);
const hair = useLocks(
  computed(() => uncutQuestion(visit.value)),
  ref("aimed"),
  { count: LOCKS.small, aim: computed(() => question.value.aim) },
);
const box = computed<Box | undefined>(() => {
  if (!figure.data.value) return undefined;
  const top = figure.data.value.top_mm + ROOM_MM;
  const wished = rows.value.map(({ zone }) => zone.result!.target_mm);
  const low = Math.max(LEAST_MM, ...wished.map((mm) => mm - figure.data.value!.top_mm + ROOM_MM));
  return [-HALF_MM, -top, 2 * HALF_MM, top + low];
});
</script>

<template>
  <div class="paper">
    <p class="no-print row">
      <RouterLink :to="{ name: 'mark' }">{{ t("print-back") }}</RouterLink>
      <ElButton type="primary" @click="print">{{ t("print-print") }}</ElButton>
    </p>
    <header>
      <div v-if="figure.data.value && box && rows.length" class="sides" role="group" :aria-label="t('print-wished')">
        <HairPicture
          v-for="view in SIDES"
          :key="view"
          paper
          :view="view"
          :figure="figure.data.value"
          :locks="hair.locks.value"
          :tones="hair.tones.value"
          :box="box"
          :label="t(`plan-view-${view}`)"
        />
      </div>
      <h1>{{ visit.client.name }}</h1>
      <p>{{ session.person?.house }} · {{ sayDay(visit.on_date) }} · {{ visit.stylist }}</p>
      <p>
        {{ t("print-worn", { worn: t(`worn-${question.worn}`) }) }}
        <template v-if="question.front_straight">{{ t("print-frontStraight") }}</template>
        {{ t("print-risk", { n: Math.round(1 / question.aim.risk) }) }}
        <template v-if="question.fringe === 'has' || question.fringe === 'wants'">{{ t("print-fringe") }}</template>
      </p>
    </header>
    <PlanMarks print />
    <template v-if="!planned">
      <FailureNote v-if="sheet.error.value" :error="sheet.error.value" @again="sheet.refetch()" />
      <p v-else-if="sheet.data.value && rows.length === 0">{{ t("print-nothing") }}</p>
      <article v-for="{ zone, answer } in rows" :key="zone.patch">
        <h2>{{ sayPatch(zone.patch) }}</h2>

        <template v-if="answer && 'mark' in answer && answer.mark && answer.kind === 'cut'">
          <p class="mark">
            <b>{{ onComb(unit, answer.mark.comb_mm) }} {{ signOf(unit) }}</b> {{ t(`states-${keyOf(answer.state)}`) }}
            <template v-if="onTheComb(unit, answer.mark.comb_mm).combs">
              ({{ t("mark-combs", { count: onTheComb(unit, answer.mark.comb_mm).combs }) }})
            </template>
          </p>
          <p>
            {{
              t(question.aim.zones[zone.zone]!.lands ? "print-line" : "print-lineWorn", {
                aim: sayWish(question.aim.zones[zone.zone]!, unit),
                target: say(unit, zone.result!.target_mm),
                low: numberIn(unit, answer.mark.lands_low_mm),
                high: say(unit, answer.mark.lands_high_mm),
                extra: say(unit, answer.mark.allowance_held_mm),
              })
            }}
          </p>
          <DrawnComb print :unit="unit" :mark-mm="answer.mark.comb_mm" :comb="answer.state.comb" />
        </template>
        <p v-else class="mark">{{ t(`mark-verdict-${answer?.kind ?? "unsure"}`) }}</p>
      </article>
      <p v-if="left.length" class="left">
        {{ t("print-left", { zones: left.map((zone) => sayPatch(zone.patch)).join(", ") }) }}
      </p>
    </template>
  </div>
</template>

<style scoped>
.paper {
  width: 216mm;
  max-width: 100%;
  margin: 0 auto;
  padding: 20px 0 40px;
  overflow-x: auto;
}

.no-print {
  margin-bottom: 20px;
}

header {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 8px;
  margin-bottom: 8px;
}

.sides {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 3mm;
  width: 96mm;
  max-width: 50%;
  float: right;
}

header::after {
  content: "";
  display: block;
  clear: both;
}

h1 {
  font-size: 1.5rem;
  overflow-wrap: anywhere;
}

article {
  display: grid;
  grid-template-columns: 34mm 1fr;
  gap: 0 4mm;
  padding: 5px 0 6px;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}

h2 {
  font-size: 1.05rem;
  grid-row: span 2;
}

article p {
  font-size: 0.92rem;
  line-height: 1.35;
}

article .mark b {
  font: 700 1.35rem/1.1 var(--display);
}

article :deep(.comb) {
  grid-column: 1 / -1;
  margin-top: 3px;
}

.left {
  padding-top: 10px;
}
</style>
