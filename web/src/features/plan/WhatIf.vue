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
const nowAt = computed(() =>
  Math.max(
    0,
    points.value.findIndex((point) => point.by === 0),
  ),
);
/** Values at which something else is found than now. */
const others = computed(() => {
  const now = points.value[nowAt.value]?.findings.join();
  return points.value.filter((point) => point.findings.join() !== now);
});
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
    <div v-else class="rows" :class="{ stale: answer.isPlaceholderData.value }">
      <dl>
        <div v-for="row in rows" :key="row.name">
          <dt>{{ t(`whatIf-${row.name}`) }}</dt>
          <dd>
            <svg viewBox="0 0 60 24" aria-hidden="true">
              <polyline :points="curve(row.values, 60, 24)" />
            </svg>
            <span>{{
              t("whatIf-range", {
                least: say(row.values[0]!),
                now: say(row.values[nowAt]!),
                most: say(row.values[row.values.length - 1]!),
              })
            }}</span>
          </dd>
        </div>
      </dl>
      <p class="soft small">{{ t("whatIf-over", { from: by(points[0]!), to: by(points[points.length - 1]!) }) }}</p>
      <ul v-if="others.length > 0">
        <li v-for="point in others" :key="point.by">{{ t("whatIf-found", { by: by(point), found: found(point) }) }}</li>
      </ul>
      <p v-else class="soft small">{{ t("whatIf-sameFound") }}</p>
    </div>
  </div>
</template>

<style scoped>
dl {
  margin: 0;
  display: grid;
  gap: 6px;
}

dt {
  font-weight: 600;
}

dd {
  margin: 0;
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 0.92rem;
}

svg {
  width: 60px;
  height: 24px;
  flex: none;
}

polyline {
  fill: none;
  stroke: var(--forecast);
  stroke-width: 2;
}

ul {
  padding-left: 18px;
  margin: 0;
}

.stale {
  opacity: 0.55;
}
</style>
