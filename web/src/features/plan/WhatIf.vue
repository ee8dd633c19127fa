<script setup lang="ts">
/** What if one figure of this step were another: how lengths, width, the wish and what is found answer to it, as small curves. */
import type { FallRequest, Lever, Move, WhatIf } from "@/api";
import { askWhatIf } from "@/shared/ask";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { computed, ref, watch } from "vue";
import { t } from "@/shared/words";
import { curve, leversOf, unitOf } from "./whatIf";

const props = defineProps<{ on: FallRequest; step: number; move: Move }>();
const { say } = useUnit();
const REST_MS = 600;
const levers = computed(() => leversOf(props.move));
const lever = ref<Lever | undefined>(levers.value[0]);
watch(levers, (now) => {
  if (!lever.value || !now.includes(lever.value)) lever.value = now[0];
});
const answer = useComputed(
  "what if",
  computed(() => (lever.value ? { on: props.on, step: props.step, lever: lever.value } : undefined)),
  askWhatIf,
  REST_MS,
);
const points = computed(() => answer.data.value ?? []);
const by = ({ by }: WhatIf) => {
  if (by === 0) return t("whatIf-now");
  const sign = by > 0 ? "+" : "−";
  const size = Math.abs(by);
  const unit = unitOf(lever.value!);
  if (unit === "mm") return `${sign}${say(size)}`;
  return unit === "°" ? `${sign}${size}°` : `${sign}${Math.round(100 * size)} %`;
};
const ROWS = [
  { name: "line", of: (point: WhatIf) => point.line_mm },
  { name: "top", of: (point: WhatIf) => point.top_mm },
  { name: "width", of: (point: WhatIf) => point.width_mm },
  { name: "missed", of: (point: WhatIf) => point.missed_mm ?? undefined },
] as const;
const rows = computed(() =>
  ROWS.flatMap(({ name, of }) => {
    const values = points.value.map(of);
    return values.some((value) => value === undefined) ? [] : [{ name, values: values as number[] }];
  }),
);
const found = (point: WhatIf) =>
  point.findings.map((code) => t(`plan-finding-${code}`)).join(", ") || t("proposal-none");
</script>

<template>
  <div class="stack tight">
    <ChoiceRow
      v-model="lever"
      :label="t('whatIf-lever')"
      hide-label
      :choices="levers.map((value) => ({ value, label: t(`whatIf-levers-${value}`) }))"
    />
    <p v-if="points.length === 0" class="soft small" aria-live="polite">{{ t("whatIf-pending") }}</p>
    <div v-else class="scroll">
      <table :class="{ stale: answer.isPlaceholderData.value }">
        <thead>
          <tr>
            <td />
            <td />
            <th v-for="point in points" :key="point.by" scope="col" :class="{ now: point.by === 0 }">
              {{ by(point) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name">
            <th scope="row">{{ t(`whatIf-${row.name}`) }}</th>
            <td>
              <svg viewBox="0 0 60 24" aria-hidden="true">
                <polyline :points="curve(row.values, 60, 24)" />
              </svg>
            </td>
            <td v-for="(value, i) in row.values" :key="i" :class="{ now: points[i]!.by === 0 }">{{ say(value) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t("whatIf-found") }}</th>
            <td />
            <td v-for="point in points" :key="point.by" class="found" :class="{ now: point.by === 0 }">
              {{ found(point) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

table {
  font-size: 0.9rem;
  border-collapse: collapse;
}

th,
td {
  text-align: right;
  padding: 3px 6px;
  vertical-align: top;
  white-space: nowrap;
}

th[scope="row"] {
  text-align: left;
  font-weight: 600;
}

.now {
  background: var(--sheet-2, var(--forecast-band));
  font-weight: 700;
}

.found {
  white-space: normal;
  min-width: 84px;
}

svg {
  width: 60px;
  height: 24px;
}

polyline {
  fill: none;
  stroke: var(--forecast);
  stroke-width: 2;
}

.stale {
  opacity: 0.55;
}
</style>
