<script setup lang="ts">
/** A length typed in the person's unit and kept in millimetres. What isn't a number stays in the field and is said. */
import { computed, ref, watch } from "vue";
import { t } from "@/shared/words";
import FieldFault from "./FieldFault.vue";
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
const input = ref<HTMLInputElement>();
const id = `length-${Math.random().toString(36).slice(2)}`;

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

function typed(event: Event) {
  text.value = (event.target as HTMLInputElement).value;
  const value = parse(text.value);
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
  <div class="length" :class="{ large, faulty: message }">
    <label :for="id">{{ label }}</label>
    <span class="box">
      <input
        :id="id"
        ref="input"
        :value="text"
        inputmode="decimal"
        autocomplete="off"
        :disabled="disabled"
        :aria-invalid="Boolean(message)"
        :aria-describedby="message ? `${id}-fault` : hint ? `${id}-hint` : undefined"
        @input="typed"
      />
      <span class="sign" aria-hidden="true">{{ sign ?? signOf(unit) }}</span>
    </span>
    <FieldFault v-if="message" :id="`${id}-fault`" :said="message" />
    <p v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.length {
  display: grid;
  gap: 4px;
  align-content: start;
}

label {
  font-weight: 600;
}

.box {
  display: flex;
  align-items: center;
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  min-height: 44px;
  padding-right: 12px;
}

.box:focus-within {
  outline: 2px solid var(--ink);
  outline-offset: -1px;
}

input {
  flex: 1;
  min-width: 0;
  width: 100%;
  font: inherit;
  color: var(--ink);
  background: none;
  border: 0;
  outline: 0;
  padding: 8px 6px 8px 12px;
}

.large input {
  font: 700 1.9rem/1.1 var(--display);
}

.sign {
  color: var(--ink-soft);
}

.faulty .box {
  border: 2px solid var(--warn-line);
}

.hint {
  color: var(--ink-soft);
  font-size: 0.9rem;
}
</style>
