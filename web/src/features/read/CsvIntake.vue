<script setup lang="ts">
/** Figures out of somebody's table: which column is what, what will be taken, and what is refused and why. */
import FilePick from "@/shared/FilePick.vue";
import {
  Refused,
  type CsvField,
  type CsvReading,
  type CsvUnit,
  type RawZoneReading,
  csvFieldValues,
  csvUnitValues,
} from "@/api";
import { askCsv } from "@/shared/ask";
import ChoiceField from "@/shared/ChoiceField.vue";
import { isFigure, ruleOf } from "@/shared/figures";
import { isPatch, sayPatch } from "@/shared/patches";
import { named } from "@/shared/choices";
import { computed, ref } from "vue";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";

/** Refusals that are shown; a table with more has another fault than those. */
const SHOWN = 8;

defineProps<{ disabled: boolean }>();
const emit = defineEmits<{ take: [zones: { [zone: string]: RawZoneReading }] }>();
const fields = computed(() =>
  csvFieldValues.map((value) => ({ value, label: t(isFigure(value) ? `fields-${value}` : `csv-field-${value}`) })),
);
const units = computed(() => named(csvUnitValues, "csv-unit"));
const text = ref("");
const found = ref<CsvReading>();
const failed = ref<string>();
const { tell, tellFailure } = useUnit();
/** Zones of which the table says something. */
const zones = computed(() =>
  Object.entries(found.value?.zones ?? {}).filter(([, read]) => Object.keys(read).length > 2),
);
const isLength = (field: CsvField) => isFigure(field) && ruleOf(field).kind === "length";

async function ask(columns?: CsvReading["columns"]) {
  failed.value = undefined;
  try {
    found.value = await askCsv({ text: text.value, columns: columns ?? null });
  } catch (error) {
    found.value = undefined;
    const fault = error instanceof Refused ? (error.at("text") ?? error.at("columns")) : undefined;
    failed.value = t("csv-refused", { said: fault ? tell(fault) : tellFailure(error) });
  }
}
async function pick(file: File) {
  text.value = await file.text();
  await ask();
}
const set = (at: number, part: { field?: CsvField; unit?: CsvUnit }) =>
  ask(found.value?.columns.map((column, i) => (i === at ? { ...column, ...part } : column)));

function take() {
  emit("take", Object.fromEntries(zones.value));
  found.value = undefined;
}
</script>

<template>
  <section class="csv part">
    <header>
      <h3>{{ t("csv-title") }}</h3>
      <span class="soft">{{ t("csv-hint") }}</span>
    </header>
    <FilePick :label="t('csv-choose')" accept=".csv,text/csv" :disabled="disabled" @pick="pick" />
    <p v-if="failed" class="caution" role="alert">{{ failed }}</p>
    <template v-if="found">
      <ul class="columns">
        <li v-for="(column, i) in found.columns" :key="i">
          <ChoiceField
            :model-value="column.field"
            :label="column.heading || t('csv-unnamed', { n: i + 1 })"
            :choices="fields"
            @update:model-value="set(i, { field: $event })"
          />
          <ChoiceField
            v-if="isLength(column.field)"
            :model-value="column.unit"
            :label="t('csv-in')"
            :choices="units"
            @update:model-value="set(i, { unit: $event })"
          />
        </li>
      </ul>
      <p aria-live="polite">
        {{
          t("csv-will", {
            zones: zones.map(([name]) => (isPatch(name) ? sayPatch(name) : name)).join(", ") || t("csv-nothing"),
          })
        }}
      </p>
      <ul v-if="found.refused.length > 0" class="refused">
        <li v-for="(refusal, i) in found.refused.slice(0, SHOWN)" :key="i">
          {{
            t("csv-not", {
              line: refusal.line,
              heading: refusal.heading ?? "",
              found: refusal.found,
              said: tell(refusal.message),
            })
          }}
        </li>
        <li v-if="found.refused.length > SHOWN">{{ t("csv-more", { n: found.refused.length - SHOWN }) }}</li>
      </ul>
      <ElButton :disabled="disabled || zones.length === 0" @click="take">{{ t("csv-take") }}</ElButton>
    </template>
  </section>
</template>

<style scoped>
summary span {
  margin-left: 0.35em;
}

ul {
  list-style: none;
  padding: 8px 0;
}

.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 12px 16px;
}

.columns li {
  display: grid;
  grid-template-columns: 1fr 90px;
  gap: 8px;
}

.refused li::before {
  content: "▲ ";
  color: var(--warn);
  font-size: 0.8em;
}
</style>
