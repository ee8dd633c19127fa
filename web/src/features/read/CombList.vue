<script setup lang="ts">
/** Strands laid on the stylist's own combs, which tell what their hand leaves on the hair. */
import { type CombReading, zoneValues, combValues, moistureValues, contract } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";

const COMBS = combValues.filter((comb) => comb !== "none");
const model = defineModel<CombReading[]>();
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const { named } = useChoices();
const strands = computed(() => model.value ?? []);

function set(at: number, part: Partial<CombReading>) {
  model.value = strands.value.map((strand, i) => (i === at ? { ...strand, ...part } : strand));
}
function add() {
  const state = { moisture: "wet", comb: "wide" } as const;
  model.value = [...strands.value, { patch: "crown", state, stretched_mm: 300, held_mm: 280 }];
}
</script>

<template>
  <section class="combs part">
    <header>
      <h3>{{ t("read-combReadings") }}</h3>
      <span class="soft">{{ t("read-combReadingsTold", { count: strands.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-combReadingsHint") }}</p>
    <ol>
      <li v-for="(strand, i) in strands" :key="i">
        <ChoiceField
          :model-value="strand.patch"
          :label="t('plan-zone')"
          :choices="named(zoneValues, 'zone')"
          :disabled="disabled"
          @update:model-value="set(i, { patch: $event })"
        />
        <ChoiceField
          :model-value="strand.state.comb"
          :label="t('plan-comb')"
          :choices="named(COMBS, 'comb')"
          :fault="faultAt(`combs.${i}.state.comb`)"
          :disabled="disabled"
          @update:model-value="set(i, { state: { ...strand.state, comb: $event } })"
        />
        <ChoiceField
          :model-value="strand.state.moisture"
          :label="t('plan-moisture')"
          :choices="named(moistureValues, 'figureWord-moisture')"
          :disabled="disabled"
          @update:model-value="set(i, { state: { ...strand.state, moisture: $event } })"
        />
        <LengthField
          :model-value="strand.stretched_mm"
          :label="t('read-combStretched')"
          :fault="faultAt(`combs.${i}.stretched_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { stretched_mm: $event })"
        />
        <LengthField
          :model-value="strand.held_mm"
          :label="t('read-combHeld')"
          :fault="faultAt(`combs.${i}.held_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { held_mm: $event })"
        />
        <ElButton
          :disabled="disabled"
          :aria-label="t('read-combReadingDrop', { n: i + 1 })"
          @click="model = strands.filter((_, k) => k !== i)"
        >
          ×
        </ElButton>
      </li>
    </ol>
    <ElButton :disabled="disabled || strands.length >= contract.most.combs" @click="add">{{
      t("read-combReadingAdd")
    }}</ElButton>
  </section>
</template>

<style scoped>
summary .soft {
  margin-left: 10px;
}

ol {
  list-style: none;
  padding: 10px 0;
  display: grid;
  gap: 14px;
}

li {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr)) minmax(0, 0.8fr);
  gap: 10px;
  align-items: end;
}
</style>
