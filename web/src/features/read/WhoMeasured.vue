<script setup lang="ts">
/** Every figure of a zone as it was measured: who, when, with what. Asked for when it is opened. */
import FoldPart from "@/shared/FoldPart.vue";
import { body, client, type FigureRow, type Patch } from "@/api";
import { sayMoment } from "@/shared/days";
import { isFigure, sayFigure } from "@/shared/figures";
import { useUnit } from "@/shared/unit";
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

/** The version that is saved now: what it adds is asked for again. */
const props = defineProps<{ visit: string; version: number; patch: Patch }>();
const { say } = useUnit();
const open = ref(false);
const rows = useQuery({
  queryKey: computed(() => ["figures", props.visit, props.patch, props.version] as const),
  queryFn: () =>
    body(client.GET("/api/visits/{id}/figures/{patch}", { params: { path: { id: props.visit, patch: props.patch } } })),
  enabled: open,
});
const newest = computed(() => [...(rows.data.value ?? [])].reverse());

function name({ field }: FigureRow): string {
  const [, strand, of] = /^again\.(\d+)\.(.+)$/.exec(field) ?? [];
  return of ? t("read-whoStrand", { n: Number(strand) + 1, field: t(`fields-${of}`) }) : t(`fields-${field}`);
}

/** Which figure a row is of: of a further strand it is named behind the strand's number. */
const figureOf = ({ field }: FigureRow) => field.split(".").at(-1)!;

function figure(row: FigureRow): string {
  const [said, of] = [row.word ?? row.value, figureOf(row)];
  if (said === null || said === undefined) return t("read-takenOut");
  return isFigure(of) ? sayFigure(of, said, say) : String(said);
}
const withWhat = ({ field, word, instrument_sd }: FigureRow) =>
  typeof instrument_sd !== "number"
    ? t(word ? "read-byEye" : "read-byHand")
    : t("read-byInstrument", { sd: field.endsWith("_mm") ? say(instrument_sd) : Math.round(10 * instrument_sd) / 10 });
</script>

<template>
  <FoldPart v-model:open="open" class="who" :title="t('read-who')">
    <p v-if="rows.data.value && newest.length === 0" class="soft small">{{ t("read-whoNone") }}</p>
    <table v-else-if="rows.data.value">
      <tbody>
        <tr v-for="(row, i) in newest" :key="i">
          <th scope="row">{{ name(row) }}</th>
          <td class="number">{{ figure(row) }}</td>
          <td class="soft">{{ withWhat(row) }}</td>
          <td class="soft">{{ t("read-whoWhen", { by: row.by, at: sayMoment(row.at) }) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="rows.error.value" class="soft small">{{ t("app-unreachable") }}</p>
  </FoldPart>
</template>

<style scoped>
th,
td {
  padding: 4px 12px 4px 0;
  font-size: 0.92rem;
}
</style>
