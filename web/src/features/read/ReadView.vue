<script setup lang="ts">
import { contract, type Landmark, type Patch, type RawZoneReading, type SpotKind } from "@/api";
import { InstrumentStrip, useIntake } from "@/features/instruments";
import { SaveState, hairQuestion, uncutQuestion, useStage, useUndoKeys, useVisit } from "@/features/visit";
import { askFigure, askNow, askSummary } from "@/shared/ask";
import CautionList from "@/shared/CautionList.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { halfOf, isPatch, patchesOf, zoneOf, type ZoneReadings } from "@/shared/patches";
import { copy } from "@/shared/plain";
import { useUnit } from "@/shared/unit";
import { useComputed } from "@/shared/useComputed";
import { computed, nextTick, onMounted, ref, watch } from "vue";
import { t } from "@/shared/words";
import CsvIntake from "./CsvIntake.vue";
import GirthLadder from "./GirthLadder.vue";
import HairNow from "./HairNow.vue";
import HeadForm from "./HeadForm.vue";
import HeadMap from "./HeadMap.vue";
import PatchForm from "./PatchForm.vue";
import SinceLast from "./SinceLast.vue";
import SpotList from "./SpotList.vue";
import SurfaceForm from "./SurfaceForm.vue";
import TapeMeasures from "./TapeMeasures.vue";
import CombList from "./CombList.vue";
import WornShape from "./WornShape.vue";
import WhoMeasured from "./WhoMeasured.vue";
import ZoneForm from "./ZoneForm.vue";
import ZoneTable from "./ZoneTable.vue";
import { firstOpen, firstStep, neighbour, walk, type Pass, type Step } from "./walk";
import { plainWords } from "./plainWords";
import { SHOWN, type Shown } from "./shade";

const { say } = useUnit();
const visit = useVisit();
const document = useStage("read");
useUndoKeys(document);
const reading = document.draft;
const zones = computed<ZoneReadings>(() => reading.value.zones ?? {});

const summary = useComputed(
  "summary",
  computed(() => reading.value),
  askSummary,
);
const measures = computed(() => reading.value.measures ?? {});
/** For drawing the head alone: what is felt of it, and which zones are read in halves, but no hair. */
const head = computed(() => {
  const halves = Object.keys(zones.value).filter((key) => halfOf(key as Patch));
  const read = Object.fromEntries(halves.map((key) => [key, {}]));
  return { reading: { measures: measures.value, skull: reading.value.skull, zones: read } };
});
const figure = useComputed("figure", head, askFigure);

/** Drawn while at least one zone is read. */
const whole = computed(() => hairQuestion(visit.value, reading.value));
const now = useComputed("now", whole, askNow, 400);
/** The same head, to be drawn. */
const drawn = computed(() => uncutQuestion(visit.value, reading.value));

const pass = ref<Pass>("dry");
const passes = computed(() => (["dry", "wet"] as const).map((value) => ({ value, label: t(`read-pass-${value}`) })));
const patch = ref<Patch>(firstOpen(zones.value, "dry"));
watch(pass, (now) => goTo(firstOpen(zones.value, now)));
/** A half that is put together again, or was never made once an edit is undone, has no form. */
watch(
  () => patchesOf(zones.value),
  (all) => {
    if (!all.includes(patch.value)) patch.value = all.find((known) => zoneOf(known) === zoneOf(patch.value))!;
  },
);
const intake = useIntake(reading, patch, pass, document.editable);
const form = ref<InstanceType<typeof ZoneForm>>();
/** The kind of weak spot that is put on the head by pressing where it is. */
const putting = ref<SpotKind>();
function putMark(at: Landmark) {
  if (!putting.value || !document.editable.value) return;
  reading.value.spots = [...(reading.value.spots ?? []), { ...copy(contract.spot), kind: putting.value, at }];
  putting.value = undefined;
}
/** The part of the reading that is open below the head. */
const part = ref("head");
/** What the head shows by its numbers. */
const show = ref<Shown>("shrinkage");
const shows = computed(() => SHOWN.map((value) => ({ value, label: t(`read-shows-${value}`) })));
const words = computed(() => (summary.data.value ? plainWords(summary.data.value, say) : []));
const faults = computed(() => document.faults.value);
const faultAt = (field: string) => {
  const said = document.faultAt(field);
  return said ? t("field-fault", { said }) : undefined;
};

const write = (next: ZoneReadings) => (reading.value.zones = next as typeof reading.value.zones);

/** Figures of a table stand in for those there are; what the table doesn't say stays, but for zones that it halves otherwise. */
function takeOver(table: { [patch: string]: RawZoneReading }) {
  const named = Object.keys(table).filter(isPatch);
  const other = (name: string) => isPatch(name) && named.some((known) => zoneOf(known) === zoneOf(name));
  const kept = Object.entries(zones.value).filter(([name]) => !other(name) || patchesOf(table).includes(name as Patch));
  const taken = Object.entries(table).map(([name, read]) => [name, { ...zones.value[name], ...read }]);
  write(Object.fromEntries([...kept, ...taken]));
}

async function go(step: Step, by: 1 | -1) {
  const to = walk(zones.value, pass.value, { patch: patch.value, step }, by);
  patch.value = to.patch;
  await nextTick();
  form.value?.focus(to.step);
}

/** Whoever arrives with a keyboard types at once; on a screen that is touched a keyboard would cover what is read. */
onMounted(() => {
  const typing = matchMedia("(pointer: fine)").matches;
  if (typing && document.editable.value && !window.document.activeElement?.matches("input, textarea"))
    void goTo(patch.value);
});

async function goTo(to: Patch) {
  patch.value = to;
  await nextTick();
  form.value?.focus(zones.value[to]?.like ? "stretched_mm" : firstStep(pass.value));
}
</script>

<template>
  <div
    class="read"
    @keydown.alt.up.prevent="goTo(neighbour(zones, patch, -1))"
    @keydown.alt.down.prevent="goTo(neighbour(zones, patch, 1))"
  >
    <h1 class="visually-hidden">{{ t("stage-read") }}</h1>
    <SaveState :document="document" undoable />
    <InstrumentStrip class="strip" :intake="intake" :patch="patch" :disabled="!document.editable.value" />
    <section class="stack">
      <HeadMap
        v-if="figure.data.value"
        :model-value="patch"
        :figure="figure.data.value"
        :summary="summary.data.value"
        :zones="zones"
        :marks="summary.data.value?.marks ?? []"
        :places="putting ? (summary.data.value?.landmarks ?? []) : []"
        :show="show"
        @place="putMark"
        @update:model-value="goTo"
      />
      <p v-if="putting" class="putting" role="status">
        {{ t("read-spotPutting", { what: t(`read-spotKinds-${putting}`) }) }}
        <ElButton @click="putting = undefined">{{ t("read-spotPutOff") }}</ElButton>
      </p>
      <div class="shows">
        <ChoiceRow v-model="show" hide-label :label="t('read-show')" :choices="shows" />
        <p class="soft small">{{ t(`read-showUnit-${show}`) }}</p>
      </div>
      <FailureNote v-if="summary.error.value" :error="summary.error.value" @again="summary.refetch()" />
      <div class="words">
        <h2>{{ t("read-inWords") }}</h2>
        <p v-for="(line, i) in words" :key="i">{{ line }}</p>
        <CautionList
          v-model="reading.noted"
          texts="cautions"
          :cautions="summary.data.value?.cautions ?? []"
          :disabled="!document.editable.value"
        />
      </div>
      <SinceLast :visit="visit.id" :version="document.version.value" />
      <ElTabs v-model="part" class="parts">
        <ElTabPane name="head" :label="t('read-tab-head')">
          <HeadForm v-model="reading" :fault-at="faultAt" :disabled="!document.editable.value" />
          <TapeMeasures v-model="reading.measures" :fault-at="faultAt" :disabled="!document.editable.value" />
        </ElTabPane>
        <ElTabPane name="spots" :label="t('read-tab-spots', { count: reading.spots?.length ?? 0 })">
          <SpotList
            v-model="reading.spots"
            v-model:putting="putting"
            :fault-at="faultAt"
            :disabled="!document.editable.value"
          />
        </ElTabPane>
        <ElTabPane name="shape" :label="t('read-tab-shape')">
          <GirthLadder
            v-model="reading.girths"
            :gathered="summary.data.value?.gathered"
            :fault-at="faultAt"
            :disabled="!document.editable.value"
          />
          <WornShape v-model="reading" :now="now.data.value" :fault-at="faultAt" :disabled="!document.editable.value" />
        </ElTabPane>
        <ElTabPane name="hand" :label="t('read-tab-hand')">
          <CombList v-model="reading.combs" :fault-at="faultAt" :disabled="!document.editable.value" />
          <SurfaceForm v-model="reading.surface" :fault-at="faultAt" :disabled="!document.editable.value" />
        </ElTabPane>
        <ElTabPane name="table" :label="t('read-tab-table')">
          <CsvIntake :disabled="!document.editable.value" @take="takeOver" />
        </ElTabPane>
      </ElTabs>
    </section>
    <section class="stack">
      <ZoneForm
        ref="form"
        v-model="zones[patch]"
        :patch="patch"
        :pass="pass"
        :summary="summary.data.value?.zones.find((z) => z.patch === patch)"
        :fault-at="faultAt"
        :disabled="!document.editable.value"
        @go="go"
      >
        <ChoiceRow v-model="pass" class="pass" hide-label :label="t('read-passOf')" :choices="passes" />
      </ZoneForm>
      <ZoneTable
        v-model="patch"
        :zones="zones"
        :pass="pass"
        :summary="summary.data.value"
        :faults="faults"
        @update:model-value="goTo"
      />
      <PatchForm
        :zones="zones"
        :patch="patch"
        :fault-at="faultAt"
        :disabled="!document.editable.value"
        @change="write"
      />
      <WhoMeasured :visit="visit.id" :version="document.version.value" :patch="patch" />
      <HairNow
        v-if="figure.data.value"
        v-model="reading.line"
        :figure="figure.data.value"
        :now="now.data.value"
        :question="drawn"
        :asked="whole !== undefined && !now.error.value"
        :fault-at="faultAt"
        :disabled="!document.editable.value"
      />
      <p class="next">
        <RouterLink class="onward" :to="{ name: 'aim' }">{{ t("read-onward") }}</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
.read {
  display: grid;
  grid-template-columns: minmax(0, 1.05fr) minmax(0, 1fr);
  gap: 24px 40px;
  max-width: 1400px;
  margin: 0 auto;
  padding: 16px 24px 48px;
}

.strip {
  grid-column: 1 / -1;
}

section {
  gap: 10px;
  min-width: 0;
}

section > * {
  min-width: 0;
}

.parts :deep(.el-tabs__item) {
  padding: 0 10px;
}

.parts :deep(.el-tabs__item:first-child) {
  padding-left: 0;
}

.putting {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  font-weight: 600;
}

.words {
  display: grid;
  gap: 6px;
}

.words p {
  max-width: 64ch;
}

.onward {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 650;
}

/* On a tablet the zone that is measured comes right under the map, and what it amounts to below the table. */
@media (max-width: 960px) {
  .read {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }

  .stack {
    display: contents;
  }

  .shows,
  .words,
  .since,
  .now,
  .parts,
  .next {
    order: 1;
  }
}

/* On a phone it comes before the map. */
@media (max-width: 640px) {
  .pass {
    order: 1;
    flex-basis: 100%;
  }

  .strip {
    order: -2;
  }

  .read :deep(.form) {
    order: -1;
  }
}
</style>
