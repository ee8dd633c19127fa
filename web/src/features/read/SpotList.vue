<script setup lang="ts">
/** Weak spots: where hair is thin, broken or growing back, and where the skin is to be left in peace. */
import { type Landmark, type Spot, type SpotKind, spotKindValues, contract } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import { percent, type MemberField } from "@/shared/memberField";
import MemberList from "@/shared/MemberList.vue";
import { copy } from "@/shared/plain";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";

const model = defineModel<Spot[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
/** The kind that is being put on the head by pressing it; none while nothing is. */
const putting = defineModel<SpotKind | undefined>("putting");
const { named, landmarks } = useChoices();
const spots = computed({ get: () => model.value ?? [], set: (all) => (model.value = all) });
const kinds = computed(() => named(spotKindValues, "read-spotKinds"));
const fields = computed<MemberField<Spot>[]>(() => [
  {
    kind: "choice",
    path: "kind",
    label: t("read-spotKind"),
    choices: kinds.value,
    get: (spot) => spot.kind,
    set: (kind) => ({ kind: kind as SpotKind }),
  },
  {
    kind: "choice",
    path: "at",
    label: t("read-spotAt"),
    choices: landmarks.value,
    get: (spot) => spot.at,
    set: (at) => ({ at: at as Landmark }),
  },
  {
    kind: "number",
    path: "reach_mm",
    label: t("read-spotReach"),
    get: (spot) => spot.reach_mm ?? contract.spot.reach_mm,
    set: (reach_mm) => ({ reach_mm }),
  },
  {
    kind: "number",
    path: "strength",
    label: t("read-spotStrength"),
    sign: "%",
    get: (spot) => percent(spot.strength ?? contract.spot.strength!),
    set: (value) => ({ strength: value / 100 }),
  },
]);
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
