<script setup lang="ts">
/** One figure of a zone, asked for as its rule says: a length, a number with its unit, one of a few words, or a colour. */
import type { ZoneFigure } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import ColourField from "@/shared/ColourField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import LengthField from "@/shared/LengthField.vue";
import { rangeFault, ruleOf, signOf } from "@/shared/figures";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{ figure: ZoneFigure; fault?: string; disabled: boolean }>();
const model = defineModel<number | string | null>();
const { tell } = useUnit();
const rule = computed(() => ruleOf(props.figure));
const words = computed(() =>
  rule.value.words.map((value) => ({ value, label: t(`figureWord-${props.figure}-${value}`) })),
);
const number = computed({
  get: () => (typeof model.value === "number" ? model.value : undefined),
  set: (value) => (model.value = value),
});
const word = computed({
  get: () => (typeof model.value === "string" ? model.value : ""),
  set: (value) => (model.value = value || undefined),
});
const outside = computed(() => {
  const found = number.value === undefined ? undefined : rangeFault(props.figure, number.value);
  return found && tell(found);
});
/** More words than this don't stand in a row. */
const IN_A_ROW = 4;
</script>

<template>
  <ChoiceRow
    v-if="rule.kind === 'word' && words.length <= IN_A_ROW"
    v-model="word"
    :label="t(`fields-${figure}`)"
    :choices="words"
    :disabled="disabled"
  />
  <ChoiceField
    v-else-if="rule.kind === 'word'"
    v-model="word"
    :label="t(`fields-${figure}`)"
    :choices="[{ value: '', label: t('field-notSaid') }, ...words]"
    :fault="fault"
    :disabled="disabled"
  />
  <ColourField
    v-else-if="rule.kind === 'colour'"
    v-model="word"
    :label="t(`fields-${figure}`)"
    :fault="fault"
    :disabled="disabled"
  />
  <LengthField
    v-else
    v-model="number"
    :sign="signOf(figure)"
    :label="t(`fields-${figure}`)"
    :fault="outside ?? fault"
    :disabled="disabled"
  />
</template>
