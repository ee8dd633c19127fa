<script setup lang="ts">
/** One cut's fall: from all sides, and in numbers. */
import type { Cure, FallAnswer, Figure, Zone } from "@/api";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import FindingList from "./FindingList.vue";
import FallFigure from "./FallFigure.vue";
import ZoneLengths from "./ZoneLengths.vue";
import { VIEWS, type View } from "@/shared/fallDrawing";

const props = defineProps<{
  name: string;
  answer: FallAnswer;
  figure: Figure;
  wishes: readonly { zone: Zone; height_mm: number }[];
  frame: { half: number; top: number; bottom: number };
  /** Whether its moves stand beside it to be opened. */
  movable?: boolean;
  cures?: readonly Cure[];
}>();
const emit = defineEmits<{ open: [move: number]; cure: [cure: Cure] }>();
const { say } = useUnit();

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
      :findings="answer.findings"
      :cures="cures ?? []"
      :movable="movable"
      @open="emit('open', $event)"
      @cure="emit('cure', $event)"
    />
    <div class="views">
      <FallFigure
        v-for="side in VIEWS"
        :key="side"
        :view="side"
        :figure="figure"
        :before="answer.before"
        :after="answer.after"
        :sections="[]"
        :wishes="wishes"
        :frame="frame"
        :label="said(side)"
      />
      <p class="legend">
        <span class="now">{{ t("plan-legend-now") }}</span>
        <span class="after">{{ t("plan-legend-after") }}</span>
        <span v-if="wishes.length > 0" class="aim">{{ t("plan-legend-aim") }}</span>
      </p>
    </div>
    <ZoneLengths :answer="answer" />
  </div>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.legend {
  display: grid;
  gap: 8px;
  align-content: center;
  padding: 12px;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 26px;
  height: 0;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 2px solid var(--now);
}

.legend .after::before {
  height: 12px;
  border: 2px solid var(--forecast);
  background: var(--forecast-band);
}

.legend .aim::before {
  border-top: 3px dotted var(--aim);
}
</style>
