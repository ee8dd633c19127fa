<script setup lang="ts">
/** Weak spots: where hair is thin, broken or growing back, and where the skin is to be left in peace. */
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
  model.value = [...spots.value, contract.spot];
}
</script>

<template>
  <details class="spots">
    <summary>
      <b>{{ t("read-spots") }}</b> <span class="soft">{{ t("read-spotsSeen", { count: spots.length }) }}</span>
    </summary>
    <p class="soft small">{{ t("read-spotsHint") }}</p>
    <ol>
      <li v-for="(spot, i) in spots" :key="i">
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
      <label class="row">
        <span>{{ t("read-spotPut") }}</span>
        <select
          :value="putting ?? ''"
          :disabled="disabled || spots.length >= contract.most.spots"
          @change="putting = (($event.target as HTMLSelectElement).value || undefined) as SpotKind | undefined"
        >
          <option value="">{{ t("read-spotPutNone") }}</option>
          <option v-for="kind in kinds" :key="kind.value" :value="kind.value">{{ kind.label }}</option>
        </select>
      </label>
    </div>
  </details>
</template>

<style scoped>
.adds {
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
}

.adds label {
  display: grid;
  gap: 0;
}

ol {
  list-style: none;
  padding: 10px 0;
  display: grid;
  gap: 14px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1.3fr) minmax(0, 0.8fr) minmax(0, 0.8fr) 48px;
  gap: 10px;
  align-items: end;
}

@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
