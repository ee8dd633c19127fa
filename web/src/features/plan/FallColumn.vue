<script setup lang="ts">
/** One cut's fall: as hair, one side large and all sides small, and in numbers. */
import type { Cure, FallAnswer, FallRequest, Figure, Finding, HairState, Moisture, SectionShape, Zone } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { useLocks } from "@/shared/hair/useLocks";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import FindingList from "./FindingList.vue";
import FallFigure from "./FallFigure.vue";
import ZoneLengths from "./ZoneLengths.vue";
import { AT_ONCE, numbered } from "./findings";
import { VIEWS } from "@/shared/fallDrawing";
import type { View } from "@/shared/sights";

const props = defineProps<{
  name: string;
  answer: FallAnswer;
  /** What it is the answer to: its hair is asked for with it. */
  question: FallRequest;
  figure: Figure;
  wishes: readonly { zone: Zone; height_mm: number }[];
  frame: { half: number; top: number; bottom: number };
  /** Whether its moves stand beside it to be opened. */
  movable?: boolean;
  /** What is found with causes and cures, once it is known. */
  judged?: readonly Finding[] | undefined;
  disabled?: boolean;
}>();
const emit = defineEmits<{ open: [move: number]; cure: [cure: Cure] }>();
/** The finding that is open; its pin stands out. */
const opened = defineModel<Finding["code"] | undefined>("opened");
const pinned = computed(() => numbered(props.answer.findings.slice(0, AT_ONCE)));
const { say } = useUnit();

/** One list each for good: a new one at every answer would draw the picture anew. */
const NO_SECTIONS: readonly SectionShape[] = [];
const NO_WISHES: readonly never[] = [];
const view = ref<View>("front");
const state = ref<HairState>("after");
const states = computed(() =>
  (["now", "after"] as const).map((value) => ({ value, label: t(`plan-hairState-${value}`) })),
);
const moisture = ref<Moisture>("dry");
const moistures = computed(() =>
  (["dry", "wet"] as const).map((value) => ({ value, label: t(`plan-hairMoisture-${value}`) })),
);
const wet = computed(() => moisture.value !== "dry");
const { locks, stale, tones } = useLocks(
  computed(() => props.question),
  state,
  { moisture },
);
const small = computed<[number, number, number, number]>(() => {
  const half = Math.max(props.frame.half, (props.frame.top - props.frame.bottom) / 2);
  return [-half, -props.frame.top, 2 * half, 2 * half];
});

function said(name: View): string {
  const { after } = props.answer;
  return t("plan-viewLabel", {
    view: t(`plan-view-${name}`),
    width: say(after.width_mm),
    height: say(after.widest_at_mm),
    lowest: say(after.lowest_mm),
  });
}
</script>

<template>
  <div class="stack">
    <h2>{{ name }}</h2>
    <FindingList
      v-model:open="opened"
      :findings="answer.findings"
      :judged="judged"
      :movable="movable"
      :question="question"
      :figure="figure"
      :view="view"
      :box="small"
      :disabled="disabled"
      @step="emit('open', $event)"
      @cure="emit('cure', $event)"
    />
    <div class="row shown">
      <ChoiceRow v-model="state" :label="t('plan-hairState')" hide-label :choices="states" />
      <ChoiceRow v-model="moisture" :label="t('plan-hairMoisture')" hide-label :choices="moistures" />
    </div>
    <FallFigure
      :view="view"
      :figure="figure"
      :before="wet ? undefined : answer.before"
      :after="wet ? undefined : answer.after"
      :locks="locks"
      :tones="tones"
      :stale="stale"
      :sections="NO_SECTIONS"
      :wishes="wet ? NO_WISHES : wishes"
      :frame="frame"
      :label="wet ? t('plan-wetLabel', { view: t(`plan-view-${view}`) }) : said(view)"
      :findings="wet || state !== 'after' ? [] : pinned"
      :open="opened"
    />
    <div class="sides" role="group" :aria-label="t('plan-spaceSide')">
      <button
        v-for="side in VIEWS"
        :key="side"
        type="button"
        :aria-pressed="side === view"
        :aria-label="t(`plan-view-${side}`)"
        @click="view = side"
      >
        <HairPicture
          :view="side"
          :figure="figure"
          :locks="locks"
          :tones="tones"
          :stale="stale"
          :box="small"
          :label="wet ? t('plan-wetLabel', { view: t(`plan-view-${side}`) }) : said(side)"
        />
      </button>
    </div>
    <p v-if="wet" class="soft small">{{ t("plan-wetNote") }}</p>
    <p v-else class="legend">
      <span class="now">{{ t("plan-legend-now") }}</span>
      <span class="after">{{ t("plan-legend-after") }}</span>
      <span v-if="wishes.length > 0" class="aim">{{ t("plan-legend-aim") }}</span>
    </p>
    <ZoneLengths :answer="answer" :name="name" />
  </div>
</template>

<style scoped>
.shown {
  flex-wrap: wrap;
  gap: 8px 16px;
}

.sides {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 6px;
}

.sides button {
  min-height: 48px;
  padding: 2px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
  cursor: pointer;
}

.sides button[aria-pressed="true"] {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 26px;
  height: 0;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 2px dashed var(--now);
}

.legend .after::before {
  border-top: 2px solid var(--forecast);
}

.legend .aim::before {
  border-top: 3px dotted var(--aim);
}
</style>
