<script setup lang="ts">
/** A change that takes a finding away: in words, with what it costs, and as the hair would fall then; one press applies it. */
import type { Cure, FallRequest, Figure } from "@/api";
import HairPicture from "@/shared/hair/HairPicture.vue";
import { LOCKS, useLocks } from "@/shared/hair/useLocks";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import type { View } from "@/shared/sights";
import type { Box } from "@/shared/hair/picture";

const props = defineProps<{
  cure: Cure;
  question: FallRequest;
  figure: Figure;
  view: View;
  box: Box;
  disabled: boolean | undefined;
}>();
const emit = defineEmits<{ cure: [cure: Cure] }>();
const { say, tell } = useUnit();
const { locks, stale, tones } = useLocks(
  computed(() => ({ ...props.question, plan: { cut: props.cure.cut } })),
  ref("after"),
  { count: LOCKS.small },
);
const text = computed(() => {
  const said = tell(props.cure.text);
  return said.charAt(0).toUpperCase() + said.slice(1);
});
/** Changes that nobody would notice. */
const EVEN_MM = 1;
const EVEN_MIN = 1;
const costs = computed(() => {
  const { longer_mm: longer, minutes } = props.cure;
  const length = say(Math.abs(longer));
  const said = [
    Math.abs(longer) < EVEN_MM ? t("cure-even") : t(longer > 0 ? "cure-longer" : "cure-shorter", { length }),
  ];
  if (Math.abs(minutes) >= EVEN_MIN)
    said.push(t(minutes > 0 ? "cure-minutes-more" : "cure-minutes-less", { minutes: Math.round(Math.abs(minutes)) }));
  return said.join(", ");
});
</script>

<template>
  <div class="cure">
    <HairPicture
      class="picture"
      :view="view"
      :figure="figure"
      :locks="locks"
      :tones="tones"
      :stale="stale"
      :box="box"
      :label="t('plan-cureLooks')"
    />
    <div class="stack tight">
      <p>{{ text }}</p>
      <p class="soft small">{{ costs }}</p>
      <p>
        <ElButton
          type="primary"
          plain
          :disabled="disabled"
          :aria-label="`${t('plan-takeCure')}: ${text}`"
          @click="emit('cure', cure)"
        >
          {{ t("plan-takeCure") }}
        </ElButton>
      </p>
    </div>
  </div>
</template>

<style scoped>
.cure {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
  align-items: start;
  border-top: 1px solid var(--line);
  padding-top: 8px;
}

.picture {
  width: 92px;
}

.cure :deep(.el-button) {
  min-height: 44px;
}
</style>
