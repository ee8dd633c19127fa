<script setup lang="ts">
/** Weak spots: where hair is thin, broken or growing back, and where the skin is to be left in peace. */
import { copy } from "@/shared/plain";
import { type Spot, type SpotKind, spotKindValues, contract } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";

const model = defineModel<Spot[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
/** The kind that is being put on the head by pressing it; none while nothing is. */
const putting = defineModel<SpotKind | undefined>("putting");
const { named, landmarks } = useChoices();
const spots = computed(() => model.value ?? []);
const kinds = computed(() => named(spotKindValues, "read-spotKinds"));

function set(at: number, part: Partial<Spot>) {
  model.value = spots.value.map((spot, i) => (i === at ? { ...spot, ...part } : spot));
}
function add() {
  model.value = [...spots.value, copy(contract.spot)];
}
</script>

<template>
  <section class="spots part">
    <header>
      <h3>{{ t("read-spots") }}</h3>
      <span class="soft">{{ t("read-spotsSeen", { count: spots.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-spotsHint") }}</p>
    <ol>
      <li v-for="(spot, i) in spots" :key="spot.id ?? i">
        <div class="fields">
          <ChoiceField
            :model-value="spot.kind"
            :label="t('read-spotKind')"
            :choices="kinds"
            :disabled="disabled"
            @update:model-value="set(i, { kind: $event })"
          />
          <ChoiceField
            :model-value="spot.at"
            :label="t('read-spotAt')"
            :choices="landmarks"
            :disabled="disabled"
            @update:model-value="set(i, { at: $event })"
          />
          <LengthField
            :model-value="spot.reach_mm ?? contract.spot.reach_mm"
            :label="t('read-spotReach')"
            :fault="faultAt(`spots.${i}.reach_mm`)"
            :disabled="disabled"
            @update:model-value="$event !== undefined && set(i, { reach_mm: $event })"
          />
          <LengthField
            :model-value="Math.round(100 * (spot.strength ?? contract.spot.strength!))"
            :label="t('read-spotStrength')"
            sign="%"
            :fault="faultAt(`spots.${i}.strength`)"
            :disabled="disabled"
            @update:model-value="$event !== undefined && set(i, { strength: $event / 100 })"
          />
        </div>
        <ElButton
          :disabled="disabled"
          :aria-label="t('read-spotDrop', { n: i + 1 })"
          @click="model = spots.filter((_, k) => k !== i)"
        >
          ×
        </ElButton>
      </li>
    </ol>
    <div class="row adds">
      <ElButton :disabled="disabled || spots.length >= contract.most.spots" @click="add">{{
        t("read-spotAdd")
      }}</ElButton>
      <ChoiceField
        :model-value="putting ?? ''"
        :label="t('read-spotPut')"
        :choices="[{ value: '' as SpotKind | '', label: t('read-spotPutNone') }, ...kinds]"
        :disabled="disabled || spots.length >= contract.most.spots"
        @update:model-value="putting = $event || undefined"
      />
    </div>
  </section>
</template>

<style scoped>
.adds {
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
}

ol {
  list-style: none;
  padding: 10px 0;
  display: grid;
  gap: 14px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 48px;
  gap: 10px;
  align-items: end;
}

.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px;
}

.adds > .field {
  flex: 0 1 240px;
}
</style>
