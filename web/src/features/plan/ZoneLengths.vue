<script setup lang="ts">
/** What a cut does in numbers: what comes off and where it is widest, and in a drawer each zone's worn lengths and the fullness by height. */
import { type Fall, type FallAnswer, zoneValues } from "@/api";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{ answer: FallAnswer; name: string }>();
const open = ref(false);
const { say } = useUnit();
const of = (fall: Fall, zone: string) => fall.zones.find((known) => known.zone === zone);

const grams = (zone: string) =>
  `${((of(props.answer.before, zone)?.mass_g ?? 0) - (of(props.answer.after, zone)?.mass_g ?? 0)).toFixed(1)} g`;

/** A height in words: people look for it from the ear. */
function place(mm: number): string {
  if (Math.abs(mm) < 5) return t("plan-atEar");
  return mm > 0 ? t("plan-above", { length: say(mm) }) : t("plan-below", { length: say(-mm) });
}

const WIDTH = 300;
const HEIGHT = 150;
/** Fullness as a line from the top of the head to the lowest end, in one scale of heights for both. */
const lines = computed(() => {
  const falls = [props.answer.before, props.answer.after];
  const highest = Math.max(...falls.map((fall) => fall.levels[0]?.height_mm ?? 0));
  const lowest = Math.min(...falls.map((fall) => fall.levels.at(-1)?.height_mm ?? 0));
  const most = Math.max(...falls.flatMap((fall) => fall.levels.map((level) => level.mass_g_per_mm)));
  return falls.map((fall) => {
    const points = fall.levels.map(({ height_mm, mass_g_per_mm }) => {
      const down = ((highest - height_mm) / (highest - lowest || 1)) * HEIGHT;
      return `${((mass_g_per_mm / (most || 1)) * WIDTH).toFixed(1)} ${down.toFixed(1)}`;
    });
    return `M0 0L${points.join("L")}L0 ${HEIGHT}`;
  });
});
</script>

<template>
  <div class="stack tight">
    <p class="mass figure-line">
      {{
        t("plan-mass", {
          grams: `${(answer.before.mass_g - answer.after.mass_g).toFixed(0)} g`,
          all: `${answer.before.mass_g.toFixed(0)} g`,
        })
      }}
    </p>
    <p>
      {{ t("plan-widest", { width: say(answer.after.width_mm), place: place(answer.after.widest_at_mm) }) }}
      <span class="soft">
        ({{ t("plan-widestWas", { width: say(answer.before.width_mm), place: place(answer.before.widest_at_mm) }) }})
      </span>
    </p>
    <p>
      <ElButton @click="open = true">{{ t("plan-allNumbers") }}</ElButton>
    </p>
    <ElDrawer v-model="open" append-to="#layers" size="min(480px, 100vw)" :title="name">
      <div class="stack tight">
        <p>{{ t("plan-strong", { place: place(answer.after.strong_to_mm) }) }}.</p>
        <p>{{ t("plan-seeThrough", { place: place(answer.after.see_through_below_mm) }) }}.</p>
        <table>
          <caption class="visually-hidden">
            {{
              t("plan-numbers")
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ t("plan-zone") }}</th>
              <th scope="col" class="figure">{{ t("plan-now") }}</th>
              <th scope="col" class="figure">{{ t("plan-after") }}</th>
              <th scope="col" class="figure">{{ t("plan-shortest") }}</th>
              <th scope="col" class="figure">{{ t("plan-zoneOff") }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="zone in zoneValues" :key="zone">
              <th scope="row">{{ t(`zone-${zone}`) }}</th>
              <td class="figure">{{ say(of(answer.before, zone)?.worn_mm ?? 0) }}</td>
              <td class="figure after">{{ say(of(answer.after, zone)?.worn_mm ?? 0) }}</td>
              <td class="figure">{{ say(of(answer.after, zone)?.shortest_worn_mm ?? 0) }}</td>
              <td class="figure">{{ grams(zone) }}</td>
            </tr>
          </tbody>
        </table>
        <h3>{{ t("plan-fullness") }}</h3>
        <svg :viewBox="`-2 -2 ${WIDTH + 4} ${HEIGHT + 4}`" role="img" :aria-label="t('plan-fullness')">
          <path class="was" :d="lines[0]" />
          <path class="is" :d="lines[1]" />
        </svg>
      </div>
    </ElDrawer>
  </div>
</template>

<style scoped>
.tight {
  gap: 8px;
}

.mass {
  font: 650 1.3rem/1.2 var(--display);
}

th,
td {
  border-bottom: 1px solid var(--line);
  height: 33px;
  padding: 0 10px 0 0;
}

thead th {
  font-size: 0.88rem;
  color: var(--ink-soft);
}

.figure {
  text-align: right;
  white-space: nowrap;
}

.after {
  color: var(--forecast);
  font-weight: 650;
}

svg {
  width: 100%;
  display: block;
}

.was {
  fill: none;
  stroke: var(--now);
  stroke-width: 1.5;
}

.is {
  fill: var(--forecast-band);
  stroke: var(--forecast);
  stroke-width: 2;
}
</style>
