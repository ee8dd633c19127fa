<script setup lang="ts">
import { copy } from "@/shared/plain";
import type { Cure, Cut, FallRequest, Finding, Move, Proposal } from "@/api";
import { SaveState, bodyOf, hairQuestion, planQuestion, useStage, useUndoKeys, useVisit } from "@/features/visit";
import {
  askBrings,
  askCuts,
  askFall,
  askFigure,
  askHouseRules,
  askJudge,
  askPlan,
  askScene,
  askSections,
  askThresholds,
} from "@/shared/ask";
import { notify } from "@/shared/notify";
import ChoiceField from "@/shared/ChoiceField.vue";
import ClientEyes from "./ClientEyes.vue";
import EmptyState from "@/shared/EmptyState.vue";
import FoldPart from "@/shared/FoldPart.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { css } from "@/shared/hair/paint";
import { tonesOf } from "@/shared/hair/tones";
import { useLocks } from "@/shared/hair/useLocks";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { useQuery } from "@tanstack/vue-query";
import { omit } from "lodash-es";
import { useMediaQuery } from "@vueuse/core";
import { computed, defineAsyncComponent, ref, watch } from "vue";
import { t } from "@/shared/words";
import CutPicker from "./CutPicker.vue";
import FallColumn from "./FallColumn.vue";
import FallFigure from "./FallFigure.vue";
import GoalSliders from "./GoalSliders.vue";
import MoveForm from "./MoveForm.vue";
import OpenCut from "./OpenCut.vue";
import PlanProposals from "./PlanProposals.vue";
import { ALL_RULES, againRequest } from "./useProposals";
import ResultStrip from "./ResultStrip.vue";
import SaveFiles from "./SaveFiles.vue";
import { frame, spread, wishesOf } from "@/shared/fallDrawing";
import { squareOf } from "./frame";
import { added, changed, doubled, swapped, without } from "./moves";
import StepHead from "@/shared/StepHead.vue";
import StepWords from "./StepWords.vue";
import TalkAnswers from "./TalkAnswers.vue";
import WhatIf from "./WhatIf.vue";
import { leversOf } from "./whatIf";
import { AT_ONCE, numbered } from "./findings";
import { faultsOfSteps } from "./faultsOfSteps";
import { useBeside } from "./useBeside";
import { MOVE_KINDS, newMove, wayOf, type MoveKindName } from "./how";

/** Drawing in space is large: it is fetched once the rest stands. */
const HeadSpace = defineAsyncComponent(() => import("./HeadSpace.vue"));

/** The fall follows while the hand is still moving, the scene when it rests, ms. */
const FOLLOW_MS = 60;
const SPACE_REST_MS = 900;

const { unit, say, tell, tellFailure } = useUnit();
const visit = useVisit();
const document = useStage("plan");
useUndoKeys(document);
const plan = document.draft;
const narrow = useMediaQuery("(max-width: 700px)");
const locked = computed(() => !document.editable.value);
const open = ref(0);
/** The section that is shown alone; some of all where none is chosen. */
const section = ref<number>();
watch(open, () => (section.value = undefined));

const reading = computed(() => bodyOf(visit.value, "read"));
const thresholds = useQuery({ queryKey: ["thresholds"], queryFn: askThresholds, staleTime: 60_000 });
const houseRules = useQuery({ queryKey: ["house-rules"], queryFn: askHouseRules, staleTime: 60_000 });
/** Plans wait for the rules of the house; where they can't be had, all rules hold. */
const rules = computed(() => houseRules.data.value ?? (houseRules.isError.value ? ALL_RULES : undefined));
const question = computed<FallRequest | undefined>(() => {
  const asked = planQuestion(visit.value, plan.value, thresholds.data.value);
  return asked && { ...asked, show_move: open.value, unit: unit.value };
});
const known = computed(() => question.value !== undefined);
const fall = useComputed("fall", question, askFall, FOLLOW_MS, true);
const steps = computed(() => fall.data.value?.steps ?? []);
const figure = useComputed(
  "figure",
  computed(() => ({ reading: { measures: reading.value.measures ?? {} } })),
  askFigure,
);
const head = computed(() => hairQuestion(visit.value));
/** Sections that have names lie on the head, whatever the cut. */
const namedSections = useComputed("sections", head, askSections, SPACE_REST_MS);
const cuts = useQuery({ queryKey: ["cuts"], queryFn: askCuts, staleTime: Infinity });

const house = computed(() => cuts.data.value ?? []);
const beside = useBeside(question, house, FOLLOW_MS);
/** What is found is looked into once the hand rests: that takes hundreds of cuts. What is shown of a step changes none of it. */
const found = computed(() =>
  (fall.data.value?.findings.length ?? 0) > 0 && question.value
    ? omit(question.value, ["show_move", "show_section", "unit"])
    : undefined,
);
const judge = useComputed("judge", found, askJudge, SPACE_REST_MS);
/** What was found about a cut that has been changed since is no longer right. */
const judged = computed(() => (found.value && !judge.isPlaceholderData.value ? judge.data.value?.findings : undefined));
/** The finding that is open. */
const opened = ref<Finding["code"]>();
const pinned = computed(() => numbered((fall.data.value?.findings ?? []).slice(0, AT_ONCE)));

/** In space, unless the browser can't: then from the side. */
const flat = ref(false);
const showing = ref(false);
/** Of the hair on top: the view in space has one. */
const tone = computed(() => css(tonesOf(question.value?.reading.zones ?? {}).top));
const flatHair = useLocks(
  computed(() => (flat.value ? question.value : undefined)),
  ref("after"),
);
const sceneQuestion = computed<FallRequest | undefined>(() =>
  question.value && !flat.value && !beside.cut.value
    ? { ...question.value, ...(section.value === undefined ? {} : { show_section: section.value }) }
    : undefined,
);
const scene = useComputed("scene", sceneQuestion, askScene, SPACE_REST_MS);

const moves = computed(() => plan.value.cut.moves);
/** What each step brings, once the hand rests. */
const brings = useComputed(
  "brings",
  computed(() =>
    question.value && moves.value.length > 1
      ? omit(question.value, ["show_move", "show_section", "unit", "aim", "talk", "thresholds"])
      : undefined,
  ),
  askBrings,
  SPACE_REST_MS,
);
const broughtBy = (at: number) => {
  const known = brings.isPlaceholderData.value ? undefined : brings.data.value?.find(({ step }) => step === at);
  return known && tell(known.text);
};
const put = (cut: Cut) => (plan.value = { ...plan.value, cut });
/** One press changes the whole cut: what it did is said. */
function cure({ cut, text }: Cure) {
  put(cut);
  notify(t("plan-cured", { cure: tell(text) }));
}
/** Plan opens with what can be proposed, until there are steps. */
const proposing = ref(plan.value.cut.moves.length === 0 && !locked.value);
/** Nothing can be proposed for a head of which nothing is read. */
const proposed = computed(() => proposing.value && known.value);
function choose({ cut, name }: Proposal) {
  open.value = 0;
  put(copy(cut));
  proposing.value = false;
  notify(t("proposals-chosen", { name }));
}
/** The lengths of these steps solved anew for the wish, all else as it is. */
const solving = ref(false);
async function solveAgain() {
  if (!question.value) return;
  solving.value = true;
  try {
    const answer = await askPlan(againRequest(question.value, heldSteps.value, rules.value));
    const best = answer.proposals[0];
    if (!best) return notify(t("proposals-againNone"));
    put(best.cut);
    notify(t("proposals-againDone", { off: say(best.score.wish_rms_mm) }));
  } catch (error) {
    notify(tellFailure(error));
  } finally {
    solving.value = false;
  }
}
/** Steps whose length stays when the rest is solved again, by their ids: they keep them wherever they are moved. */
const held = ref<number[]>([]);
const isHeld = (move: Move) => held.value.includes(move.id ?? 0);
const heldSteps = computed(() => moves.value.flatMap((move, step) => (isHeld(move) ? [step] : [])));
function hold(move: Move) {
  const id = move.id ?? 0;
  held.value = isHeld(move) ? held.value.filter((known) => known !== id) : [...held.value, id];
}
const change = (at: number, how: (move: Move) => void) => put(changed(plan.value.cut, at, how));

const picking = ref(false);

function start(cut: Cut) {
  open.value = 0;
  // Its steps are others than those that stood here, whatever their numbers.
  const before = moves.value.length;
  put({ ...copy(cut), moves: cut.moves.map((step) => ({ ...copy(step), id: 0 })) });
  if (before > 0) notify(t("plan-replaced", { name: cut.name, n: before }));
}

function add(name: MoveKindName) {
  const cut = plan.value.cut.name ? plan.value.cut : { ...plan.value.cut, name: t("plan-ownName") };
  put(added(cut, newMove(name)));
  open.value = plan.value.cut.moves.length - 1;
}

function shift(at: number, by: -1 | 1) {
  put(swapped(plan.value.cut, at, by));
  open.value = at + by;
}

/** Sections of a move that are drawn: more of them hide each other. */
const SHOWN = 5;
// What the open step's form is given stays the same as long as it says the same, so that an answer doesn't draw its fields anew.
const points = computed(() => figure.data.value?.points.map(({ point }) => point) ?? []);
const faults = computed(() => faultsOfSteps(document.faults.value, fall.error.value));
function faultOfOpen(field: string): string | undefined {
  const fault = faults.value.find((known) => known.step === open.value && known.field === field);
  return fault && t("field-fault", { said: tell(fault.message) });
}
/** Steps with a figure that can't be, from 1. What is shown stays as it last was. */
const faulty = computed(() => [...new Set(faults.value.map(({ step }) => step + 1))].sort((a, b) => a - b));
const failure = computed(() => (faulty.value.length > 0 ? undefined : (fall.error.value ?? scene.error.value)));
const all = computed(() => fall.data.value?.moves[open.value]?.sections ?? []);
const sections = computed(() => {
  const { value: chosen } = section;
  return chosen === undefined ? spread(all.value, SHOWN) : all.value.slice(chosen, chosen + 1);
});
const wishes = computed(() => (figure.data.value ? wishesOf(bodyOf(visit.value, "aim"), figure.data.value) : []));
const view = computed(() => {
  const falls = [fall.data.value, beside.cut.value && beside.fall.data.value].flatMap((answer) =>
    answer ? [answer.before, answer.after] : [],
  );
  return falls.length > 0 ? frame(falls, flat.value ? sections.value : []) : undefined;
});
function does(at: number): string {
  const report = fall.data.value?.moves[at];
  if (!report || moves.value[at]?.off) return "";
  if (wayOf(moves.value[at]!) === "pause") return t("plan-nothingCut");
  if (report.cut_share === 0) return t("plan-doesNothing");
  return t("plan-does", { share: `${Math.round(100 * report.share)} %`, grams: `${report.taken_g.toFixed(0)} g` });
}
</script>

<template>
  <div class="view" :class="{ compares: beside.cut.value }">
    <h1 class="visually-hidden">{{ t("stage-plan") }}</h1>
    <SaveState :document="document" undoable />
    <TalkAnswers v-if="!proposed" :answers="fall.data.value?.talk ?? []" :name="visit.client.name" />
    <ResultStrip
      v-if="narrow && fall.data.value && figure.data.value && view && question"
      :answer="fall.data.value"
      :question="question"
      :figure="figure.data.value"
      :frame="view"
    />
    <GoalSliders
      v-if="known && fall.data.value && figure.data.value"
      class="wide"
      :before="fall.data.value.before"
      :figure="figure.data.value"
    />
    <PlanProposals
      v-if="proposed"
      class="wide"
      :shown="proposed"
      :question="question"
      :figure="figure.data.value"
      :frame="view"
      :rules="rules"
      :disabled="locked"
      @choose="choose"
      @close="proposing = false"
    />
    <section v-show="!proposed" class="stack">
      <div class="stack tight">
        <p class="row acts">
          <ElButton type="primary" plain :disabled="!known" @click="proposing = true">{{
            t("proposals-open")
          }}</ElButton>
          <ElButton v-if="moves.length > 0" :disabled="locked || !known" :loading="solving" @click="solveAgain">{{
            t("proposals-again")
          }}</ElButton>
        </p>
        <div class="beside">
          <ElButton :disabled="locked" @click="picking = true">{{ t("plan-start") }}</ElButton>
          <CutPicker
            v-model="picking"
            :cuts="house"
            :question="question"
            :figure="figure.data.value"
            :box="view && squareOf(view)"
            :steps="moves.length"
            @choose="start"
          />
          <OpenCut :question="question" :disabled="locked" @open="start" />
        </div>
        <div v-if="fall.data.value" class="beside">
          <ChoiceField v-model="beside.chosen.value" :label="t('plan-compareWith')" :choices="beside.choices.value" />
          <ElButton v-if="moves.length > 0" @click="beside.keep(plan.cut)">{{ t("plan-keep") }}</ElButton>
        </div>
        <p v-if="plan.cut.name" class="small">
          <b>{{ plan.cut.name }}</b>. <span class="soft">{{ plan.cut.purpose }}</span>
        </p>
        <p v-else class="soft small">{{ t("plan-empty") }}</p>
      </div>
      <h2>{{ t("plan-moves") }}</h2>
      <p v-if="faulty.length > 0" class="caution small" role="alert">
        {{ t("plan-cantBe", { count: faulty.length, steps: faulty.join(", ") }) }}
      </p>
      <ol class="moves">
        <li
          v-for="(move, i) in moves"
          :key="i"
          :class="{ here: i === open, off: move.off, faulty: faulty.includes(i + 1) }"
        >
          <button type="button" class="title" :aria-expanded="i === open" @click="open = i">
            <span class="named">
              <b>{{ i + 1 }}. {{ steps[i] ? tell(steps[i].title) : move.name }}</b>
              <small>{{ does(i) }}</small>
              <small v-if="broughtBy(i)">{{ t("plan-brings", { what: broughtBy(i)! }) }}</small>
            </span>
            <StepHead
              v-if="figure.data.value && fall.data.value?.pictures[i] && steps[i]?.section"
              :picture="fall.data.value.pictures[i]!"
              :figure="figure.data.value"
              :label="t('plan-section', { section: tell(steps[i]!.section!) })"
            />
          </button>
          <template v-if="i === open">
            <StepWords v-if="steps[i]" :step="steps[i]" />
            <p v-for="note in fall.data.value?.moves[i]?.notes ?? []" :key="note" class="caution small">
              {{ t(`plan-notes-${note}`) }}
            </p>
            <MoveForm
              :at="i"
              :count="moves.length"
              :move="move"
              :technique-share="fall.data.value?.moves[i]?.technique_share"
              :technique-depth-mm="fall.data.value?.moves[i]?.technique_depth_mm"
              :sections="namedSections.data.value"
              :figure="figure.data.value"
              :on="head"
              :points="points"
              :fault-at="faultOfOpen"
              :disabled="locked"
              @change="(how) => change(i, how)"
            />
            <FoldPart v-if="question && leversOf(move).length > 0" :title="t('plan-whatIf')">
              <WhatIf :on="question" :step="i" :move="move" />
            </FoldPart>
            <div class="row acts">
              <ElButton :disabled="locked" @click="change(i, (m) => (m.off = !m.off))">
                {{ move.off ? t("plan-on") : t("plan-off") }}
              </ElButton>
              <ElButton :disabled="locked" :aria-pressed="isHeld(move)" @click="hold(move)">
                {{ t(isHeld(move) ? "plan-held" : "plan-hold") }}
              </ElButton>
              <ElButton :disabled="locked || i === 0" @click="shift(i, -1)">{{ t("plan-up") }}</ElButton>
              <ElButton :disabled="locked || i === moves.length - 1" @click="shift(i, 1)">{{
                t("plan-down")
              }}</ElButton>
              <ElButton :disabled="locked" @click="put(doubled(plan.cut, i))">{{ t("plan-copy") }}</ElButton>
              <ElButton :disabled="locked" @click="put(without(plan.cut, i))">{{ t("plan-remove") }}</ElButton>
            </div>
          </template>
        </li>
      </ol>
      <div class="row acts" role="group" :aria-label="t('plan-add')">
        <span class="soft">{{ t("plan-add") }}</span>
        <ElButton v-for="name in MOVE_KINDS" :key="name" :disabled="locked" @click="add(name)">
          {{ t(`plan-addKind-${name}`) }}
        </ElButton>
      </div>
      <p class="soft small">
        <RouterLink :to="{ name: 'read' }">{{ t("plan-headInRead") }}</RouterLink>
      </p>
    </section>
    <section v-show="!proposed" class="stack">
      <EmptyState v-if="!known" :text="t('plan-notRead')">
        <RouterLink :to="{ name: 'read' }">{{ t("mark-toRead") }}</RouterLink>
      </EmptyState>
      <FailureNote v-if="failure" :error="failure" @again="(fall.refetch(), scene.refetch())" />
      <template v-if="fall.data.value && figure.data.value && view && question">
        <FallColumn
          v-if="beside.cut.value"
          v-model:opened="opened"
          movable
          :name="plan.cut.name || t('plan-thisPlan')"
          :answer="fall.data.value"
          :question="question"
          :figure="figure.data.value"
          :wishes="wishes"
          :frame="view"
          :judged="judged"
          :disabled="locked"
          @open="open = $event"
          @cure="cure"
        />
        <template v-else>
          <h2 class="visually-hidden">{{ t("plan-space") }}</h2>
          <template v-if="flat">
            <p class="soft">{{ t("plan-spaceMissing") }}</p>
            <FallFigure
              view="left"
              :figure="figure.data.value"
              :before="fall.data.value.before"
              :after="fall.data.value.after"
              :locks="flatHair.locks.value"
              :tones="flatHair.tones.value"
              :stale="flatHair.stale.value"
              :sections="sections"
              :wishes="wishes"
              :frame="view"
              :label="t('plan-view-left')"
            />
          </template>
          <HeadSpace
            v-else
            v-model:section="section"
            :glb="scene.data.value"
            :tone="tone"
            :move="steps[open] ? tell(steps[open]!.title) : ''"
            :count="all.length"
            :pins="pinned"
            :chosen="opened"
            @unavailable="flat = true"
          />
        </template>
        <p class="row acts">
          <ElButton type="primary" @click="showing = true">{{ t("plan-showClient") }}</ElButton>
        </p>
        <ClientEyes v-model="showing" :question="question" :figure="figure.data.value" :frame="view" />
        <SaveFiles :question="question" :figure="figure.data.value" :frame="view" />
        <RouterLink class="onward" :to="{ name: 'mark' }">{{ t("plan-onward") }}</RouterLink>
      </template>
      <p v-else-if="known && !failure" class="soft" aria-live="polite">{{ t("plan-slow") }}</p>
    </section>
    <section v-show="!proposed" class="stack">
      <template v-if="fall.data.value && figure.data.value && view && question">
        <template v-if="beside.cut.value">
          <FailureNote v-if="beside.fall.error.value" :error="beside.fall.error.value" @again="beside.fall.refetch()" />
          <FallColumn
            v-if="beside.fall.data.value && beside.asked.value"
            :name="beside.name.value"
            :answer="beside.fall.data.value"
            :question="beside.asked.value!"
            :figure="figure.data.value"
            :wishes="wishes"
            :frame="view"
          />
        </template>
        <FallColumn
          v-else
          v-model:opened="opened"
          movable
          :name="t('plan-falls')"
          :answer="fall.data.value"
          :question="question"
          :figure="figure.data.value"
          :wishes="wishes"
          :frame="view"
          :judged="judged"
          :disabled="locked"
          @open="open = $event"
          @cure="cure"
        />
      </template>
    </section>
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template-columns: minmax(310px, 0.95fr) minmax(0, 1.2fr) minmax(0, 1.2fr);
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

.moves li.faulty {
  box-shadow: inset 4px 0 0 var(--warn-line);
  padding-left: 16px;
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
  align-items: center;
  gap: 12px;
  cursor: pointer;
}

.named {
  flex: 1 1 auto;
  display: grid;
  gap: 2px;
}

/* The picture comes first for the eye, the step's number first for the ear. */
.title .picture {
  order: -1;
}

.title small {
  color: var(--ink-soft);
  font-size: 0.92rem;
}

.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}

.beside > :first-child {
  flex: 1 1 120px;
}

.beside :deep(.el-button) {
  margin: 0;
}

.acts {
  gap: 6px;
  flex-wrap: wrap;
  align-items: center;
}

.acts :deep(.el-button) {
  padding: 6px 12px;
  min-height: 40px;
  font-size: 0.92rem;
}

.wide {
  grid-column: 1 / -1;
}

.onward {
  font-weight: 650;
}

label {
  font-weight: 600;
}

/* On a tablet the fall stands beside the moves and the head under it, and of two cuts the other one. */
@media (701px <= width <= 1000px) {
  .view {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto auto auto 1fr;
  }

  .view > .talk {
    grid-row: 1;
  }

  .view > .goals {
    grid-row: 2;
  }

  .view > .proposals {
    grid-row: 3;
  }

  section:first-of-type {
    grid-row: 3 / span 2;
  }

  section + section {
    grid-area: 4 / 2;
  }

  section:last-of-type,
  .compares section:nth-of-type(2) {
    position: static;
    grid-area: 3 / 2;
  }

  .compares section:last-of-type {
    grid-area: 4 / 2;
  }
}

@media (max-width: 700px) {
  /* What is sticky in a grid stays in its own row. */
  .view {
    display: flex;
    flex-direction: column;
  }

  section + section {
    position: static;
  }
}
</style>
