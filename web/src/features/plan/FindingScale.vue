<script setup lang="ts">
/** How much of a finding there is, against the threshold from which it is said: a bar with a mark, and the number beside it. */
import type { Finding } from "@/api";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";
import { onScale, ruleOf } from "./findings";

const props = defineProps<{ finding: Finding }>();
const { say } = useUnit();
const rule = computed(() => ruleOf(props.finding.code));
const at = computed(() => onScale(props.finding));
const before = computed(() =>
  typeof props.finding.before === "number" ? onScale({ ...props.finding, measure: props.finding.before }) : undefined,
);
const tells = (value: number) =>
  rule.value.unit === "mm"
    ? say(value)
    : t(`plan-findingUnit-${rule.value.unit}`, { value: value.toFixed(rule.value.unit === "times" ? 2 : 0) });
const label = computed(() =>
  t(rule.value.worse === "above" ? "plan-measure" : "plan-measureBelow", {
    measure: tells(props.finding.measure),
    threshold: tells(props.finding.threshold),
  }),
);
const percent = (share: number) => `${(100 * share).toFixed(1)}%`;
</script>

<template>
  <figure class="scale">
    <div class="bar" aria-hidden="true">
      <i
        class="over"
        :style="{ left: percent(at.threshold), width: percent(Math.max(0, at.measure - at.threshold)) }"
      />
      <i v-if="before" class="before" :style="{ left: percent(before.measure) }" />
      <i class="threshold" :style="{ left: percent(at.threshold) }" />
      <i class="measure" :style="{ left: percent(at.measure) }" />
    </div>
    <figcaption class="small">
      {{ label
      }}<template v-if="typeof finding.before === 'number'"
        >; <span class="soft">{{ t("plan-wasBefore", { measure: tells(finding.before) }) }}</span></template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.scale {
  margin: 0;
}

.bar {
  position: relative;
  height: 12px;
  border-radius: 6px;
  background: linear-gradient(to right, var(--line) 50%, color-mix(in srgb, var(--warn-line) 35%, var(--sheet)) 50%);
  margin: 4px 0;
}

.bar i {
  position: absolute;
  top: 0;
  bottom: 0;
}

.over {
  background: var(--warn-line);
}

.threshold {
  width: 2px;
  margin-left: -1px;
  background: var(--ink-soft);
}

.before {
  width: 0;
  border-left: 2px dashed var(--now);
}

.measure {
  width: 14px;
  height: 14px;
  margin: -1px 0 0 -7px;
  border-radius: 50%;
  background: var(--ink);
  border: 2px solid var(--sheet);
}
</style>
