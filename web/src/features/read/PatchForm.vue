<script setup lang="ts">
/** Whether a zone is read by itself, in halves, or with another whose hair is of the same kind. */
import FoldPart from "@/shared/FoldPart.vue";
import type { Patch } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import { halved, halvingOf, halvingsOf, joined, likeable, sayPatch, zoneOf, type ZoneReadings } from "@/shared/patches";
import { computed } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{
  zones: ZoneReadings;
  patch: Patch;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [zones: ZoneReadings] }>();

const ALONE = "alone";
const like = computed({
  get: () => props.zones[props.patch]?.like ?? ALONE,
  set: (to: string) => emit("change", joined(props.zones, props.patch, to === ALONE ? undefined : (to as Patch))),
});
const likes = computed(() => [
  { value: ALONE, label: t("read-alone") },
  ...likeable(props.zones, props.patch).map((value) => ({
    value,
    label: t("read-like", { like: sayPatch(value) }),
  })),
]);

const WHOLE = "whole";
const zone = computed(() => zoneOf(props.patch));
const chosen = computed({
  get: () => halvingOf(props.zones, zone.value) ?? WHOLE,
  set: (to: string) => {
    const found = halvingsOf(zone.value).find((halving) => halving === to);
    emit("change", halved(props.zones, zone.value, found));
  },
});
const halvings = computed(() =>
  [WHOLE, ...halvingsOf(zone.value)].map((value) => ({ value, label: t(`read-halving-${value}`) })),
);
</script>

<template>
  <FoldPart :key="zone" :title="t('read-patch')">
    <div class="stack tight">
      <ChoiceRow
        v-if="like === ALONE"
        v-model="chosen"
        :label="t('read-halvingOf')"
        :choices="halvings"
        :disabled="disabled"
      />
      <ChoiceField
        v-if="likes.length > 1"
        v-model="like"
        :label="t('read-likeOf')"
        :choices="likes"
        :fault="faultAt(`zones.${patch}.like`)"
        :disabled="disabled"
      />
      <p class="soft small">{{ t("read-patchHint") }}</p>
    </div>
  </FoldPart>
</template>
