<script setup lang="ts">
import FoldPart from "@/shared/FoldPart.vue";
import type { HeldState, Patch, SheetZone } from "@/api";
import { askStrand } from "@/shared/ask";
import EmptyState from "@/shared/EmptyState.vue";
import FailureNote from "@/shared/FailureNote.vue";
import { onComb } from "@/shared/lengths";
import { sayPatch } from "@/shared/patches";
import { useComputed } from "@/shared/useComputed";
import { useUnit } from "@/shared/unit";
import { bodyOf } from "@/features/visit";
import { onKeyStroke } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import { t } from "@/shared/words";
import { useRoute, useRouter } from "vue-router";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import DrawnComb from "./DrawnComb.vue";
import PlanMarks from "./PlanMarks.vue";
import ScreenScale from "./ScreenScale.vue";
import StateCard from "./StateCard.vue";
import StateChart from "./StateChart.vue";
import StrandPicture from "./StrandPicture.vue";
import { onTheComb } from "./comb";
import { beside, markIn, verdict } from "./states";
import { useScreenScale } from "./useScreenScale";
import { useSheet } from "./useSheet";

const { unit, tell } = useUnit();
const route = useRoute();
const router = useRouter();
const { visit, question, sheet } = useSheet();
const { pixelsPerMm, measured } = useScreenScale();
const scaling = ref(false);
const picture = ref<"strand" | "states">("strand");

/** Where there is a plan, its marks are the marks; the zones are for working without one. */
const planned = computed(() => bodyOf(visit.value, "plan").cut.moves.length > 0);
const which = ref<"plan" | "zones">(planned.value && !route.params.zone ? "plan" : "zones");
const ways = computed(() =>
  (["plan", "zones"] as const).map((value) => ({ value, label: t(`planMarks-by-${value}`) })),
);
const zones = computed(() => sheet.data.value?.zones ?? []);
/** The zone, or half of one, is part of the address, so that it can be linked to. */
const patch = computed<Patch>({
  get: () => {
    const wanted = zones.value.find((zone) => zone.patch === route.params.zone);
    const cut = zones.value.find((zone) => verdict(zone, stateOf(zone)).kind === "cut");
    return (wanted ?? cut ?? zones.value.find((zone) => zone.result))?.patch ?? "fringe";
  },
  set: (name) => void router.replace({ name: "mark", params: { visit: visit.value.id, zone: name } }),
});
const here = computed(() => zones.value.find((zone) => zone.patch === patch.value));

// What a person looks at stays theirs while they go round the head; until then each zone shows what is advised for it.
const chosen = ref<Partial<Record<Patch, HeldState>>>({});
const compared = ref<Partial<Record<Patch, HeldState>>>({});
const MEDIUM: HeldState = { moisture: "wet", comb: "medium" };
const stateOf = (zone: SheetZone): HeldState => chosen.value[zone.patch] ?? zone.result?.advised ?? MEDIUM;
const first = computed<HeldState>({
  get: () => (here.value ? stateOf(here.value) : MEDIUM),
  set: (state) => (chosen.value = { ...chosen.value, [patch.value]: state }),
});
const second = computed<HeldState>({
  get: () => compared.value[patch.value] ?? beside(here.value?.result?.advised ?? MEDIUM),
  set: (state) => (compared.value = { ...compared.value, [patch.value]: state }),
});

const shown = computed(() => (here.value?.result ? markIn(here.value.result, first.value) : undefined));
const mark = computed(() => shown.value?.mark ?? undefined);
const strand = useComputed(
  "strand",
  computed(() => {
    if (!mark.value) return undefined;
    return {
      reading: question.value.reading,
      patch: patch.value,
      fibre_mm: mark.value.lengths.fibre_mm,
      state: first.value,
      worn: here.value?.worn ?? question.value.worn,
    };
  }),
  askStrand,
);
const reasons = computed(() => (shown.value?.reasons ?? []).map((reason) => tell(reason)));
/** Reasons that are read at a glance; the rest is a press away. */
const FIRST = 6;
const combs = computed(() => (mark.value ? onTheComb(unit.value, mark.value.comb_mm).combs : 0));

function line(zone: SheetZone): string {
  const found = verdict(zone, stateOf(zone));
  if (found.kind === "cut") return onComb(unit.value, found.mark.comb_mm);
  return t(`mark-short-${found.kind}`);
}

const missing = computed(() => {
  const fields = here.value?.missing ?? [];
  return {
    read: fields.some((m) => m.field.startsWith("reading.")),
    aim: fields.some((m) => m.field.startsWith("aim.")),
    wrong: fields.some((m) => m.problem.kind !== "missing"),
  };
});

function turn(by: 1 | -1) {
  if (which.value !== "zones") return;
  const all = zones.value.map((zone) => zone.patch);
  const next = all[(all.indexOf(patch.value) + by + all.length) % all.length];
  if (next) patch.value = next;
}
onKeyStroke("]", () => turn(1));
onKeyStroke("[", () => turn(-1));
watch(patch, () => (picture.value = "strand"));

// On a phone the zones are one line, of which the one in hand is kept in sight.
const strip = ref<HTMLElement>();
function showInHand() {
  const link = strip.value?.querySelector<HTMLElement>(".here");
  if (strip.value && link) strip.value.scrollLeft = link.offsetLeft - (strip.value.clientWidth - link.clientWidth) / 2;
}
watch([patch, strip, () => zones.value.length], showInHand, { flush: "post" });
</script>

<template>
  <div class="view">
    <h1 class="visually-hidden">{{ t("stage-mark") }}</h1>
    <ChoiceRow v-if="planned" v-model="which" class="which" :label="t('planMarks-which')" hide-label :choices="ways" />
    <PlanMarks v-if="which === 'plan'" class="by-step" />
    <nav v-show="which === 'zones'" ref="strip" class="zones" :aria-label="t('mark-zones')">
      <RouterLink
        v-for="zone in zones"
        :key="zone.patch"
        :to="{ name: 'mark', params: { zone: zone.patch } }"
        replace
        :class="{ here: zone.patch === patch, cut: verdict(zone, stateOf(zone)).kind === 'cut' }"
        :aria-current="zone.patch === patch ? 'true' : undefined"
      >
        <span>
          <b>{{ sayPatch(zone.patch) }}</b>
          <small class="soft">{{
            zone.result ? t(`moistureOn-${stateOf(zone).moisture}`, { comb: t(`comb-${stateOf(zone).comb}`) }) : ""
          }}</small>
        </span>
        <span class="figure">{{ line(zone) }}</span>
      </RouterLink>
    </nav>
    <p class="actions">
      <RouterLink class="action" :to="{ name: 'print' }">{{ t("mark-print") }}</RouterLink>
      <a class="action" :href="`/api/visits/${visit.id}/export.json`" download>{{ t("mark-json") }}</a>
      <a class="action" :href="`/api/visits/${visit.id}/export.csv`" download>{{ t("mark-csv") }}</a>
    </p>
    <div v-show="which === 'zones'" class="main stack">
      <FailureNote v-if="sheet.error.value" :error="sheet.error.value" @again="sheet.refetch()" />
      <template v-if="here?.result">
        <h2 class="visually-hidden">{{ sayPatch(patch) }}</h2>
        <div class="pair">
          <StateCard v-model="first" :zone="here" :title="t('mark-cutSo', { zone: sayPatch(patch) })" />
          <StateCard v-model="second" :zone="here" :title="t('mark-compare')" />
        </div>
        <div
          v-if="mark && mark.outcome.kind === 'cut'"
          class="comb"
          tabindex="0"
          role="region"
          :aria-label="t('mark-drawn')"
        >
          <p v-if="combs" class="combs">{{ t("mark-combs", { count: combs }) }}</p>
          <DrawnComb :unit="unit" :mark-mm="mark.comb_mm" :comb="first.comb" :pixels-per-mm="pixelsPerMm" />
        </div>
        <p v-if="mark && mark.outcome.kind === 'cut'" class="small soft row scale">
          {{ measured ? t("scale-measured") : t("scale-nominal") }}
          <ElButton link @click="scaling = true">{{ t("scale-open") }}</ElButton>
        </p>
        <div class="pair lower">
          <section class="stack tight">
            <ElTabs v-model="picture" :aria-label="t('mark-pictures')">
              <ElTabPane name="strand" :label="t('mark-picture-strand')">
                <StrandPicture
                  v-if="strand.data.value && mark"
                  :strand="strand.data.value"
                  :target-mm="here.result.target_mm"
                  :lands="[mark.lands_low_mm, mark.lands_high_mm]"
                  :moisture="first.moisture"
                />
              </ElTabPane>
              <ElTabPane name="states" :label="t('mark-picture-states')">
                <StateChart :zone="here.result" :shown="first" @choose="first = $event" />
              </ElTabPane>
            </ElTabs>
          </section>
          <section v-if="reasons.length">
            <h3>{{ t("mark-why") }}</h3>
            <ol class="reasons">
              <li v-for="reason in reasons.slice(0, FIRST)" :key="reason">{{ reason }}</li>
            </ol>
            <FoldPart v-if="reasons.length > FIRST" :title="t('mark-whyMore')">
              <ol class="reasons" :start="FIRST + 1">
                <li v-for="reason in reasons.slice(FIRST)" :key="reason">{{ reason }}</li>
              </ol>
            </FoldPart>
          </section>
        </div>
      </template>
      <EmptyState v-else-if="here" :text="t('mark-none', { zone: sayPatch(patch) })">
        <p v-if="missing.wrong">{{ t("mark-wrong") }}</p>
        <p v-if="missing.read">
          {{ t("mark-needsRead") }} <RouterLink :to="{ name: 'read' }">{{ t("mark-toRead") }}</RouterLink>
        </p>
        <p v-if="missing.aim">
          {{ t("mark-needsAim") }} <RouterLink :to="{ name: 'aim' }">{{ t("mark-toAim") }}</RouterLink>
        </p>
      </EmptyState>
    </div>
    <ScreenScale v-model="scaling" />
  </div>
</template>

<style scoped>
.view {
  display: grid;
  grid-template: auto auto 1fr / 250px minmax(0, 1fr);
  gap: 0 28px;
  max-width: 1520px;
  margin: 0 auto;
  padding: 14px 24px 40px;
}

.zones {
  display: grid;
  align-content: start;
}

.zones > a {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 56px;
  padding: 4px 12px;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
  border-left: 5px solid transparent;
}

.zones > a > span:first-child {
  display: grid;
  line-height: 1.2;
}

.zones > a:hover {
  background: var(--sheet);
}

.zones > a.here {
  border-left-color: var(--ink);
  background: var(--sheet);
}

.figure {
  color: var(--ink-soft);
  text-align: right;
}

.cut .figure {
  color: var(--ink);
  font: 700 1.7rem/1 var(--display);
}

.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-content: start;
  padding-top: 16px;
}

.action {
  flex: 1;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  white-space: nowrap;
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  text-decoration: none;
  font-weight: 600;
}

.action:first-child {
  flex-basis: 100%;
  background: var(--ink);
  color: var(--on-ink);
}

.which,
.by-step {
  grid-column: 1 / -1;
}

.which {
  padding-bottom: 10px;
}

.main {
  grid-area: 2 / 2 / span 2;
  gap: 12px;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 16px 24px;
}

.pair > * {
  min-width: 0;
}

.comb {
  overflow-x: auto;
}

.combs {
  color: var(--aim);
  font-weight: 700;
}

.scale {
  margin-top: -6px;
}

.tight {
  gap: 8px;
}

h3 {
  min-height: 44px;
  display: flex;
  align-items: center;
}

.reasons {
  padding-left: 22px;
  display: grid;
  gap: 6px;
  max-width: 62ch;
}

@media (max-width: 900px) {
  .view {
    grid-template: none / minmax(0, 1fr);
    gap: 20px;
  }

  .main {
    grid-area: auto;
  }

  .actions {
    padding-top: 0;
  }
}

/* On a phone what is cut comes first: the zones are one line above it, and what is taken along stands at the end. */
@media (max-width: 640px) {
  .view {
    gap: 12px;
  }

  .zones {
    position: relative;
    display: flex;
    gap: 6px;
    overflow-x: auto;
    padding-bottom: 4px;
  }

  .zones > a {
    flex: none;
    gap: 14px;
    border: 1px solid var(--line);
    border-left-width: 5px;
    border-radius: 8px;
  }

  .zones small {
    display: none;
  }

  .cut .figure {
    font-size: 1.35rem;
  }

  .actions {
    order: 1;
  }
}
</style>
