<script setup lang="ts">
/** Whorls and cowlicks: where hair grows in a direction of its own. */
import { contract, type Growth, type Landmark } from "@/api";
import { choice, number, percent, type Field } from "@/shared/fields";
import MemberList from "@/shared/MemberList.vue";
import { copy } from "@/shared/plain";
import { t } from "@/shared/words";
import { landmarkChoices, named } from "@/shared/choices";

const model = defineModel<Growth[]>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
type DirectionName = "clockwise" | "anticlockwise" | "toward";
const landmarks = landmarkChoices();
const fields = (growth: Growth): Field<Growth>[] => {
  const toward = typeof growth.direction === "object" ? growth.direction.toward : undefined;
  const name = typeof growth.direction === "object" ? "toward" : growth.direction;
  return [
    choice("at", t("read-growthAt"), landmarks, growth.at, (g, at) => (g.at = at)),
    choice(
      "direction",
      t("read-growthWay"),
      named(contract.choices.growths as DirectionName[], "read-growthWays"),
      name,
      (g, next) => (g.direction = next === "toward" ? { toward: "apex" } : next),
    ),
    ...(toward
      ? [
          choice<Growth, Landmark>(
            "direction.toward",
            t("read-growthToward"),
            landmarks,
            toward,
            (g, at) => (g.direction = { toward: at }),
          ),
        ]
      : []),
    number(
      "reach_mm",
      t("read-growthReach"),
      growth.reach_mm ?? contract.growth.reach_mm,
      (g, mm) => (g.reach_mm = mm),
    ),
    number(
      "strength",
      t("read-growthStrength"),
      percent(growth.strength ?? contract.growth.strength!),
      (g, value) => (g.strength = value / 100),
      "%",
    ),
  ];
};
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
