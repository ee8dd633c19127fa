<script setup lang="ts">
/** Further strands of a zone, measured one by one: what they differ by says how sure the zone is. */
import type { StrandPair, ZoneSummary } from "@/api";
import LengthField from "@/shared/LengthField.vue";
import { computed, ref } from "vue";
import { useI18n } from "vue-i18n";

/** As many as the core keeps beside the first. */
const MOST = 9;
const pairs = defineModel<StrandPair[]>();
defineProps<{
  summary: ZoneSummary | undefined;
  /** How many strands the zone's first figures stand for. */
  averaged: number;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const { t } = useI18n();
const kept = computed(() => pairs.value ?? []);
/** The strand that is being measured: it is one once both its lengths are there. */
const next = ref<{ stretched_mm?: number | undefined; sprung_mm?: number | undefined }>({});

function put(part: Partial<StrandPair>) {
  next.value = { ...next.value, ...part };
  const { stretched_mm, sprung_mm } = next.value;
  if (stretched_mm === undefined || sprung_mm === undefined) return;
  pairs.value = [...kept.value, { stretched_mm, sprung_mm }];
  next.value = {};
}
const set = (at: number, part: Partial<StrandPair>) =>
  (pairs.value = kept.value.map((pair, i) => (i === at ? { ...pair, ...part } : pair)));
</script>

<template>
  <div class="stack tight">
    <p>
      <b>{{ t("read.again") }}</b>
      {{ " " }}
      <span v-if="kept.length > 0 && summary?.strands" class="soft small">
        {{
          t("read.againDiffer", {
            n: summary.strands,
            points: Math.max(1, Math.round(100 * (summary.strands_differ ?? 0))),
          })
        }}
      </span>
      <span v-else class="soft small">{{ t("read.againHint") }}</span>
    </p>
    <ol>
      <li v-for="(pair, i) in kept" :key="i">
        <LengthField
          :model-value="pair.stretched_mm"
          :label="t('read.againStretched', { n: averaged + i + 1 })"
          :fault="faultAt(`again.${i}.stretched_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { stretched_mm: $event })"
        />
        <LengthField
          :model-value="pair.sprung_mm"
          :label="t('read.againSprung', { n: averaged + i + 1 })"
          :fault="faultAt(`again.${i}.sprung_mm`)"
          :disabled="disabled"
          @update:model-value="$event !== undefined && set(i, { sprung_mm: $event })"
        />
        <ElButton
          :disabled="disabled"
          :aria-label="t('read.againDrop', { n: averaged + i + 1 })"
          @click="pairs = kept.filter((_, k) => k !== i)"
        >
          ×
        </ElButton>
      </li>
      <li v-if="kept.length < MOST" :key="`next ${kept.length}`">
        <LengthField
          :model-value="next.stretched_mm"
          :label="t('read.againStretched', { n: averaged + kept.length + 1 })"
          :disabled="disabled"
          @update:model-value="put({ stretched_mm: $event ?? undefined })"
        />
        <LengthField
          :model-value="next.sprung_mm"
          :label="t('read.againSprung', { n: averaged + kept.length + 1 })"
          :disabled="disabled"
          @update:model-value="put({ sprung_mm: $event ?? undefined })"
        />
        <span aria-hidden="true"></span>
      </li>
    </ol>
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
