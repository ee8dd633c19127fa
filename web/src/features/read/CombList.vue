<script setup lang="ts">
/** Strands laid on the stylist's own combs, which show what their hand leaves on the hair. */
import {
  type Comb,
  type CombReading,
  type Moisture,
  type Patch,
  zoneValues,
  combValues,
  moistureValues,
  contract,
} from "@/api";
import type { MemberField } from "@/shared/memberField";
import MemberList from "@/shared/MemberList.vue";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";

const COMBS = combValues.filter((comb) => comb !== "none");
const model = defineModel<CombReading[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const { named } = useChoices();
const strands = computed({ get: () => model.value ?? [], set: (all) => (model.value = all) });
const fields = computed<MemberField<CombReading>[]>(() => [
  {
    kind: "choice",
    path: "patch",
    label: t("plan-zone"),
    choices: named(zoneValues, "zone"),
    get: (strand) => strand.patch,
    set: (patch) => ({ patch: patch as Patch }),
  },
  {
    kind: "choice",
    path: "state.comb",
    label: t("plan-comb"),
    choices: named(COMBS, "comb"),
    get: (strand) => strand.state.comb,
    set: (comb, { state }) => ({ state: { ...state, comb: comb as Comb } }),
  },
  {
    kind: "choice",
    path: "state.moisture",
    label: t("plan-moisture"),
    choices: named(moistureValues, "figureWord-moisture"),
    get: (strand) => strand.state.moisture,
    set: (moisture, { state }) => ({ state: { ...state, moisture: moisture as Moisture } }),
  },
  {
    kind: "number",
    path: "stretched_mm",
    label: t("read-combStretched"),
    get: (strand) => strand.stretched_mm,
    set: (stretched_mm) => ({ stretched_mm }),
  },
  {
    kind: "number",
    path: "held_mm",
    label: t("read-combHeld"),
    get: (strand) => strand.held_mm,
    set: (held_mm) => ({ held_mm }),
  },
]);
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
