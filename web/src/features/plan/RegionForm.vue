<script setup lang="ts">
/** A region put together: zones, halves, edges and sides of partings, joined by and, or and not. */
import type { Region } from "@/api";
import DescribedFields from "@/shared/DescribedFields.vue";
import FoldPart from "@/shared/FoldPart.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import { offsetFields, regionFields, type Held } from "./regionFields";
import { kindOf, partsOf, withParts } from "./regions";

const props = defineProps<{
  modelValue: Region;
  label: string;
  /** Says what is wrong at a place below this region. */
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [region: Region] }>();

const kind = computed(() => kindOf(props.modelValue));
const parts = computed(() => partsOf(props.modelValue));
const offsets = computed(() => offsetFields(props.modelValue));

function change(how: (held: Held) => void) {
  const held = { region: props.modelValue };
  how(held);
  emit("update:modelValue", held.region);
}
const putParts = (all: Region[]) => emit("update:modelValue", withParts(props.modelValue, all));
const setPart = (at: number, part: Region) => putParts(parts.value.map((present, i) => (i === at ? part : present)));
function dropPart(at: number) {
  const rest = parts.value.filter((_, i) => i !== at);
  if (rest.length === 1) emit("update:modelValue", rest[0]!);
  else putParts(rest);
}
</script>

<template>
  <fieldset class="region" :disabled="disabled">
    <legend class="visually-hidden">{{ label }}</legend>
    <div class="pair">
      <DescribedFields
        :fields="regionFields(modelValue, label)"
        :fault-at="faultAt"
        :disabled="disabled"
        @change="change"
      />
    </div>
    <FoldPart v-if="offsets.length > 0" :title="t('plan-offset')">
      <div class="pair">
        <DescribedFields :fields="offsets" :fault-at="faultAt" :disabled="disabled" @change="change" />
      </div>
    </FoldPart>
    <ul v-if="parts.length > 0" class="parts">
      <li v-for="(part, i) in parts" :key="i">
        <RegionForm
          :model-value="part"
          :label="t(kind === 'not' ? 'plan-partNot' : 'plan-part_n', { n: i + 1 })"
          :fault-at="(field) => faultAt(kind === 'not' ? `not.${field}` : `${kind}.${i}.${field}`)"
          :disabled="disabled"
          @update:model-value="setPart(i, $event)"
        />
        <ElButton v-if="kind !== 'not' && parts.length > 1" size="small" :disabled="disabled" @click="dropPart(i)">
          {{ t("plan-dropPart", { n: i + 1 }) }}
        </ElButton>
      </li>
    </ul>
    <ElButton
      v-if="kind === 'all' || kind === 'any'"
      size="small"
      :disabled="disabled"
      @click="putParts([...parts, { zone: 'top' }])"
    >
      {{ t("plan-addPart") }}
    </ElButton>
  </fieldset>
</template>

<style scoped>
.region {
  display: grid;
  gap: 10px;
  min-width: 0;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(136px, 1fr));
  gap: 10px 12px;
}

.parts {
  list-style: none;
  display: grid;
  gap: 12px;
  border-left: 3px solid var(--line);
  padding-left: 10px;
}

.parts li {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.parts li > :first-child {
  width: 100%;
}
</style>
