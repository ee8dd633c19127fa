<script setup lang="ts">
/** Further strands of a zone, or one once more: what they differ by says how sure the zone is, and how well the hand reads. */
import { type StrandPair, type ZoneSummary, contract } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import DescribedFields from "@/shared/DescribedFields.vue";
import { number, type Field } from "@/shared/fields";
import { copy } from "@/shared/plain";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const pairs = defineModel<StrandPair[]>();
const props = defineProps<{
  summary: ZoneSummary | undefined;
  /** How many strands the zone's first figures stand for. */
  averaged: number;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const { say } = useUnit();
const kept = computed(() => pairs.value ?? []);
/** The strand that is being measured: it is one once both its lengths are there. */
const next = ref<Partial<StrandPair>>({});

/** Whether it is the strand before it, read once more. */
const nextSame = ref(false);
/** The number of the strand that a row is of. */
const strandOf = (at: number) => props.averaged + kept.value.slice(0, at + 1).filter((pair) => !pair.same).length;
const lengths = (pair: Partial<StrandPair>, strand: number): Field<Partial<StrandPair>>[] => [
  number(
    "stretched_mm",
    t(pair.same ? "read-onceMoreStretched" : "read-againStretched", { n: strand }),
    pair.stretched_mm,
    (p, mm) => (p.stretched_mm = mm),
  ),
  number(
    "sprung_mm",
    t(pair.same ? "read-onceMoreSprung" : "read-againSprung", { n: strand }),
    pair.sprung_mm,
    (p, mm) => (p.sprung_mm = mm),
  ),
];
const open = computed(() =>
  lengths({ ...next.value, same: nextSame.value }, strandOf(kept.value.length) + (nextSame.value ? 0 : 1)),
);

function put(change: (pair: Partial<StrandPair>) => void) {
  const pair = { ...next.value };
  change(pair);
  next.value = pair;
  const { stretched_mm, sprung_mm } = pair;
  if (stretched_mm === undefined || sprung_mm === undefined) return;
  pairs.value = [...kept.value, { stretched_mm, sprung_mm, ...(nextSame.value && { same: true }) }];
  next.value = {};
  nextSame.value = false;
}
function set(at: number, change: (pair: StrandPair) => void) {
  const all = copy(kept.value);
  change(all[at]!);
  pairs.value = all;
}
</script>

<template>
  <div class="stack tight">
    <p>
      <b>{{ t("read-again") }}</b>
      {{ " " }}
      <span v-if="(summary?.strands ?? 0) > averaged" class="soft small">
        {{
          t("read-againDiffer", {
            n: summary!.strands ?? 0,
            points: Math.max(1, Math.round(100 * (summary!.strands_differ ?? 0))),
          })
        }}
      </span>
      <span v-else class="soft small">{{ t("read-againHint") }}</span>
    </p>
    <p v-if="typeof summary?.read_sd_mm === 'number'" class="soft small">
      {{ t("read-readSd", { sd: say(summary.read_sd_mm) }) }}
    </p>
    <ol>
      <li v-for="(pair, i) in kept" :key="pair.id ?? i">
        <DescribedFields
          :fields="lengths(pair, strandOf(i))"
          :fault-at="(path) => faultAt(`again.${i}.${path}`)"
          :disabled="disabled"
          @change="set(i, $event)"
        />
        <ElButton
          :disabled="disabled"
          :aria-label="t('read-againDrop', { n: strandOf(i) })"
          @click="pairs = kept.filter((_, k) => k !== i)"
        >
          ×
        </ElButton>
      </li>
      <li v-if="kept.length < contract.most.strands" :key="`next ${kept.length}`">
        <DescribedFields :fields="open" :fault-at="() => undefined" :disabled="disabled" @change="put" />
        <span aria-hidden="true"></span>
      </li>
    </ol>
    <CheckField
      v-if="kept.length < contract.most.strands"
      v-model="nextSame"
      :label="t('read-onceMore')"
      :disabled="disabled"
    />
  </div>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 8px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 48px;
  gap: 14px;
  align-items: end;
}
</style>
