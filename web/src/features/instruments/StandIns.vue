<script setup lang="ts">
/** Plays the hand on instruments that aren't there: where no real ones are, everything can be tried all the same. */
import ChoiceField from "@/shared/ChoiceField.vue";
import type { Device, Patch } from "@/api";
import { sayPatch, zoneOf } from "@/shared/patches";
import { t } from "@/shared/words";
import type { Instruments } from "./useInstruments";

const props = defineProps<{ instruments: Instruments; patch: Patch }>();
const { mine, send } = props.instruments;

const UNITS: { [kind: string]: readonly string[] } = {
  comb: ["mm", "cm", "in"],
  gauge: ["µm", "mm"],
  meter: ["g/g", "%"],
  room: ["°C", "°F"],
};
const press = (device: Device, part: { pulled?: boolean; long?: boolean }) =>
  send({ type: "press", device: device.id, zone: zoneOf(props.patch), pulled: false, long: false, ...part });
const set = (device: Device, part: { reach?: Device["reach"]; unit?: string }) =>
  send({ type: "set", device: device.id, ...part });
</script>

<template>
  <fieldset v-if="mine.length > 0" class="stand-ins">
    <legend>{{ t("instruments-standIns") }}</legend>
    <p class="soft small">{{ t("instruments-standInsHint", { zone: sayPatch(patch) }) }}</p>
    <ul>
      <li v-for="device in mine" :key="device.id">
        <b>{{ device.label }}</b>
        <template v-if="device.kind === 'comb'">
          <ElButton @click="press(device, { pulled: true })">{{ t("instruments-pull") }}</ElButton>
          <ElButton @click="press(device, {})">{{ t("instruments-letGo") }}</ElButton>
        </template>
        <ElButton v-else @click="press(device, {})">{{ t("instruments-press") }}</ElButton>
        <ElButton @click="press(device, { long: true })">{{ t("instruments-long") }}</ElButton>
        <ElButton v-if="device.reach === 'ready'" @click="set(device, { reach: 'away' })">
          {{ t("instruments-away") }}
        </ElButton>
        <ElButton v-else @click="set(device, { reach: 'ready' })">{{ t("instruments-ready") }}</ElButton>
        <ChoiceField
          v-if="UNITS[device.kind]"
          hide-label
          :model-value="device.unit"
          :label="t('instruments-unitOf', { label: device.label })"
          :choices="UNITS[device.kind]!.map((unit) => ({ value: unit, label: unit }))"
          @update:model-value="set(device, { unit: $event })"
        />
      </li>
    </ul>
  </fieldset>
</template>

<style scoped>
.stand-ins {
  margin-top: 10px;
  padding: 10px 14px;
  border: 1px dashed var(--line-strong);
  border-radius: var(--radius);
}

legend {
  padding: 0 6px;
}

ul {
  list-style: none;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}

b {
  min-width: 84px;
}

select {
  width: auto;
}
</style>
