<script setup lang="ts">
import type { FieldFault, Patch, ReadingSummary } from "@/api";
import { numberIn, signOf } from "@/shared/lengths";
import { patchesOf, sayPatch, type ZoneReadings } from "@/shared/patches";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { curlLine } from "./curlLine";
import type { Pass } from "./walk";

const props = defineProps<{
  zones: ZoneReadings;
  pass: Pass;
  summary: ReadingSummary | undefined;
  faults: readonly FieldFault[];
}>();
const patch = defineModel<Patch>({ required: true });
const { unit } = useUnit();

const length = (mm: number | null | undefined) => (typeof mm === "number" ? numberIn(unit.value, mm) : "·");
const summed = (name: Patch) => props.summary?.zones.find((z) => z.patch === name);
const percent = (name: Patch) => {
  const share = summed(name)?.shrinkage;
  return typeof share === "number" ? `${Math.round(share * 100)} %` : "";
};
const faulty = (name: Patch) => props.faults.some((fault) => fault.field.startsWith(`zones.${name}.`));
const width = (name: Patch) => {
  const read = props.zones[name];
  if (read?.width_um) return `${read.width_um} µm`;
  return read?.width_class ? t(`figureWord-width_class-${read.width_class}`) : "";
};
</script>

<template>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">{{ t("read-zone") }}</th>
          <th scope="col" class="figure">{{ t("read-stretchedIn", { unit: signOf(unit) }) }}</th>
          <th scope="col" class="figure">
            {{ t(pass === "wet" ? "read-wetIn" : "read-sprungIn", { unit: signOf(unit) }) }}
          </th>
          <th scope="col" class="figure">{{ t("read-shrinks") }}</th>
          <th scope="col" class="rest">{{ t("read-thickness") }}</th>
          <th scope="col" class="rest">{{ t("read-curl") }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="name in patchesOf(zones)" :key="name" :class="{ here: name === patch }" @click="patch = name">
          <th scope="row">
            <button type="button" :aria-current="name === patch ? 'true' : undefined" @click.stop="patch = name">
              {{ sayPatch(name) }}
              <span v-if="faulty(name)" class="warn">▲ {{ t("read-look") }}</span>
            </button>
          </th>
          <td class="figure">{{ length(zones[name]?.stretched_mm) }}</td>
          <td v-if="!zones[name]?.like" class="figure">
            {{ length(pass === "wet" ? zones[name]?.wet_sprung_mm : zones[name]?.sprung_mm) }}
          </td>
          <td v-else></td>
          <td class="figure">{{ percent(name) }}</td>
          <td v-if="!zones[name]?.like" class="rest">{{ width(name) }}</td>
          <td v-else class="soft rest">{{ t("read-like", { like: sayPatch(zones[name].like) }) }}</td>
          <td class="rest">
            <svg v-if="summed(name)?.loop_radius_mm" viewBox="0 0 84 26" width="84" height="24" aria-hidden="true">
              <path :d="curlLine(summed(name)!.loop_radius_mm!, summed(name)!.shrinkage ?? 0)" />
            </svg>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
th,
td {
  border-bottom: 1px solid var(--line);
  padding: 0 10px 0 0;
  height: 35px;
}

thead th {
  font-size: 0.9rem;
  color: var(--ink-soft);
  vertical-align: bottom;
}

.figure {
  text-align: right;
  padding-right: 18px;
}

tbody tr {
  cursor: pointer;
}

tbody tr:hover {
  background: var(--sheet);
}

.here {
  box-shadow: inset 5px 0 0 var(--ink);
  background: var(--sheet);
}

button {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
  min-height: 35px;
  width: 100%;
  padding: 0 8px 0 14px;
}

.warn {
  color: var(--warn);
  font-size: 0.85rem;
}

.scroll {
  overflow-x: auto;
}

/* On a phone the lengths: thickness and curl stand in the zone that is in hand. */
@media (max-width: 600px) {
  .rest {
    display: none;
  }

  .figure {
    padding-right: 8px;
  }
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-linecap: round;
}
</style>
