<script setup lang="ts">
/** Whorls and cowlicks: where hair grows in a direction of its own. */
import { contract, type Growth, type Landmark } from "@/api";
import { percent, type MemberField } from "@/shared/memberField";
import MemberList from "@/shared/MemberList.vue";
import { copy } from "@/shared/plain";
import { computed } from "vue";
import { t } from "@/shared/words";
import { useChoices } from "@/shared/useChoices";

const model = defineModel<Growth[]>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
type DirectionName = "clockwise" | "anticlockwise" | "toward";
const { named, landmarks } = useChoices();
const toward = (growth: Growth) => (typeof growth.direction === "object" ? growth.direction.toward : undefined);
const fields = computed<MemberField<Growth>[]>(() => [
  {
    kind: "choice",
    path: "at",
    label: t("read-growthAt"),
    choices: landmarks.value,
    get: (growth) => growth.at,
    set: (at) => ({ at: at as Landmark }),
  },
  {
    kind: "choice",
    path: "direction",
    label: t("read-growthWay"),
    choices: named(contract.choices.growths as DirectionName[], "read-growthWays"),
    get: (growth) => (typeof growth.direction === "object" ? "toward" : growth.direction),
    set: (name) => ({ direction: name === "toward" ? { toward: "apex" } : (name as "clockwise" | "anticlockwise") }),
  },
  {
    kind: "choice",
    path: "direction.toward",
    label: t("read-growthToward"),
    choices: landmarks.value,
    get: toward,
    set: (at) => ({ direction: { toward: at as Landmark } }),
  },
  {
    kind: "number",
    path: "reach_mm",
    label: t("read-growthReach"),
    get: (growth) => growth.reach_mm ?? contract.growth.reach_mm,
    set: (reach_mm) => ({ reach_mm }),
  },
  {
    kind: "number",
    path: "strength",
    label: t("read-growthStrength"),
    sign: "%",
    get: (growth) => percent(growth.strength ?? contract.growth.strength!),
    set: (value) => ({ strength: value / 100 }),
  },
]);
</script>

<template>
  <section>
    <h3>{{ t("read-growth") }}</h3>
    <MemberList
      v-model="model"
      list="growth"
      :fields="fields"
      :begin="() => copy(contract.growth)"
      :most="contract.most.growths"
      :add="t('read-growthAdd')"
      :remove="(n) => t('read-growthDrop', { n })"
      :fault-at="faultAt"
      :disabled="disabled"
    />
  </section>
</template>
