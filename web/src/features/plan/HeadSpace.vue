<script setup lang="ts">
/** The head in space with the hair and the sections of the open move. Everything that is drawn is said in words, too. */
import ChoiceRow from "@/shared/ChoiceRow.vue";
import { usePreferredReducedMotion, useResizeObserver } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from "vue";
import { t } from "@/shared/words";
import type { Numbered } from "./findings";
import { SHOWN, SIDES, Space, type Shown, type Side } from "./space";

const props = defineProps<{
  /** The scene, binary glTF. */
  glb: ArrayBuffer | undefined;
  /** The client's tone of hair, as CSS has colours. */
  tone: string;
  move: string;
  /** Sections the open move has, and which of them is shown alone. */
  count: number;
  /** What is found, pinned where it is, and the one that is open. */
  pins: readonly Numbered[];
  chosen: string | undefined;
}>();
const section = defineModel<number | undefined>("section", { required: true });
const emit = defineEmits<{ unavailable: [] }>();
const canvas = ref<HTMLCanvasElement>();
const space = shallowRef<Space>();
const side = ref<Side>("left");
const shown = ref<Shown>("after");
const sides = computed(() => SIDES.map((value) => ({ value, label: t(`plan-spaceViews-${value}`) })));
const states = computed(() => SHOWN.map((value) => ({ value, label: t(`plan-spaceShown-${value}`) })));
/** Where hair as it is goes over into hair after the cut, % of the picture from the left. */
const wipe = ref(50);
const still = usePreferredReducedMotion();
const smoothly = () => still.value !== "reduce";
const said = computed(() => {
  if (props.count === 0) return t("plan-spaceNone");
  if (section.value !== undefined) return t("plan-section_n", { n: section.value + 1, all: props.count });
  return t("plan-sectionAll", { all: props.count });
});
const label = computed(() =>
  t("plan-spaceLabel", { view: t(`plan-spaceViews-${side.value}`), section: `${props.move}, ${said.value}` }),
);

onMounted(() => {
  if (!canvas.value) return;
  try {
    const style = getComputedStyle(document.documentElement);
    space.value = new Space(canvas.value, (property) => style.getPropertyValue(property).trim());
  } catch {
    emit("unavailable");
  }
});
onBeforeUnmount(() => space.value?.dispose());
useResizeObserver(canvas, ([entry]) => {
  if (entry) space.value?.resize(entry.contentRect.width, entry.contentRect.height, devicePixelRatio);
});
watch([() => props.glb, space], ([glb]) => {
  // The reader keeps its input; the bytes may be asked for again.
  if (glb) void space.value?.load(glb.slice(0));
});
watch([() => props.tone, space], ([tone]) => space.value?.tint(tone));
watch(
  [() => props.pins, () => props.chosen, () => props.glb, space],
  () =>
    space.value?.pin(
      props.pins.map(({ finding, number }) => ({
        number,
        at: finding.where.at,
        chosen: finding.code === props.chosen,
      })),
    ),
  { immediate: true },
);
watch(shown, (state) => space.value?.show(state));
watch(side, (next) => space.value?.look(next, smoothly()));
watch(wipe, (percent) => space.value?.wipe(percent / 100));

/** Through the sections and past the last back to all of them. */
function step(by: 1 | -1) {
  if (props.count === 0) return;
  const at = (section.value ?? (by > 0 ? -1 : props.count)) + by;
  section.value = at < 0 || at >= props.count ? undefined : at;
}

const TURN = 12;
function press(event: KeyboardEvent) {
  if (event.ctrlKey || event.altKey || event.metaKey) return;
  const chosen = SIDES[Number(event.key) - 1];
  const acts: Record<string, () => void> = {
    ArrowLeft: () => space.value?.turn(-TURN, 0),
    ArrowRight: () => space.value?.turn(TURN, 0),
    ArrowUp: () => space.value?.turn(0, TURN),
    ArrowDown: () => space.value?.turn(0, -TURN),
    ",": () => step(-1),
    ".": () => step(1),
    n: () => (shown.value = shown.value === "now" ? "after" : "now"),
  };
  const act = chosen
    ? () => {
        side.value = chosen;
        space.value?.look(chosen, smoothly());
      }
    : acts[event.key];
  if (!act) return;
  event.preventDefault();
  act();
}
</script>

<template>
  <figure class="space">
    <canvas ref="canvas" role="img" tabindex="0" :aria-label="label" aria-describedby="space-keys" @keydown="press" />
    <figcaption class="stack tight">
      <p class="row between">
        <ElButton :disabled="count === 0" :aria-label="t('plan-sectionBefore')" @click="step(-1)">‹</ElButton>
        <b aria-live="polite">{{ said }}</b>
        <ElButton :disabled="count === 0" :aria-label="t('plan-sectionNext')" @click="step(1)">›</ElButton>
      </p>
      <div class="row">
        <ChoiceRow v-model="side" :label="t('plan-spaceSide')" hide-label :choices="sides" />
        <ChoiceRow v-model="shown" :label="t('plan-spaceState')" hide-label :choices="states" />
      </div>
      <ElSlider v-if="shown === 'both'" v-model="wipe" :aria-label="t('plan-spaceWipe')" :show-tooltip="false" />
      <p class="legend small">
        <span class="hand">{{ t("plan-legend-section") }}</span>
        <span class="guide">{{ t("plan-legend-guide") }}</span>
      </p>
      <p id="space-keys" class="soft small">{{ t("plan-spaceKeys") }}</p>
    </figcaption>
  </figure>
</template>

<style scoped>
.space {
  margin: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 8px;
}

canvas {
  display: block;
  width: 100%;
  aspect-ratio: 1;
  touch-action: none;
  border-radius: 6px;
}

canvas:focus-visible {
  outline: 3px solid var(--forecast);
}

.legend {
  display: flex;
  gap: 6px 18px;
}

.legend span::before {
  content: "";
  display: inline-block;
  width: 26px;
  margin-right: 8px;
  vertical-align: middle;
  border-top: 2px solid var(--aim);
}

.legend .guide::before {
  border-color: var(--warn);
}

.between {
  justify-content: space-between;
  align-items: center;
}

.row {
  gap: 8px;
  flex-wrap: wrap;
}
</style>
