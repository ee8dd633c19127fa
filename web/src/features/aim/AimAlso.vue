<script setup lang="ts">
/** What must hold beside the wishes: full ends, and other ways in which the hair is worn. */
import { wornStyleValues, type Aim, type WornStyle } from "@/api";
import ChipField from "@/shared/ChipField.vue";
import FoldPart from "@/shared/FoldPart.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const aim = defineModel<Aim>({ required: true });
const props = defineProps<{
  /** How it is worn on most days. */
  worn: WornStyle;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const ways = computed<WornStyle[]>({
  get: () => (aim.value.also_worn ?? []).filter((way) => way !== props.worn),
  set: (also_worn) => (aim.value = { ...aim.value, also_worn }),
});
const choices = computed(() =>
  wornStyleValues.filter((way) => way !== props.worn).map((value) => ({ value, label: t(`worn-${value}`) })),
);
const open = ref(ways.value.length > 0 || typeof aim.value.ends_mm === "number");
</script>

<template>
  <FoldPart v-model:open="open" :title="t('aim-also')">
    <div class="stack">
      <LengthField
        :model-value="aim.ends_mm"
        :label="t('aim-ends')"
        :hint="t('aim-endsHint')"
        :fault="faultAt('ends_mm')"
        :disabled="disabled"
        @update:model-value="aim = { ...aim, ends_mm: $event ?? null }"
      />
      <ChipField v-model="ways" :label="t('aim-alsoWorn')" :choices="choices" :disabled="disabled" />
    </div>
  </FoldPart>
</template>
