<script setup lang="ts">
/** Further strands of a zone, or one once more: what they differ by says how sure the zone is, and how well the hand reads. */
import { type StrandPair, type ZoneSummary, contract } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import LengthField from "@/shared/LengthField.vue";
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
const next = ref<{ stretched_mm?: number | undefined; sprung_mm?: number | undefined }>({});

/** Whether it is the strand before it, read once more. */
const nextSame = ref(false);
/** The number of the strand that a row is of. */
const strandOf = (at: number) => props.averaged + kept.value.slice(0, at + 1).filter((pair) => !pair.same).length;
const labels = (strand: number, same: boolean | undefined) => ({
  stretched: t(same ? "read-onceMoreStretched" : "read-againStretched", { n: strand }),
  sprung: t(same ? "read-onceMoreSprung" : "read-againSprung", { n: strand }),
});
const rows = computed(() => kept.value.map((pair, i) => ({ pair, ...labels(strandOf(i), pair.same) })));
const open = computed(() => labels(strandOf(kept.value.length) + (nextSame.value ? 0 : 1), nextSame.value));

function put(part: Partial<StrandPair>) {
  next.value = { ...next.value, ...part };
  const { stretched_mm, sprung_mm } = next.value;
  if (stretched_mm === undefined || sprung_mm === undefined) return;
  pairs.value = [...kept.value, { stretched_mm, sprung_mm, ...(nextSame.value && { same: true }) }];
  next.value = {};
  nextSame.value = false;
}
const set = (at: number, part: Partial<StrandPair>) =>
  (pairs.value = kept.value.map((pair, i) => (i === at ? { ...pair, ...part } : pair)));
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
      <li v-for="({ pair, stretched, sprung }, i) in rows" :key="i">
        <LengthField
          :model-value="pair.stretched_mm"
          :label="stretched"
          :fault="faultAt(`again.${i}.stretched_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { stretched_mm: $event })"
        />
        <LengthField
          :model-value="pair.sprung_mm"
          :label="sprung"
          :fault="faultAt(`again.${i}.sprung_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { sprung_mm: $event })"
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
        <LengthField
          :model-value="next.stretched_mm"
          :label="open.stretched"
          :disabled="disabled"
          @update:model-value="put({ stretched_mm: $event ?? undefined })"
        />
        <LengthField
          :model-value="next.sprung_mm"
          :label="open.sprung"
          :disabled="disabled"
          @update:model-value="put({ sprung_mm: $event ?? undefined })"
        />
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
