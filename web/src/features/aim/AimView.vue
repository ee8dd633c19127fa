<script setup lang="ts">
import type { Place, SheetZone, Zone, ZoneAim } from "@/api";
import { SaveState, bodyOf, useStage, useUndoKeys, useVisit, wornOf } from "@/features/visit";
import { askFigure, askMarks } from "@/shared/ask";
import CheckField from "@/shared/CheckField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { ZONES, mirrored } from "@/shared/zones";
import { computed, ref } from "vue";
import { useI18n } from "vue-i18n";
import AimFigure from "./AimFigure.vue";
import PlaceField from "./PlaceField.vue";
import { sayPlace } from "./sayPlace";

const { t } = useI18n();
const { unit, say } = useUnit();
const visit = useVisit();
const document = useStage("aim");
useUndoKeys(document);
const aim = document.draft;
const zone = ref<Zone>(ZONES.find((name) => aim.value.zones[name]) ?? "left_side");
const locked = computed(() => !document.editable.value);

const reading = computed(() => bodyOf(visit.value, "read"));
const worn = computed(() => wornOf(visit.value));
const figure = useComputed(
  "figure",
  computed(() => ({
    reading: reading.value,
    worn: worn.value.worn,
    front_straight: worn.value.front_straight,
    climate: worn.value.climate,
  })),
  askFigure,
);
const marks = useComputed(
  "marks",
  computed(() => ({
    reading: reading.value,
    aim: aim.value,
    ...worn.value,
    unit: unit.value,
  })),
  askMarks,
);

const sameWish = (a: ZoneAim | undefined, b: ZoneAim | undefined) => JSON.stringify(a) === JSON.stringify(b);
const alike = ref(sameWish(aim.value.zones.left_side, aim.value.zones.right_side));
const other = computed(() => mirrored(zone.value));

function wish(name: Zone, next: ZoneAim | undefined) {
  const zones = { ...aim.value.zones };
  const twin = mirrored(name);
  for (const each of twin && alike.value ? [name, twin] : [name]) {
    if (next) zones[each] = JSON.parse(JSON.stringify(next)) as ZoneAim;
    else delete zones[each];
  }
  aim.value = { ...aim.value, zones };
}

const lands = computed<Place | null | undefined>({
  get: () => aim.value.zones[zone.value]?.lands,
  set: (place) => wish(zone.value, place ? { ...aim.value.zones[zone.value], lands: place } : undefined),
});
const shortest = computed<Place | null | undefined>({
  get: () => aim.value.zones[zone.value]?.shortest,
  set: (place) => {
    const now = aim.value.zones[zone.value];
    if (now) wish(zone.value, place ? { ...now, shortest: place } : { lands: now.lands });
  },
});
const land = (name: Zone, place: Place) => wish(name, { ...aim.value.zones[name], lands: place });

function setAlike(on: boolean) {
  alike.value = on;
  const now = aim.value.zones[zone.value];
  if (on && other.value && now) wish(zone.value, now);
}

/** One line all round: every zone whose hair hangs to that point. */
function everywhere() {
  const now = aim.value.zones[zone.value];
  if (!now || !figure.data.value) return;
  const zones = { ...aim.value.zones };
  for (const each of figure.data.value.zones) {
    const reaches = each.reaches.some((reach) => reach.point === now.lands.point);
    if (reaches && each.zone !== "fringe") zones[each.zone] = JSON.parse(JSON.stringify(now)) as ZoneAim;
  }
  aim.value = { ...aim.value, zones };
}

const ODDS = [5, 10, 20, 100] as const;
const odds = computed({
  get: () => String(Math.round(1 / aim.value.risk)),
  set: (value: string) => (aim.value = { ...aim.value, risk: 1 / Number(value) }),
});

/** A zone that is read in halves has two. */
const sheets = (name: Zone): SheetZone[] => marks.data.value?.zones.filter((z) => z.zone === name) ?? [];
const fault = (field: string) => {
  const said = document.faultAt(`zones.${zone.value}.${field}.below_mm`);
  return said ? t("field.fault", { said }) : undefined;
};

/** What keeps a wish from being computed although its zone is read. */
const contradiction = computed(() => {
  const found = sheets(zone.value)[0]?.missing.find(
    (m) => m.field.startsWith("aim.") && (m.problem.kind === "contradicts" || m.problem.kind === "longer_than"),
  );
  if (!found) return undefined;
  return found.problem.kind === "longer_than" ? t("aim.shortestLonger") : t("aim.aboveRoot");
});

/** How long it is worn now; of a zone that is read in halves, of each. */
function wornNow(name: Zone): string {
  const said = sheets(name).flatMap(({ present }) => (present ? [say(present.worn_mm)] : []));
  return said.length > 0 ? said.join(" · ") : "·";
}

function difference(name: Zone): string {
  if (!aim.value.zones[name]) return "";
  const said = sheets(name).map(({ result, present }) => {
    if (!present) return t("aim.notRead");
    if (!result) return t("aim.look");
    const mm = present.worn_mm - result.target_mm;
    if (mm > 0.5) return t("aim.shorter", { length: say(mm) });
    return mm < -0.5 ? t("aim.longer", { length: say(-mm) }) : t("aim.asItIs");
  });
  return [...new Set(said)].join(" · ");
}
</script>

<template>
  <div class="view">
    <h1 class="visually-hidden">{{ t("stage.aim") }}</h1>
    <SaveState :document="document" undoable />
    <section class="stack">
      <AimFigure
        v-if="figure.data.value"
        v-model:zone="zone"
        :figure="figure.data.value"
        :aim="aim"
        :marks="marks.data.value"
        :disabled="locked"
        @lands="land"
      />
      <p class="legend small">
        <span class="now">{{ t("aim.legend.now") }}</span>
        <span class="aim">{{ t("aim.legend.aim") }}</span>
        <span class="shortest">{{ t("aim.legend.shortest") }}</span>
      </p>
    </section>
    <section class="stack">
      <FailureNote v-if="marks.error.value" :error="marks.error.value" @again="marks.refetch()" />
      <div v-if="figure.data.value" class="sheet form">
        <h2>{{ t(`zone.${zone}`) }}</h2>
        <PlaceField
          v-model="lands"
          :label="t('aim.lands')"
          :zone="figure.data.value.zones.find((z) => z.zone === zone)!"
          :fault="fault('lands')"
          :disabled="locked"
        />
        <PlaceField
          v-model="shortest"
          optional
          :label="t('aim.shortest')"
          :zone="figure.data.value.zones.find((z) => z.zone === zone)!"
          :fault="fault('shortest')"
          :disabled="locked || !lands"
        />
        <p v-if="contradiction" class="caution" role="alert">{{ contradiction }}</p>
        <div class="row">
          <CheckField
            v-if="other"
            :model-value="alike"
            :label="t('aim.alike')"
            :disabled="locked"
            @update:model-value="setAlike"
          />
          <ElButton :disabled="locked || !lands" @click="everywhere">{{ t("aim.everywhere") }}</ElButton>
        </div>
      </div>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t("read.zone") }}</th>
            <th scope="col" class="figure">{{ t("aim.nowWorn") }}</th>
            <th scope="col">{{ t("aim.lands") }}</th>
            <th scope="col">{{ t("aim.means") }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="name in ZONES" :key="name" :class="{ here: name === zone }" @click="zone = name">
            <th scope="row">
              <button type="button" :aria-current="name === zone ? 'true' : undefined" @click.stop="zone = name">
                {{ t(`zone.${name}`) }}
              </button>
            </th>
            <td class="figure">{{ wornNow(name) }}</td>
            <td class="wish">{{ aim.zones[name] ? sayPlace(aim.zones[name]!.lands, unit, t) : "" }}</td>
            <td>{{ difference(name) }}</td>
          </tr>
        </tbody>
      </table>
      <div>
        <ChoiceRow
          v-model="odds"
          :disabled="locked"
          :label="t('aim.risk')"
          :choices="ODDS.map((n) => ({ value: String(n), label: t('aim.oneIn', { n }) }))"
        />
        <p class="soft small">{{ t("aim.riskHint") }}</p>
      </div>
      <p>
        <RouterLink class="onward" :to="{ name: 'mark' }">{{ t("aim.onward") }}</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 24px 36px;
  max-width: 1480px;
  margin: 0 auto;
  padding: 16px 24px 48px;
}

section {
  gap: 12px;
}

.form {
  padding: 12px 20px;
  display: grid;
  gap: 10px;
}

h2 {
  font-size: 1.6rem;
}

th,
td {
  border-bottom: 1px solid var(--line);
  height: 37px;
  padding: 0 12px 0 0;
}

thead th {
  font-size: 0.9rem;
  color: var(--ink-soft);
}

.figure {
  text-align: right;
  white-space: nowrap;
}

th button {
  white-space: nowrap;
}

.wish {
  color: var(--aim);
  font-weight: 600;
}

tbody tr {
  cursor: pointer;
}

.here {
  box-shadow: inset 5px 0 0 var(--ink);
  background: var(--sheet);
}

button:not(.el-button) {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
  min-height: 37px;
  width: 100%;
  padding: 0 8px 0 14px;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  justify-content: center;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 30px;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 3px solid var(--now);
}

.legend .aim::before {
  border-top: 3px dashed var(--aim);
}

.legend .shortest::before {
  border-top: 2px dotted var(--aim);
}

.onward {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 650;
}

@media (max-width: 1000px) {
  .view {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
