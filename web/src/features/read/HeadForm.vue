<script setup lang="ts">
/** What hand and eye know of the head beyond the tape: the skull, the parting, whorls, how dense and how full the hair is. */
import type { Growth, RawReading } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import GrowthList from "./GrowthList.vue";

const reading = defineModel<RawReading>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();

/** A number that is chosen by name; whatever else stands there shows as the nearest. */
function byName<N extends string>(names: { [name in N]: number }, get: () => number, set: (value: number) => void) {
  const all = Object.entries(names) as [N, number][];
  return computed<N>({
    get: () => all.reduce((best, named) => (Math.abs(named[1] - get()) < Math.abs(best[1] - get()) ? named : best))[0],
    set: (name) => set(names[name]),
  });
}

const OCCIPUT = { flat: -0.8, ordinary: 0, full: 0.8 };
const occiput = byName(
  OCCIPUT,
  () => reading.value.skull?.occiput ?? 0,
  (value) => (reading.value = { ...reading.value, skull: { crown: 0, ...reading.value.skull, occiput: value } }),
);
const CROWN = { low: -0.8, ordinary: 0, high: 0.8 };
const crown = byName(
  CROWN,
  () => reading.value.skull?.crown ?? 0,
  (value) => (reading.value = { ...reading.value, skull: { occiput: 0, ...reading.value.skull, crown: value } }),
);
const PARTS = { left: 25, centre: 0, right: -25 };
const part = byName(
  PARTS,
  () => reading.value.part?.left_mm ?? 0,
  (value) => (reading.value = { ...reading.value, part: { left_mm: value } }),
);
const density = computed<number | undefined>({
  get: () => reading.value.hairs_per_cm2,
  set: (value) => {
    if (value !== undefined) reading.value = { ...reading.value, hairs_per_cm2: value };
  },
});
const taper = computed<number | undefined>({
  get: () => Math.round(100 * (reading.value.taper ?? 0)),
  set: (percent) => {
    if (percent !== undefined) reading.value = { ...reading.value, taper: percent / 100 };
  },
});
const growth = computed<Growth[]>({
  get: () => reading.value.growth ?? [],
  set: (all) => (reading.value = { ...reading.value, growth: all }),
});
const choices = <N extends string>(names: { [name in N]: number }, key: string) =>
  (Object.keys(names) as N[]).map((value) => ({ value, label: t(`read-${key}-${value}`) }));
</script>

<template>
  <section class="head part">
    <header>
      <h3>{{ t("read-head") }}</h3>
      <span class="soft">{{ t("read-headHint") }}</span>
    </header>
    <div class="stack">
      <div class="pair">
        <ChoiceRow
          v-model="occiput"
          :label="t('read-occiput')"
          :choices="choices(OCCIPUT, 'felt')"
          :disabled="disabled"
        />
        <ChoiceRow
          v-model="crown"
          :label="t('read-crownFelt')"
          :choices="choices(CROWN, 'crownAt')"
          :disabled="disabled"
        />
        <ChoiceRow v-model="part" :label="t('read-part')" :choices="choices(PARTS, 'partAt')" :disabled="disabled" />
      </div>
      <div class="pair">
        <LengthField
          v-model="density"
          :label="t('read-density')"
          sign="1/cm²"
          :fault="faultAt('hairs_per_cm2')"
          :disabled="disabled"
        />
        <LengthField
          v-model="taper"
          :label="t('read-taper')"
          :hint="t('read-taperHint')"
          sign="%"
          :fault="faultAt('taper')"
          :disabled="disabled"
        />
      </div>
      <GrowthList v-model="growth" :fault-at="faultAt" :disabled="disabled" />
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
}

.pair > .length {
  flex: 1 1 200px;
}
</style>
