<script setup lang="ts">
/** A length typed in the person's unit and kept in millimetres. What isn't a number stays in the field and is said. */
import { computed, ref, watch } from "vue";
import { t } from "@/shared/words";
import type { InputInstance } from "element-plus";
import FieldShell from "./FieldShell.vue";
import { parseLength, parseNumber, signOf, typedIn } from "./lengths";
import { useUnit } from "./unit";

const props = defineProps<{
  modelValue: number | null | undefined;
  label: string;
  /** Shown under the field: where and how to measure. */
  hint?: string;
  fault?: string;
  /** The sign of a number that isn't a length (µm). */
  sign?: string;
  large?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [value: number | undefined] }>();
const { unit } = useUnit();
const input = ref<InputInstance>();

const shown = () =>
  props.modelValue === null || props.modelValue === undefined
    ? ""
    : props.sign
      ? String(props.modelValue)
      : typedIn(unit.value, props.modelValue);
const parse = (typed: string) => (props.sign ? parseNumber(typed) : parseLength(unit.value, typed));
const text = ref(shown());
const wordless = computed(() => parse(text.value) === undefined);
const message = computed(() => (wordless.value ? t("field-notANumber") : props.fault));

watch([() => props.modelValue, unit], () => {
  // While a text says the same length, it stays as it was typed.
  const typed = parse(text.value);
  if ((typed ?? undefined) !== (props.modelValue ?? undefined)) text.value = shown();
});
watch(unit, () => (text.value = shown()));

function typed(now: string) {
  text.value = now;
  const value = parse(now);
  if (value !== undefined) emit("update:modelValue", value ?? undefined);
}

defineExpose({
  focus() {
    input.value?.focus();
    input.value?.select();
  },
});
</script>

<template>
  <FieldShell
    v-slot="{ id, describedBy }"
    class="length"
    :class="{ large }"
    :label="label"
    :fault="message"
    :hint="hint"
  >
    <ElInput
      :id="id"
      ref="input"
      :model-value="text"
      inputmode="decimal"
      autocomplete="off"
      :disabled="disabled"
      :aria-invalid="Boolean(message)"
      :aria-describedby="describedBy"
      @update:model-value="typed"
    >
      <template #suffix>
        <span aria-hidden="true">{{ sign ?? signOf(unit) }}</span>
      </template>
    </ElInput>
  </FieldShell>
</template>

<style scoped>
.large :deep(.el-input__inner) {
  font: 700 1.9rem/1.1 var(--display);
  height: 56px;
}
</style>
