<script setup lang="ts">
/** Every state in one picture: where hair cut at its mark will land, against the wish. */
import type { HeldState, ZoneMark } from "@/api";
import { onComb, signOf } from "@/shared/lengths";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";
import { keyOf, sameState } from "./states";

const props = defineProps<{ zone: ZoneMark; shown: HeldState }>();
defineEmits<{ choose: [state: HeldState] }>();
const { unit, say } = useUnit();

const scale = computed(() => {
  const highs = props.zone.states.map((s) => s.mark?.lands_high_mm ?? 0);
  const lows = props.zone.states.map((s) => s.mark?.lands_low_mm ?? Infinity);
  const low = Math.max(0, Math.min(props.zone.target_mm, ...lows) - 6);
  const high = Math.max(props.zone.target_mm, ...highs) + 6;
  return (mm: number) => `${(100 * (mm - low)) / (high - low)}%`;
});
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">{{ t("chart-state") }}</th>
        <th scope="col" class="figure">{{ t("chart-mark", { unit: signOf(unit) }) }}</th>
        <th scope="col" class="figure">{{ t("chart-extra") }}</th>
        <th scope="col" class="wide">{{ t("chart-lands") }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in zone.states" :key="keyOf(row.state)" :class="{ here: sameState(row.state, shown) }">
        <th scope="row">
          <button type="button" @click="$emit('choose', row.state)">
            {{ t(`states-${keyOf(row.state)}`) }}<span v-if="sameState(row.state, zone.advised)"> ✓</span>
          </button>
        </th>
        <td class="figure">{{ row.mark ? onComb(unit, row.mark.comb_mm) : "–" }}</td>
        <td class="figure">{{ row.mark ? say(row.mark.allowance_mm) : "–" }}</td>
        <td class="wide">
          <span v-if="row.mark" class="track">
            <span class="target" :style="{ left: scale(zone.target_mm) }"></span>
            <span
              class="band"
              :style="{
                left: scale(row.mark.lands_low_mm),
                right: `calc(100% - ${scale(row.mark.lands_high_mm)})`,
              }"
            ></span>
            <span class="visually-hidden">{{ say(row.mark.lands_low_mm) }} – {{ say(row.mark.lands_high_mm) }}</span>
          </span>
          <span v-else class="soft small">{{ t("mark-verdict-unsure") }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
th,
td {
  border-bottom: 1px solid var(--line);
  height: 30px;
  padding: 0 12px 0 0;
}

thead th {
  font-size: 0.88rem;
  color: var(--ink-soft);
}

.figure {
  text-align: right;
  white-space: nowrap;
}

.wide {
  width: 100%;
  min-width: 120px;
}

@media (max-width: 600px) {
  th,
  td {
    padding-right: 6px;
  }

  .wide {
    min-width: 0;
  }

  .figure {
    white-space: normal;
  }

  button {
    white-space: normal;
  }
}

.here {
  box-shadow: inset 4px 0 0 var(--ink);
}

button {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  white-space: nowrap;
  padding: 0 0 0 10px;
  min-height: 30px;
  width: 100%;
  cursor: pointer;
}

button:hover {
  text-decoration: underline;
}

.track {
  position: relative;
  display: block;
  height: 16px;
}

.band {
  position: absolute;
  top: 3px;
  bottom: 3px;
  background: var(--forecast-band);
  border: 1.5px solid var(--forecast);
  border-radius: 3px;
}

.target {
  position: absolute;
  top: -4px;
  bottom: -4px;
  border-left: 2.5px dashed var(--aim);
}
</style>
