<script setup lang="ts">
/** Swirls and cowlicks: where hair grows a way of its own. */
import { copy } from "@/shared/plain";
import { contract, type Growth } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import { useChoices } from "@/shared/useChoices";

const model = defineModel<Growth[]>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
type WayName = "clockwise" | "anticlockwise" | "toward";
const { named, landmarks } = useChoices();
const ways = computed(() => named(contract.choices.growths as WayName[], "read-growthWays"));
const wayOf = (growth: Growth): WayName => (typeof growth.direction === "object" ? "toward" : growth.direction);
const toward = (growth: Growth) => (typeof growth.direction === "object" ? growth.direction.toward : undefined);

function set(at: number, part: Partial<Growth>) {
  model.value = model.value.map((growth, i) => (i === at ? { ...growth, ...part } : growth));
}
function setWay(at: number, name: WayName) {
  set(at, { direction: name === "toward" ? { toward: "apex" } : name });
}
function add() {
  model.value = [...model.value, copy(contract.growth)];
}
</script>

<template>
  <section class="growths">
    <h3>{{ t("read-growth") }}</h3>
    <div v-for="(growth, i) in model" :key="i" class="growth">
      <ChoiceField
        :model-value="growth.at"
        :label="t('read-growthAt')"
        :choices="landmarks"
        :disabled="disabled"
        @update:model-value="set(i, { at: $event })"
      />
      <ChoiceField
        :model-value="wayOf(growth)"
        :label="t('read-growthWay')"
        :choices="ways"
        :disabled="disabled"
        @update:model-value="setWay(i, $event)"
      />
      <ChoiceField
        v-if="toward(growth)"
        :model-value="toward(growth)"
        :label="t('read-growthToward')"
        :choices="landmarks"
        :disabled="disabled"
        :fault="faultAt(`growth.${i}.direction.toward`)"
        @update:model-value="set(i, { direction: { toward: $event } })"
      />
      <LengthField
        :model-value="growth.reach_mm ?? contract.growth.reach_mm"
        :label="t('read-growthReach')"
        :disabled="disabled"
        :fault="faultAt(`growth.${i}.reach_mm`)"
        @update:model-value="$event !== undefined && set(i, { reach_mm: $event })"
      />
      <LengthField
        :model-value="Math.round(100 * (growth.strength ?? contract.growth.strength!))"
        :label="t('read-growthStrength')"
        sign="%"
        :disabled="disabled"
        :fault="faultAt(`growth.${i}.strength`)"
        @update:model-value="$event !== undefined && set(i, { strength: $event / 100 })"
      />
      <ElButton class="wide" :disabled="disabled" @click="model = model.filter((_, k) => k !== i)">
        {{ t("read-growthDrop", { n: i + 1 }) }}
      </ElButton>
    </div>
    <ElButton :disabled="disabled" @click="add">{{ t("read-growthAdd") }}</ElButton>
  </section>
</template>

<style scoped>
.growths {
  display: grid;
  gap: 10px;
  justify-items: start;
}

.growth {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  width: 100%;
}

.wide {
  grid-column: 1 / -1;
  justify-self: start;
}
</style>
