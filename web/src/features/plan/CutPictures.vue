<script setup lang="ts">
/** This client after a cut, small, from some sides. */
import type { Cut, FallRequest, Figure } from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import type { Box } from "@/shared/hair/picture";
import type { View } from "@/shared/sights";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{
  cut: Cut;
  /** What the pictures are called by. */
  name: string;
  /** The head; nothing while it isn't to be drawn. */
  question: FallRequest | undefined;
  figure: Figure;
  box: Box;
  views: readonly View[];
}>();
const { locks, stale, tones } = useLocks(
  computed(() => props.question && { ...props.question, plan: { cut: props.cut } }),
  ref("after"),
  { count: LOCKS.small },
);
</script>

<template>
  <div>
    <HairPicture
      v-for="view in views"
      :key="view"
      :view="view"
      :figure="figure"
      :locks="locks"
      :tones="tones"
      :stale="stale"
      :box="box"
      :label="t('proposal-looks', { name, view: t(`plan-view-${view}`) })"
    />
  </div>
</template>
