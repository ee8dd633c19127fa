<script setup lang="ts">
/** What has to be known of head and hair beyond the reading. */
import type { Growth, Plan } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { useI18n } from "vue-i18n";
import GrowthList from "./GrowthList.vue";

const plan = defineModel<Plan>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const { t } = useI18n();

const FELT = { flat: -0.8, ordinary: 0, full: 0.8 } as const;
type FeltName = keyof typeof FELT;
const occiput = computed<FeltName>({
  get: () =>
    (plan.value.felt?.occiput ?? 0) < -0.3 ? "flat" : (plan.value.felt?.occiput ?? 0) > 0.3 ? "full" : "ordinary",
  set: (name) => (plan.value = { ...plan.value, felt: { crown: 0, ...plan.value.felt, occiput: FELT[name] } }),
});
const PARTS = { left: 25, centre: 0, right: -25 } as const;
type PartName = keyof typeof PARTS;
const part = computed<PartName>({
  get: () => ((plan.value.part?.left_mm ?? 0) > 5 ? "left" : (plan.value.part?.left_mm ?? 0) < -5 ? "right" : "centre"),
  set: (name) => (plan.value = { ...plan.value, part: { left_mm: PARTS[name] } }),
});
const density = computed<number | undefined>({
  get: () => plan.value.hairs_per_cm2,
  set: (value) => {
    if (value !== undefined) plan.value = { ...plan.value, hairs_per_cm2: value };
  },
});
const taper = computed<number | undefined>({
  get: () => Math.round(100 * (plan.value.taper ?? 0)),
  set: (percent) => {
    if (percent !== undefined) plan.value = { ...plan.value, taper: percent / 100 };
  },
});
const growth = computed<Growth[]>({
  get: () => plan.value.growth ?? [],
  set: (all) => (plan.value = { ...plan.value, growth: all }),
});
const named = <T extends string>(names: Record<T, number>, key: string) =>
  (Object.keys(names) as T[]).map((value) => ({ value, label: t(`plan.${key}.${value}`) }));
</script>

<template>
  <div class="stack">
    <ChoiceRow v-model="occiput" :label="t('plan.occiput')" :choices="named(FELT, 'felt')" :disabled="disabled" />
    <ChoiceRow v-model="part" :label="t('plan.part')" :choices="named(PARTS, 'partAt')" :disabled="disabled" />
    <LengthField
      v-model="density"
      :label="t('plan.density')"
      sign="1/cm²"
      :fault="faultAt('hairs_per_cm2')"
      :disabled="disabled"
    />
    <LengthField
      v-model="taper"
      :label="t('plan.taper')"
      :hint="t('plan.taperHint')"
      sign="%"
      :fault="faultAt('taper')"
      :disabled="disabled"
    />
    <GrowthList v-model="growth" :fault-at="faultAt" :disabled="disabled" />
  </div>
</template>
