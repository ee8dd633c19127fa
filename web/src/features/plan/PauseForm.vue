<script setup lang="ts">
/** A pause: a look, something that goes into the hair, or drying; and what is to be seen to. */
import { type Pause, productGivesValues, dryingMethodValues } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import TextField from "@/shared/TextField.vue";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";
import { PAUSES, pauseOf, tagOf, type PauseName } from "./how";

const model = defineModel<Pause>({ required: true });
defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const { named } = useChoices();
const kind = computed(() => tagOf(model.value) as PauseName);
const product = computed(() => ("product" in model.value ? model.value.product : undefined));
const dry = computed(() => ("dry" in model.value ? model.value.dry : undefined));
const note = computed(() => Object.values(model.value)[0]?.note ?? "");

function setNote(text: string) {
  const { value } = model;
  if ("product" in value) model.value = { product: { ...value.product, note: text } };
  else if ("dry" in value) model.value = { dry: { ...value.dry, note: text } };
  else model.value = { look: { note: text } };
}
</script>

<template>
  <div class="pause">
    <ChoiceField
      :model-value="kind"
      :label="t('plan-pause')"
      :choices="named(PAUSES, 'plan-pauses')"
      :disabled="disabled"
      @update:model-value="model = pauseOf($event, note)"
    />
    <ChoiceField
      v-if="product"
      :model-value="product.gives"
      :label="t('plan-gives')"
      :choices="named(productGivesValues, 'plan-givesWhat')"
      :disabled="disabled"
      @update:model-value="model = { product: { note, gives: $event } }"
    />
    <ChoiceField
      v-if="dry"
      :model-value="dry.by"
      :label="t('plan-dryBy')"
      :choices="named(dryingMethodValues, 'plan-drying')"
      :disabled="disabled"
      @update:model-value="model = { dry: { note, by: $event } }"
    />
    <div class="wide">
      <TextField
        :model-value="note"
        :label="t('plan-pauseNote')"
        :rows="2"
        :fault="faultAt(`kind.pause.${kind}.note`)"
        :disabled="disabled"
        @update:model-value="setNote"
      />
    </div>
  </div>
</template>

<style scoped>
.pause {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  padding: 8px 0;
}

.wide {
  grid-column: 1 / -1;
}
</style>
