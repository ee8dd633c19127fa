<script setup lang="ts">
import FoldPart from "@/shared/FoldPart.vue";
import { copy } from "@/shared/plain";
import {
  type Patch,
  type RawZoneReading,
  type ZoneSummary,
  widthClassValues,
  moistureValues,
  type ZoneFigure,
  zoneFigureValues,
} from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import LengthField from "@/shared/LengthField.vue";
import { BLANK, OWN, halfOf, sayPatch, zoneOf } from "@/shared/patches";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import CurlField from "./CurlField.vue";
import FigureField from "./FigureField.vue";
import DensityScale from "./DensityScale.vue";
import HairCounter from "./HairCounter.vue";
import StrandList from "./StrandList.vue";
import { t } from "@/shared/words";
import type { Pass, Step } from "./walk";

const props = defineProps<{
  patch: Patch;
  pass: Pass;
  summary: ZoneSummary | undefined;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ go: [step: Step, by: 1 | -1] }>();
const model = defineModel<RawZoneReading | undefined>();
const { say } = useUnit();

/** Read with another: only its length and density are of its own. */
const like = computed(() => model.value?.like ?? undefined);

/** What no longer comes from an instrument once it is typed. */
function typed(key: keyof RawZoneReading) {
  const rest = Object.entries(model.value?.with ?? {}).filter(([field]) => field !== key);
  return rest.length > 0 ? Object.fromEntries(rest) : undefined;
}

/** Writes a field. A zone of which nothing is said any more is taken out again; a half stays one. */
function write(key: keyof RawZoneReading, value: unknown) {
  const kept = Array.isArray(value) && value.length === 0 ? undefined : value;
  const next: RawZoneReading = { ...BLANK, ...model.value, [key]: kept ?? BLANK[key] };
  next.with = typed(key);
  const said = Object.entries(next).filter(
    ([k, v]) => v !== undefined && v !== null && BLANK[k as keyof RawZoneReading] !== v,
  );
  model.value = said.length > 0 || halfOf(props.patch) ? copy(next) : undefined;
}

function field<K extends keyof RawZoneReading>(key: K) {
  return computed<RawZoneReading[K]>({
    get: () => model.value?.[key] ?? BLANK[key],
    set: (value) => write(key, value),
  });
}

const stretched = field("stretched_mm");
const sprung = field("sprung_mm");
const wetSprung = field("wet_sprung_mm");
const widthClass = field("width_class");
const width = field("width_um");
const moisture = field("moisture");
const strands = field("strands");
const density = field("hairs_per_cm2");
const loop = field("loop_mm");
const turns = field("turns");
const curl = field("curl");
const again = field("again");

/** Figures that have a place of their own in the form; the others are asked for one after another as their rules say. */
const PLACED: readonly ZoneFigure[] = [
  "like",
  "stretched_mm",
  "sprung_mm",
  "width_class",
  "moisture",
  "loop_mm",
  "turns",
  "curl",
  "hairs_per_cm2",
];
const more = computed(() => {
  const asked = like.value
    ? OWN
    : props.pass === "dry"
      ? zoneFigureValues
      : zoneFigureValues.filter((f) => f !== "wet_sprung_mm");
  return asked.filter((figure) => !PLACED.includes(figure));
});
const valueOf = (figure: ZoneFigure) => model.value?.[figure] ?? BLANK[figure];
const choices = <T extends string>(values: readonly T[], key: string) =>
  values.map((value) => ({ value, label: t(`${key}-${value}`) }));

const fault = (key: string) => props.faultAt(`zones.${props.patch}.${key}`);
const longer = computed(() =>
  typeof sprung.value === "number" && typeof stretched.value === "number" && sprung.value > stretched.value
    ? t("read-longer", { stretched: say(stretched.value) })
    : undefined,
);
const percent = computed(() =>
  typeof props.summary?.shrinkage === "number" && !longer.value ? Math.round(props.summary.shrinkage * 100) : undefined,
);

/** Whether what it loses was not measured but follows from its curl. */
const seen = computed(() => percent.value !== undefined && !sprung.value && !like.value);

/** What the strand did dry, and what water does to it. */
const beside = computed(() => {
  const [dry, wet] = [sprung.value, wetSprung.value];
  if (typeof dry !== "number") return t("read-wetAlone");
  if (typeof wet !== "number") return t("read-wetBeside", { dry: say(dry) });
  return t(wet < dry ? "read-wetShorter" : "read-wetLonger", { dry: say(dry), by: say(Math.abs(wet - dry)) });
});

/** How sure the zone's worn length is, beside what its width alone would say. */
const surety = computed(() => {
  const { worn_sd_mm: known, unread_sd_mm: unread } = props.summary ?? {};
  if (typeof known !== "number" || typeof unread !== "number") return undefined;
  return { known: say(known), unread: say(unread), share: Math.round(100 * Math.min(1, known / unread)) };
});

const stretchedField = ref<InstanceType<typeof LengthField>>();
const wetField = ref<InstanceType<typeof LengthField>>();
const sprungField = ref<InstanceType<typeof LengthField>>();
const widths = ref<HTMLElement>();

function onward(event: KeyboardEvent, step: Step) {
  event.preventDefault();
  emit("go", step, event.shiftKey ? -1 : 1);
}

/** F, M and C choose the width by feel, so that both hands stay near the keys. */
function byLetter(event: KeyboardEvent) {
  const found = widthClassValues.find((name) => name[0] === event.key.toLowerCase());
  if (found && !event.ctrlKey && !event.metaKey && !event.altKey) widthClass.value = found;
}

defineExpose({
  focus(step: Step) {
    if (step === "stretched_mm") stretchedField.value?.focus();
    else if (step === "sprung_mm") sprungField.value?.focus();
    else if (step === "wet_sprung_mm") wetField.value?.focus();
    else
      (widths.value?.querySelector<HTMLInputElement>("input:checked") ?? widths.value?.querySelector("input"))?.focus();
  },
});
</script>

<template>
  <div class="sheet form">
    <header>
      <div>
        <h2>{{ sayPatch(patch) }}</h2>
        <p class="soft">{{ t(`zoneWhere-${zoneOf(patch)}`) }}</p>
      </div>
      <slot></slot>
      <p class="shrinkage" aria-live="polite">
        <b class="number">{{ percent === undefined ? "–" : `${percent} %` }}</b>
        <span class="soft small">{{ t(seen ? "read-shrinkageSeen" : "read-shrinkage") }}</span>
      </p>
    </header>
    <div :key="patch" class="pair">
      <LengthField
        ref="stretchedField"
        v-model="stretched"
        large
        :label="t('fields-stretched_mm')"
        :fault="fault('stretched_mm')"
        :disabled="disabled"
        @keydown.enter="onward($event, 'stretched_mm')"
      />
      <LengthField
        v-if="!like && pass === 'wet'"
        ref="wetField"
        v-model="wetSprung"
        large
        :label="t('fields-wet_sprung_mm')"
        :fault="fault('wet_sprung_mm')"
        :disabled="disabled"
        @keydown.enter="onward($event, 'wet_sprung_mm')"
      />
      <LengthField
        v-else-if="!like"
        ref="sprungField"
        v-model="sprung"
        large
        :label="t('fields-sprung_mm')"
        :fault="longer ?? fault('sprung_mm')"
        :disabled="disabled"
        @keydown.enter="onward($event, 'sprung_mm')"
      />
    </div>
    <p v-if="!like && pass === 'wet'" class="soft" aria-live="polite">{{ beside }}</p>
    <p v-if="like" class="soft">{{ t("read-isLike", { like: sayPatch(like) }) }}</p>
    <div v-if="!like && pass === 'dry'" class="more">
      <div ref="widths" @keydown.enter="onward($event, 'width')" @keydown="byLetter">
        <ChoiceRow
          v-model="widthClass"
          :label="width ? t('words-widthMeasured', { um: width }) : t('fields-width_class')"
          :choices="choices(widthClassValues, 'figureWord-width_class')"
          :disabled="disabled"
        />
      </div>
      <ChoiceRow
        v-model="moisture"
        :label="t('read-moisture')"
        :choices="choices(moistureValues, 'figureWord-moisture')"
        :disabled="disabled"
      />
    </div>
    <p v-if="surety" class="surety" aria-live="polite">
      <span class="bar" aria-hidden="true"><i :style="{ width: `${surety.share}%` }"></i></span>
      <span>{{ t("read-surety", surety) }}</span>
    </p>
    <FoldPart
      v-if="!like"
      :key="`${patch} curl`"
      :title="curl ? t('read-curlIs', { curl: t(`figureWord-curl-${curl}`) }) : t('read-curlOpen')"
    >
      <CurlField v-model="curl" :disabled="disabled" />
      <div class="three">
        <LengthField v-model="loop" :label="t('fields-loop_mm')" :fault="fault('loop_mm')" :disabled="disabled" />
        <LengthField v-model="turns" sign="×" :label="t('fields-turns')" :fault="fault('turns')" :disabled="disabled" />
      </div>
    </FoldPart>
    <FoldPart :key="`${patch} more`" :title="t(like ? 'read-densityOnly' : 'read-more')">
      <div class="three">
        <FigureField
          v-for="figure in more"
          :key="figure"
          :model-value="valueOf(figure)"
          :figure="figure"
          :fault="fault(figure)"
          :disabled="disabled"
          @update:model-value="write(figure, $event)"
        />
      </div>
      <StrandList
        v-if="!like"
        v-model="again"
        class="again"
        :summary="summary"
        :averaged="strands ?? 1"
        :fault-at="(field) => fault(field)"
        :disabled="disabled"
      />
      <HairCounter
        v-model="density"
        :fault="fault('hairs_per_cm2')"
        :disabled="disabled"
        @width="like || (width = $event)"
      />
      <DensityScale v-model="density" :disabled="disabled" />
    </FoldPart>
  </div>
</template>

<style scoped>
.form > * {
  min-width: 0;
}

.form {
  padding: 12px 20px 8px;
  display: grid;
  gap: 10px;
}

header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
}

@media (max-width: 640px) {
  header {
    flex-wrap: wrap;
  }
}

header > :first-child {
  flex: 1;
}

h2 {
  font-size: 1.7rem;
}

.shrinkage {
  text-align: right;
  display: grid;
  line-height: 1.1;
}

.shrinkage b {
  font-size: 2.2rem;
}

.pair,
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
  gap: 14px;
}

.more {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
}

.surety {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 0.92rem;
  color: var(--ink-soft);
}

.bar {
  flex: none;
  width: 96px;
  height: 8px;
  border-radius: 4px;
  background: var(--line);
  overflow: hidden;
}

.bar i {
  display: block;
  height: 100%;
  background: var(--now);
}

.again {
  padding-top: 12px;
}

.three {
  padding-top: 8px;
}
</style>
