<script setup lang="ts">
/** What the instruments are doing: what is asked for next, what just came and where it went, and who is out of reach. */
import FoldPart from "@/shared/FoldPart.vue";
import type { Device, Patch, TakenField } from "@/api";
import { isFigure, sayFigure } from "@/shared/figures";
import { sayPatch } from "@/shared/patches";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t, te } from "@/shared/words";
import BatteryMark from "./BatteryMark.vue";
import StandIns from "./StandIns.vue";
import type { Intake } from "./useIntake";

const props = defineProps<{ intake: Intake; patch: Patch; disabled: boolean }>();
const { say } = useUnit();
const { instruments, last, late, refusal, next } = props.intake;
const { mine, elsewhere, devices, joined, said, standIn } = instruments;

/** A battery this full or less is said. */
const LOW_PCT = 10;

const figure = (field: TakenField, value: number | string) =>
  isFigure(field) && !te(`instruments-figure-${field}`)
    ? sayFigure(field, value, say)
    : t(`instruments-figure-${field}`, { value });
/** What stood there before the newest value. */
const before = computed(() => {
  const field = last.value?.field;
  const was = field && isFigure(field) && field !== "moisture" ? last.value?.before.read?.[field] : undefined;
  return was ?? undefined;
});
const labelOf = (id: string) => devices.value.find((device) => device.id === id)?.label ?? id;
const unheard = computed(() => mine.value.filter((device) => device.reach !== "ready"));
const low = (device: Device) => device.battery_pct <= LOW_PCT;
</script>

<template>
  <section v-if="instruments.known.value" class="strip" :aria-label="t('instruments-title')">
    <div class="line" aria-live="polite">
      <p v-if="!joined" class="warning">{{ t("instruments-lost") }}</p>
      <p v-else-if="mine.length + elsewhere.length === 0" class="soft">{{ t("instruments-none") }}</p>
      <template v-else>
        <p v-if="mine.length > 0" class="next">
          <b>{{ sayPatch(patch) }}</b>
          <span>{{ next ? t(`instruments-next-${next}`) : t("instruments-done") }}</span>
        </p>
        <p v-if="elsewhere.length > 0" class="warning">
          {{ t("instruments-elsewhere", { labels: elsewhere.map(({ label }) => label).join(", ") }) }}
        </p>
        <p v-for="device in unheard" :key="device.id" class="warning">
          {{ t(`instruments-reach-${device.reach}`, { label: device.label }) }}
        </p>
      </template>
      <p v-if="refusal" class="warning" data-testid="refusal">
        {{
          refusal.said === undefined
            ? t("instruments-waits", { label: labelOf(refusal.device) })
            : t("instruments-refused", { label: labelOf(refusal.device), said: refusal.said })
        }}
      </p>
      <p v-else-if="said" class="warning">{{ said }}</p>
      <p v-else-if="last" class="last" data-testid="last">
        {{
          t("instruments-last", {
            label: labelOf(last.device),
            figure: figure(last.field, last.value),
            was: before === undefined ? "" : t("instruments-was", { figure: figure(last.field, before) }),
            place: t(`instruments-place-${last.field}`, { zone: sayPatch(last.patch) }),
          })
        }}
        <ElButton size="small" :disabled="disabled" @click="intake.back()">{{ t("instruments-back") }}</ElButton>
      </p>
    </div>
    <ul v-if="mine.length > 0" class="mine">
      <li v-for="device in mine" :key="device.id" :class="device.reach">
        <span>{{ device.label }}</span>
        <BatteryMark :pct="device.battery_pct" />
        <span v-if="low(device)" class="warning small">{{ t("instruments-low") }}</span>
      </li>
    </ul>
    <ul v-if="late.length > 0" class="late">
      <li v-for="(value, i) in late" :key="i">
        <span>{{
          t("instruments-late", {
            label: labelOf(value.device),
            value: Math.round(value.measured.value * 100) / 100,
            unit: value.measured.unit,
          })
        }}</span>
        <ElButton :disabled="disabled" @click="intake.settle(i, true)">
          {{ t("instruments-takeLate", { zone: sayPatch(patch) }) }}
        </ElButton>
        <ElButton @click="intake.settle(i, false)">{{ t("instruments-dropLate") }}</ElButton>
      </li>
    </ul>
    <FoldPart v-if="joined" :title="t('instruments-choose')">
      <ul class="all">
        <li v-for="device in devices" :key="device.id">
          <ElCheckbox
            :model-value="mine.includes(device) || elsewhere.includes(device)"
            @update:model-value="instruments.listen(device.id, Boolean($event))"
          >
            <b>{{ device.label }}</b>
            <span class="soft">{{ t(`instruments-kind-${device.kind}`) }}</span>
          </ElCheckbox>
          <span class="soft small">
            {{ device.kind === "scope" ? "" : t("instruments-setTo", { unit: device.unit }) }}
            {{ t("instruments-battery", { pct: Math.round(device.battery_pct) }) }}
          </span>
          <ElButton
            v-if="mine.includes(device) && device.kind !== 'scope' && device.kind !== 'room'"
            @click="instruments.send({ type: 'zero', device: device.id })"
          >
            {{ t("instruments-zero") }}
          </ElButton>
        </li>
      </ul>
      <StandIns v-if="standIn" :instruments="instruments" :patch="patch" />
    </FoldPart>
  </section>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 24px;
  padding: 10px 16px;
  background: var(--sunk);
  border-radius: var(--radius);
}

.line {
  display: grid;
  gap: 4px;
  align-content: center;
}

/* While nothing is paired, pairing stands beside the line that says so. */
.line + details:not([open]) {
  grid-column: 2;
}

.next {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  font: 650 1.35rem/1.2 var(--display);
}

.next b {
  font-weight: 750;
}

.next span {
  color: var(--ink-soft);
}

.warning {
  color: var(--warn);
  font-weight: 650;
}

.warning::before {
  content: "▲ ";
  font-size: 0.75em;
}

ul {
  list-style: none;
  padding: 0;
}

.mine {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-content: start;
  justify-content: flex-end;
  padding-top: 4px;
}

.mine li {
  display: flex;
  align-items: center;
  gap: 8px;
}

.mine .away,
.mine .off {
  text-decoration: line-through;
  color: var(--ink-soft);
}

.late,
details {
  grid-column: 1 / -1;
}

.late li,
.all li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 4px 0;
}

.all label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
  min-width: 300px;
  cursor: pointer;
}

.all label > span {
  display: grid;
}

input {
  width: 22px;
  height: 22px;
  accent-color: var(--ink);
}

.last button {
  font: inherit;
  font-weight: 600;
  min-height: 44px;
  margin-left: 8px;
  padding: 2px 14px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  cursor: pointer;
}

@media (max-width: 960px) {
  .strip {
    grid-template-columns: minmax(0, 1fr);
  }

  .mine {
    justify-content: flex-start;
  }
}
</style>
