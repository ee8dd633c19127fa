<script setup lang="ts">
/** Weak spots: where hair is thin, broken or growing back, and where the skin is to be left in peace. */
import { type Spot, type SpotKind, spotKindValues, contract } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import { choice, number, percent, type Field } from "@/shared/fields";
import MemberList from "@/shared/MemberList.vue";
import { copy } from "@/shared/plain";
import { landmarkChoices, named } from "@/shared/choices";
import { computed } from "vue";
import { t } from "@/shared/words";

const model = defineModel<Spot[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
/** The kind that is being put on the head by pressing it; none while nothing is. */
const putting = defineModel<SpotKind | undefined>("putting");
const landmarks = landmarkChoices();
const spots = computed({ get: () => model.value ?? [], set: (all) => (model.value = all) });
const kinds = computed(() => named(spotKindValues, "read-spotKinds"));
const fields = (spot: Spot): Field<Spot>[] => [
  choice("kind", t("read-spotKind"), kinds.value, spot.kind, (s, kind) => (s.kind = kind)),
  choice("at", t("read-spotAt"), landmarks, spot.at, (s, at) => (s.at = at)),
  number("reach_mm", t("read-spotReach"), spot.reach_mm ?? contract.spot.reach_mm, (s, mm) => (s.reach_mm = mm)),
  number(
    "strength",
    t("read-spotStrength"),
    percent(spot.strength ?? contract.spot.strength!),
    (s, value) => (s.strength = value / 100),
    "%",
  ),
];
</script>

<template>
  <section class="spots part">
    <header>
      <h3>{{ t("read-spots") }}</h3>
      <span class="soft">{{ t("read-spotsSeen", { count: spots.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-spotsHint") }}</p>
    <MemberList
      v-model="spots"
      list="spots"
      :fields="fields"
      :begin="() => copy(contract.spot)"
      :most="contract.most.spots"
      :add="t('read-spotAdd')"
      :remove="(n) => t('read-spotDrop', { n })"
      :fault-at="faultAt"
      :disabled="disabled"
    >
      <template #beside>
        <ChoiceField
          :model-value="putting ?? ''"
          :label="t('read-spotPut')"
          :choices="[{ value: '' as SpotKind | '', label: t('read-spotPutNone') }, ...kinds]"
          :disabled="disabled || spots.length >= contract.most.spots"
          @update:model-value="putting = $event || undefined"
        />
      </template>
    </MemberList>
  </section>
</template>
