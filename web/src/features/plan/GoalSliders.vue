<script setup lang="ts">
/** Goals that are turned: each is a wish of Aim, and plans are solved again for it. */
import type { Aim, Fall, Figure } from "@/api";
import { useStage } from "@/features/visit";
import CheckField from "@/shared/CheckField.vue";
import { useUnit } from "@/shared/unit";
import { computed, reactive } from "vue";
import { t } from "@/shared/words";
import {
  STEP_MM,
  isFringeKept,
  lineGoal,
  sayLine,
  topGoal,
  widthGoal,
  withFringe,
  withLine,
  withTop,
  withWidth,
  type Goal,
} from "./goals";

const props = defineProps<{
  /** The hair as it is. */
  before: Fall;
  figure: Figure;
}>();
const { unit, say } = useUnit();
const document = useStage("aim");
const aim = document.draft;
const locked = computed(() => !document.editable.value);

interface Slider {
  key: "line" | "top" | "width";
  goal: Goal;
  said: (mm: number) => string;
  put: (mm: number) => Aim;
}
/** Where a slider stands while a finger is on it. */
const moving = reactive<Partial<Record<Slider["key"], number>>>({});
const sliders = computed<Slider[]>(() => [
  {
    key: "line",
    goal: lineGoal(aim.value, props.before, props.figure),
    said: (mm) => sayLine(props.figure, mm, unit.value),
    put: (mm) => withLine(aim.value, props.before, props.figure, mm),
  },
  {
    key: "top",
    goal: topGoal(aim.value, props.before, props.figure),
    said: say,
    put: (mm) => withTop(aim.value, props.before, props.figure, mm),
  },
  {
    key: "width",
    goal: widthGoal(aim.value, props.before, props.figure),
    said: say,
    put: (mm) => withWidth(aim.value, props.before, props.figure, mm),
  },
]);
/** What stands beside a slider: its value, or that it is as it is. */
function words({ key, goal, said }: Slider): string {
  const value = moving[key] ?? goal.value;
  return Math.abs(value - goal.now) < STEP_MM / 2 ? t("goals-asItIs", { now: said(value) }) : said(value);
}
function put(slider: Slider, mm: number) {
  delete moving[slider.key];
  aim.value = slider.put(mm);
}
const fringe = computed({
  get: () => isFringeKept(aim.value, props.before),
  set: (kept) => (aim.value = withFringe(aim.value, props.before, kept)),
});
</script>

<template>
  <div class="goals" role="group" :aria-label="t('goals-title')">
    <label v-for="slider in sliders" :key="slider.key">
      <span class="said"
        ><b>{{ t(`goals-${slider.key}`) }}</b> <span>{{ words(slider) }}</span></span
      >
      <ElSlider
        :model-value="moving[slider.key] ?? slider.goal.value"
        :min="slider.goal.least"
        :max="slider.goal.most"
        :step="STEP_MM"
        :disabled="locked || slider.goal.most <= slider.goal.least"
        :show-tooltip="false"
        :aria-label="t(`goals-${slider.key}`)"
        :format-value-text="slider.said"
        @input="moving[slider.key] = $event as number"
        @change="put(slider, $event as number)"
      />
    </label>
    <CheckField v-model="fringe" :label="t('goals-fringe')" :disabled="locked" />
  </div>
</template>

<style scoped>
.goals {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 210px), 1fr));
  gap: 2px 28px;
  align-items: center;
}

.said {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}

label :deep(.el-slider) {
  height: 40px;
  padding: 0 10px;
}
</style>
