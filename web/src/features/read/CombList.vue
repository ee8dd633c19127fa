<script setup lang="ts">
/** Strands laid on the stylist's own combs, which show what their hand leaves on the hair. */
import { type CombReading, type Patch, zoneValues, combValues, moistureValues, contract } from "@/api";
import { choice, number, type Field } from "@/shared/fields";
import MemberList from "@/shared/MemberList.vue";
import { named } from "@/shared/choices";
import { computed } from "vue";
import { t } from "@/shared/words";

const COMBS = combValues.filter((comb) => comb !== "none");
const model = defineModel<CombReading[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const strands = computed({ get: () => model.value ?? [], set: (all) => (model.value = all) });
const fields = (strand: CombReading): Field<CombReading>[] => [
  choice<CombReading, Patch>(
    "patch",
    t("plan-zone"),
    named(zoneValues, "zone"),
    strand.patch,
    (s, zone) => (s.patch = zone),
  ),
  choice("state.comb", t("plan-comb"), named(COMBS, "comb"), strand.state.comb, (s, comb) => (s.state.comb = comb)),
  choice(
    "state.moisture",
    t("plan-moisture"),
    named(moistureValues, "figureWord-moisture"),
    strand.state.moisture,
    (s, moisture) => (s.state.moisture = moisture),
  ),
  number("stretched_mm", t("read-combStretched"), strand.stretched_mm, (s, mm) => (s.stretched_mm = mm)),
  number("held_mm", t("read-combHeld"), strand.held_mm, (s, mm) => (s.held_mm = mm)),
];
const begin = (): CombReading => ({
  patch: "crown",
  state: { moisture: "wet", comb: "wide" },
  stretched_mm: 300,
  held_mm: 280,
});
</script>

<template>
  <section class="combs part">
    <header>
      <h3>{{ t("read-combReadings") }}</h3>
      <span class="soft">{{ t("read-combReadingsTold", { count: strands.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-combReadingsHint") }}</p>
    <MemberList
      v-model="strands"
      list="combs"
      :fields="fields"
      :begin="begin"
      :most="contract.most.combs"
      :add="t('read-combReadingAdd')"
      :remove="(n) => t('read-combReadingDrop', { n })"
      :fault-at="faultAt"
      :disabled="disabled"
    />
  </section>
</template>
