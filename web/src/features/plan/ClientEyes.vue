<script setup lang="ts">
/** For a client's eyes: before and after, filling the screen, without numbers; a finger drawn across turns the head. */
import type { FallRequest, Figure } from "@/api";
import type { View } from "@/shared/sights";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { useLocks } from "@/shared/hair/useLocks";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import { boxOf, type Frame } from "./frame";

const open = defineModel<boolean>({ required: true });
const props = defineProps<{
  question: FallRequest;
  figure: Figure;
  frame: Frame;
}>();

/** Round the head, as a client turns in the chair. */
const ROUND: readonly View[] = ["front", "front_left", "left", "behind", "right", "front_right"];
/** Way of a finger that turns by one side, dots. */
const TURN_DOTS = 60;
const at = ref(0);
const view = computed(() => ROUND[at.value]!);
const turn = (by: number) => (at.value = (at.value + by + ROUND.length) % ROUND.length);

const asked = computed(() => (open.value ? props.question : undefined));
const states = [
  { name: "now", hair: useLocks(asked, ref("now")) },
  { name: "after", hair: useLocks(asked, ref("after")) },
] as const;
const box = computed(() => boxOf(props.frame));

let from: number | undefined;
function drag(event: PointerEvent) {
  if (from === undefined) return;
  const way = event.clientX - from;
  if (Math.abs(way) < TURN_DOTS) return;
  from = event.clientX;
  turn(way > 0 ? -1 : 1);
}
</script>

<template>
  <ElDialog v-model="open" fullscreen append-to="#layers" :title="t('plan-clientTitle')">
    <div
      class="both"
      tabindex="0"
      role="group"
      :aria-label="t(`plan-view-${view}`)"
      @pointerdown="from = $event.clientX"
      @pointermove="drag"
      @pointerup="from = undefined"
      @pointercancel="from = undefined"
      @keydown.left.prevent="turn(-1)"
      @keydown.right.prevent="turn(1)"
    >
      <figure v-for="{ name, hair } in states" :key="name">
        <div class="picture" :style="{ maxWidth: `calc(72vh * ${box[2] / box[3]})` }">
          <HairPicture
            :view="view"
            :figure="figure"
            :locks="hair.locks.value"
            :tones="hair.tones.value"
            :stale="false"
            :box="box"
            :label="`${t(`plan-client-${name}`)}, ${t(`plan-view-${view}`)}`"
          />
        </div>
        <figcaption>{{ t(`plan-client-${name}`) }}</figcaption>
      </figure>
    </div>
    <div class="row turns">
      <ElButton size="large" @click="turn(-1)">{{ t("plan-clientTurnLeft") }}</ElButton>
      <ElButton size="large" @click="turn(1)">{{ t("plan-clientTurnRight") }}</ElButton>
      <RouterLink :to="{ name: 'client-page' }">{{ t("plan-clientPage") }}</RouterLink>
    </div>
  </ElDialog>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
  touch-action: pan-y;
  cursor: grab;
  user-select: none;
}

figure {
  margin: 0;
  display: grid;
  gap: 8px;
  justify-items: center;
}

.picture {
  width: 100%;
}

figcaption {
  font: 650 1.3rem var(--display);
}

.turns {
  justify-content: center;
  align-items: center;
  gap: 16px;
  padding-top: 12px;
}

@media (max-width: 640px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
