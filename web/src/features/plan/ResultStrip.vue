<script setup lang="ts">
/** The result while a figure is changed on a narrow screen, where the large pictures lie far below: it stays in sight above. */
import type { FallAnswer, FallRequest, Figure } from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import { outline } from "@/shared/fallDrawing";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { computed, ref } from "vue";

const props = defineProps<{
  answer: FallAnswer;
  question: FallRequest;
  figure: Figure;
  frame: { half: number; top: number; bottom: number };
}>();
const { say } = useUnit();
const VIEWS = ["front", "left", "behind"] as const;
const { locks, stale, tones } = useLocks(
  computed(() => props.question),
  ref("after"),
  { count: LOCKS.small },
);
const box = computed<[number, number, number, number]>(() => {
  const half = Math.max(props.frame.half, (props.frame.top - props.frame.bottom) / 2);
  return [-half, -props.frame.top, 2 * half, 2 * half];
});
</script>

<template>
  <div class="strip" role="group" :aria-label="t('plan-falls')">
    <HairPicture
      v-for="view in VIEWS"
      :key="view"
      :view="view"
      :figure="figure"
      :locks="locks"
      :tones="tones"
      :stale="stale"
      :box="box"
      :label="
        t('plan-viewLabel', {
          view: t(`plan-view-${view}`),
          width: say(answer.after.width_mm),
          height: say(answer.after.widest_at_mm),
          lowest: say(answer.after.lowest_mm),
        })
      "
    >
      <path class="before" :d="outline(view, answer.before)" />
      <path class="after" :d="outline(view, answer.after)" />
    </HairPicture>
  </div>
</template>

<style scoped>
.strip {
  position: sticky;
  top: 0;
  z-index: 3;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 4px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 4px;
}

.strip path {
  fill: none;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.before {
  stroke: var(--now);
  stroke-dasharray: 4 3;
}

.after {
  stroke: var(--forecast);
}
</style>
