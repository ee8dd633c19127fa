<script setup lang="ts">
import type { RawMeasures } from "@/api";
import LengthField from "@/shared/LengthField.vue";
import { t } from "@/shared/words";

const KEYS = ["girth_mm", "over_top_mm", "face_mm", "neck_mm", "torso_mm"] as const;
const props = defineProps<{ faultAt: (field: string) => string | undefined; disabled: boolean }>();
const model = defineModel<RawMeasures>();

function set(key: (typeof KEYS)[number], value: number | undefined) {
  const next = { ...model.value };
  if (typeof value === "number") next[key] = value;
  else delete next[key];
  model.value = next;
}

const fault = (key: string) => props.faultAt(`measures.${key}`);
const taken = () => KEYS.filter((key) => typeof model.value?.[key] === "number").length;
</script>

<template>
  <section class="tape part">
    <header>
      <h3>{{ t("read-tape") }}</h3>
      <span class="soft">{{ t("read-tapeTaken", { n: taken(), all: KEYS.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-tapeHint") }}</p>
    <div class="fields">
      <LengthField
        v-for="key in KEYS"
        :key="key"
        :model-value="model?.[key]"
        :label="t(`fields-${key}`)"
        :hint="t(`tapeWhere-${key}`)"
        :fault="fault(key)"
        :disabled="disabled"
        @update:model-value="set(key, $event)"
      />
    </div>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 14px;
  padding-top: 10px;
}
</style>
