<script setup lang="ts">
import type { Cut, Move } from "@/api";
import { SaveState, bodyOf, useStage, useUndoKeys, useVisit } from "@/features/visit";
import { askCuts, askFall, askFigure } from "@/shared/ask";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import FailureNote from "@/shared/FailureNote.vue";
import LengthField from "@/shared/LengthField.vue";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { ZONES } from "@/shared/zones";
import { useQuery } from "@tanstack/vue-query";
import { computed, ref } from "vue";
import { useI18n } from "vue-i18n";
import FallFigure from "./FallFigure.vue";
import MoveForm from "./MoveForm.vue";
import ZoneLengths from "./ZoneLengths.vue";
import { VIEWS, frame, spread, type View } from "./fallDrawing";
import { changed, doubled, swapped, without } from "./moves";

/** The fall follows while the hand is still moving, ms. */
const REST_MS = 30;

const { t } = useI18n();
const { unit, say } = useUnit();
const visit = useVisit();
const document = useStage("plan");
useUndoKeys(document);
const plan = document.draft;
const locked = computed(() => !document.editable.value);
const open = ref(0);

const reading = computed(() => bodyOf(visit.value, "read"));
const isRead = computed(() =>
  ZONES.some((z) => reading.value.zones?.[z]?.stretched_mm && reading.value.zones[z]?.sprung_mm),
);
const question = computed(() =>
  isRead.value
    ? {
        reading: reading.value,
        worn: bodyOf(visit.value, "talk").worn,
        plan: plan.value,
        show_move: open.value,
        unit: unit.value,
      }
    : undefined,
);
const fall = useComputed("fall", question, askFall, REST_MS);
const figure = useComputed(
  "figure",
  computed(() => reading.value.measures ?? {}),
  askFigure,
);
const cuts = useQuery({ queryKey: ["cuts"], queryFn: askCuts, staleTime: Infinity });

const moves = computed(() => plan.value.cut.moves);
const put = (cut: Cut) => (plan.value = { ...plan.value, cut });
const change = (at: number, how: (move: Move) => void) => put(changed(plan.value.cut, at, how));

function begin(event: Event) {
  const select = event.target as HTMLSelectElement;
  const found = cuts.data.value?.find((each) => each.key === select.value);
  select.value = "";
  if (!found) return;
  open.value = 0;
  put(JSON.parse(JSON.stringify(found.cut)) as Cut);
}

function move(at: number, by: -1 | 1) {
  put(swapped(plan.value.cut, at, by));
  open.value = at + by;
}

/** Sections of a move that are drawn: more of them hide each other. */
const SHOWN = 5;
const FELT = { flat: -0.8, ordinary: 0, full: 0.8 } as const;
type FeltName = keyof typeof FELT;
const occiput = computed<FeltName>({
  get: () =>
    (plan.value.felt?.occiput ?? 0) < -0.3 ? "flat" : (plan.value.felt?.occiput ?? 0) > 0.3 ? "full" : "ordinary",
  set: (name) => (plan.value = { ...plan.value, felt: { crown: 0, ...plan.value.felt, occiput: FELT[name] } }),
});
const PARTS = { left: 25, centre: 0, right: -25 } as const;
type PartName = keyof typeof PARTS;
const part = computed<PartName>({
  get: () => ((plan.value.part?.left_mm ?? 0) > 5 ? "left" : (plan.value.part?.left_mm ?? 0) < -5 ? "right" : "centre"),
  set: (name) => (plan.value = { ...plan.value, part: { left_mm: PARTS[name] } }),
});
const density = computed<number | undefined>({
  get: () => plan.value.hairs_per_cm2,
  set: (value) => {
    if (value !== undefined) plan.value = { ...plan.value, hairs_per_cm2: value };
  },
});
const named = <T extends string>(names: Record<T, number>, key: string) =>
  (Object.keys(names) as T[]).map((value) => ({ value, label: t(`plan.${key}.${value}`) }));

const fault = (field: string) => {
  const said = document.faultAt(field);
  return said ? t("field.fault", { said }) : undefined;
};
const sections = computed(() => spread(fall.data.value?.moves[open.value]?.sections ?? [], SHOWN));
const view = computed(() => fall.data.value && frame([fall.data.value.before, fall.data.value.after], sections.value));
const said = (name: View) => {
  const after = fall.data.value!.after;
  return t("plan.viewLabel", {
    view: t(`plan.view.${name}`),
    width: say(after.width_mm),
    height: say(after.widest_at_mm),
    lowest: say(after.lowest_mm),
  });
};
function does(at: number): string {
  const report = fall.data.value?.moves[at];
  if (!report || moves.value[at]?.off) return "";
  if (report.cut_share === 0) return t("plan.doesNothing");
  return t("plan.does", { share: `${Math.round(100 * report.share)} %`, grams: `${report.taken_g.toFixed(0)} g` });
}
const file = computed(
  () => `data:application/json;charset=utf-8,${encodeURIComponent(`${JSON.stringify(plan.value.cut, null, 2)}\n`)}`,
);
</script>

<template>
  <div class="view">
    <h1 class="visually-hidden">{{ t("stage.plan") }}</h1>
    <SaveState :document="document" undoable />
    <section class="stack">
      <div>
        <label for="begin">{{ t("plan.start") }}</label>
        <select id="begin" :disabled="locked" @change="begin">
          <option value="">{{ t("plan.choose") }}</option>
          <option v-for="each in cuts.data.value" :key="each.key" :value="each.key">{{ each.cut.name }}</option>
        </select>
        <p v-if="plan.cut.name" class="small">
          <b>{{ plan.cut.name }}</b>. <span class="soft">{{ plan.cut.purpose }}</span>
        </p>
        <p v-else class="soft small">{{ t("plan.empty") }}</p>
      </div>
      <h2>{{ t("plan.moves") }}</h2>
      <ol class="moves">
        <li v-for="(each, i) in moves" :key="i" :class="{ here: i === open, off: each.off }">
          <button type="button" class="title" :aria-expanded="i === open" @click="open = i">
            <b>{{ i + 1 }}. {{ fall.data.value?.words[i]?.title ?? each.name }}</b>
            <small>{{ does(i) }}</small>
          </button>
          <template v-if="i === open">
            <p class="words">{{ fall.data.value?.words[i]?.text }}</p>
            <MoveForm
              :move="each"
              :report="fall.data.value?.moves[i]"
              :points="figure.data.value?.points.map((p) => p.point) ?? []"
              :fault-at="(field) => fault(`cut.moves.${i}.${field}`)"
              :disabled="locked"
              @change="(how) => change(i, how)"
            />
            <div class="row acts">
              <ElButton :disabled="locked" @click="change(i, (m) => (m.off = !m.off))">
                {{ each.off ? t("plan.on") : t("plan.off") }}
              </ElButton>
              <ElButton :disabled="locked || i === 0" @click="move(i, -1)">{{ t("plan.up") }}</ElButton>
              <ElButton :disabled="locked || i === moves.length - 1" @click="move(i, 1)">{{ t("plan.down") }}</ElButton>
              <ElButton :disabled="locked" @click="put(doubled(plan.cut, i))">{{ t("plan.copy") }}</ElButton>
              <ElButton :disabled="locked" @click="put(without(plan.cut, i))">{{ t("plan.remove") }}</ElButton>
            </div>
          </template>
        </li>
      </ol>
      <details>
        <summary>{{ t("plan.head") }}</summary>
        <div class="stack">
          <ChoiceRow v-model="occiput" :label="t('plan.occiput')" :choices="named(FELT, 'felt')" :disabled="locked" />
          <ChoiceRow v-model="part" :label="t('plan.part')" :choices="named(PARTS, 'partAt')" :disabled="locked" />
          <LengthField
            v-model="density"
            :label="t('plan.density')"
            sign="1/cm²"
            :fault="fault('hairs_per_cm2')"
            :disabled="locked"
          />
        </div>
      </details>
    </section>
    <section class="stack">
      <p v-if="!isRead" class="caution">{{ t("plan.notRead") }}</p>
      <FailureNote v-if="fall.error.value" :error="fall.error.value" @again="fall.refetch()" />
      <template v-if="fall.data.value && figure.data.value && view">
        <h2 class="visually-hidden">{{ t("plan.views") }}</h2>
        <div class="views">
          <FallFigure
            v-for="name in VIEWS"
            :key="name"
            :view="name"
            :figure="figure.data.value"
            :before="fall.data.value.before"
            :after="fall.data.value.after"
            :sections="sections"
            :frame="view"
            :label="said(name)"
          />
        </div>
        <p class="legend small">
          <span class="now">{{ t("plan.legend.now") }}</span>
          <span class="after">{{ t("plan.legend.after") }}</span>
          <span class="section">{{ t("plan.legend.section") }}</span>
        </p>
      </template>
      <p v-else-if="isRead && !fall.error.value" class="soft" aria-live="polite">{{ t("plan.slow") }}</p>
    </section>
    <section class="stack">
      <template v-if="fall.data.value">
        <h2>{{ t("plan.falls") }}</h2>
        <ZoneLengths :answer="fall.data.value" />
        <p class="row">
          <a class="file" :href="file" download="cut.json">{{ t("plan.save") }}</a>
          <RouterLink class="onward" :to="{ name: 'mark' }">{{ t("plan.onward") }}</RouterLink>
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: minmax(300px, 0.9fr) minmax(0, 1.6fr) minmax(270px, 0.9fr);
  gap: 20px 24px;
  max-width: 1560px;
  margin: 0 auto;
  padding: 14px 24px 48px;
}

section {
  gap: 10px;
  min-width: 0;
}

/* What a change does stays in sight while the moves are scrolled. */
section + section {
  position: sticky;
  top: 8px;
  align-self: start;
}

.moves {
  list-style: none;
  border-top: 1px solid var(--line);
}

.moves li {
  border-bottom: 1px solid var(--line);
  padding: 0 0 0 10px;
}

.moves li.here {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--ink);
  padding: 0 12px 12px 16px;
}

.off .title b {
  text-decoration: line-through;
  color: var(--ink-soft);
}

.title {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  width: 100%;
  min-height: 48px;
  text-align: left;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  cursor: pointer;
}

.title small {
  color: var(--ink-soft);
  text-align: right;
}

.words {
  font-size: 0.95rem;
  line-height: 1.45;
}

.acts {
  gap: 6px;
}

.acts :deep(.el-button) {
  padding: 6px 12px;
  min-height: 40px;
  font-size: 0.92rem;
}

summary {
  cursor: pointer;
  min-height: 44px;
  padding-top: 10px;
  font: 600 1.05rem var(--display);
}

.views {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 26px;
  height: 0;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 2px solid var(--now);
}

.legend .after::before {
  height: 12px;
  border: 2px solid var(--forecast);
  background: var(--forecast-band);
}

.legend .section::before {
  border-top: 3px dashed var(--aim);
}

.onward {
  font-weight: 650;
}

@media (max-width: 1000px) {
  .view {
    grid-template-columns: minmax(0, 1fr);
  }

  section + section {
    position: static;
  }
}
</style>
