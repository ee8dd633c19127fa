<script setup lang="ts">
/** How a move is done: which hair, which kind sections lie, how they are held, guided and cut along. */
import {
  type Direction,
  type FingerShape,
  type Side,
  type Layout,
  type Move,
  type Place,
  type Point,
  type Sections,
  contract,
  directionValues,
  fingerShapeValues,
} from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import RegionForm from "./RegionForm.vue";
import { useChoices } from "@/shared/useChoices";
import {
  ALONG,
  GUIDES,
  LENGTHS,
  OVER,
  alongOf,
  guideOf,
  layoutOf,
  drawnToward,
  lengthOf,
  overOf,
  pointedTo,
  planeWith,
  tagOf,
  wayOf,
  type AlongName,
  type GuideName,
  type LengthName,
  type OverName,
} from "./how";

const props = defineProps<{
  move: Move;
  /** Its place in the cut, from 0. */
  at: number;
  points: readonly Point[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();

const { named, landmarks } = useChoices();
const NONE = "none" as const;
/** Sections that can be taken: each, every second and so on. Beginning with the n-th leaves n − 1 out. */
const EVERY: readonly string[] = ["1", "2", "3", "4"];
const skipped = ({ value, label }: { value: string; label: string }) => ({ value: String(Number(value) - 1), label });
const kind = computed(() => props.move.kind);
const layout = computed(() => layoutOf(kind.value));
const layoutField = computed(() =>
  wayOf(props.move) === "weight" ? "kind.weight" : `kind.${wayOf(props.move)}.layout`,
);
const sections = computed(() => ("sections" in kind.value ? kind.value.sections : undefined));
const gathered = computed(() => ("gathered" in kind.value ? kind.value.gathered : undefined));
const line = computed(() => ("perimeter" in kind.value ? kind.value.perimeter : undefined));
const diagonal = computed(() => {
  const along = layout.value?.along;
  return along && typeof along === "object" && "diagonal" in along ? along.diagonal : undefined;
});
const pivot = computed(() => {
  const along = layout.value?.along;
  return along && typeof along === "object" && "pivot" in along ? along.pivot : undefined;
});
const over = computed(() => sections.value?.hold.over_direction ?? "own_base");
const target = computed(() =>
  typeof over.value === "object" && "landmark" in over.value ? over.value.landmark : undefined,
);
const toward = computed(() =>
  typeof over.value === "object" && "toward" in over.value ? over.value.toward : undefined,
);
const plane = computed(() => (typeof over.value === "object" && "plane" in over.value ? over.value.plane : undefined));
const fingers = computed(() => ({
  shape: "along_head" as FingerShape,
  slant_deg: 0,
  longer_toward: null,
  bow_mm: 0,
  ...sections.value?.fingers,
}));
const endsAt = computed(() => {
  const length = sections.value?.length;
  return typeof length === "object" && "ends_at" in length ? length.ends_at : undefined;
});
const likeMove = computed(() => {
  const length = sections.value?.length;
  return typeof length === "object" && "like_move" in length ? length.like_move : undefined;
});
const earlier = computed(() =>
  Array.from({ length: props.at }, (_, i) => ({ value: String(i), label: t("plan-stepNumber", { n: i + 1 }) })),
);
/** The first move has none before it to be like. */
const lengths = computed(() => LENGTHS.filter((name) => name !== "like_move" || props.at > 0));
const face = computed(() => named(FACE, "point"));
/** Points that a face has two of. */
const PAIRED: readonly Point[] = contract.points.filter((rule) => rule.paired).map((rule) => rule.point);
const FACE: readonly Point[] = contract.points.filter((rule) => !rule.of_the_body).map((rule) => rule.point);
const perhapsPoint = computed(() => [
  { value: NONE, label: t("plan-between") },
  ...props.points.map((value) => ({ value, label: t(`point-${value}`) })),
]);

function setLayout(part: Partial<Layout>) {
  emit("change", (move) => {
    if ("sections" in move.kind) move.kind.sections.layout = { ...move.kind.sections.layout, ...part };
    if ("gathered" in move.kind) move.kind.gathered.layout = { ...move.kind.gathered.layout, ...part };
    if ("weight" in move.kind) move.kind.weight = { ...move.kind.weight, ...part };
  });
}
function setSections(set: (sections: Sections) => void) {
  emit("change", (move) => {
    if ("sections" in move.kind) set(move.kind.sections);
  });
}
function setOver(name: OverName) {
  setSections((sections) => (sections.hold.over_direction = overOf(name)));
}
function setSlant(slant_deg: number | undefined) {
  if (slant_deg === undefined) return;
  setSections((sections) => {
    const longer = sections.fingers?.longer_toward ?? sections.layout.from;
    sections.fingers = { ...fingers.value, slant_deg, longer_toward: longer };
  });
}
function setPlace(which: "front" | "side", point: Point | typeof NONE) {
  emit("change", (move) => {
    if (!("perimeter" in move.kind)) return;
    if (point === NONE) delete move.kind.perimeter[which];
    else move.kind.perimeter[which] = { point, below_mm: 0 };
  });
}
function setBelow(which: "front" | "side", place: Place, below_mm: number | undefined) {
  if (below_mm === undefined) return;
  emit("change", (move) => {
    if ("perimeter" in move.kind) move.kind.perimeter[which] = { ...place, below_mm };
  });
}
const places = computed(() =>
  line.value ? (["side", "front"] as const).map((which) => ({ which, place: line.value?.[which] ?? undefined })) : [],
);
</script>

<template>
  <div class="how">
    <RegionForm
      class="wide"
      :model-value="move.region"
      :label="t('plan-region')"
      :fault-at="(field) => faultAt(`region.${field}`)"
      :disabled="disabled"
      @update:model-value="emit('change', (m) => (m.region = $event))"
    />
    <template v-for="{ which, place } in places" :key="which">
      <ChoiceField
        :model-value="place?.point ?? NONE"
        :label="t(`plan-line_${which}`)"
        :choices="perhapsPoint"
        :disabled="disabled"
        @update:model-value="setPlace(which, $event)"
      />
      <LengthField
        v-if="place"
        :model-value="place.below_mm ?? 0"
        :label="t('plan-amount-below')"
        :fault="faultAt(`kind.perimeter.${which}.below_mm`)"
        :disabled="disabled"
        @update:model-value="setBelow(which, place, $event)"
      />
      <span v-else></span>
    </template>
    <CheckField
      v-if="line"
      class="wide"
      :label="t('plan-lineWorn')"
      :model-value="line.worn ?? false"
      :disabled="disabled"
      @update:model-value="
        emit('change', (m) => {
          if ('perimeter' in m.kind) m.kind.perimeter.worn = $event;
        })
      "
    />
    <LengthField
      v-if="line && !line.worn"
      :model-value="line.tilt_deg ?? 0"
      :label="t('plan-tilt')"
      sign="°"
      :fault="faultAt('kind.perimeter.tilt_deg')"
      :disabled="disabled"
      @update:model-value="
        $event !== undefined &&
        emit('change', (m) => {
          if ('perimeter' in m.kind) m.kind.perimeter.tilt_deg = $event!;
        })
      "
    />
    <template v-if="layout">
      <ChoiceField
        :model-value="tagOf(layout.along) as AlongName"
        :label="t('plan-along')"
        :choices="named(ALONG, 'plan-alongs')"
        :disabled="disabled"
        @update:model-value="setLayout({ along: alongOf($event) })"
      />
      <ChoiceField
        :model-value="layout.from"
        :label="t('plan-from')"
        :choices="landmarks"
        :disabled="disabled"
        @update:model-value="setLayout({ from: $event })"
      />
      <LengthField
        v-if="diagonal"
        :model-value="diagonal.lower_in_front_deg"
        :label="t('plan-slope')"
        sign="°"
        :fault="faultAt(`${layoutField}.along.diagonal.lower_in_front_deg`)"
        :disabled="disabled"
        @update:model-value="$event !== undefined && setLayout({ along: { diagonal: { lower_in_front_deg: $event } } })"
      />
      <ChoiceField
        v-if="pivot"
        :model-value="pivot.round"
        :label="t('plan-round')"
        :choices="landmarks"
        :disabled="disabled"
        @update:model-value="setLayout({ along: { pivot: { round: $event } } })"
      />
      <ChoiceField
        :model-value="String(layout.every ?? 1)"
        :label="t('plan-every')"
        :choices="named(EVERY, 'plan-everies')"
        :fault="faultAt(`${layoutField}.every`)"
        :disabled="disabled"
        @update:model-value="setLayout({ every: Number($event), skip: 0 })"
      />
      <ChoiceField
        v-if="(layout.every ?? 1) > 1"
        :model-value="String(layout.skip ?? 0)"
        :label="t('plan-skip')"
        :choices="named(EVERY.slice(0, layout.every), 'plan-skips').map(skipped)"
        :disabled="disabled"
        @update:model-value="setLayout({ skip: Number($event) })"
      />
    </template>
    <template v-if="sections">
      <ChoiceField
        :model-value="tagOf(over) as OverName"
        :label="t('plan-over')"
        :choices="named(OVER, 'plan-overs')"
        :fault="faultAt('kind.sections.hold.over_direction') ?? faultAt('kind.sections.hold.over_direction.plane')"
        :disabled="disabled"
        @update:model-value="setOver"
      />
      <ChoiceField
        v-if="toward"
        :model-value="toward"
        :label="t('plan-overTo')"
        :choices="named(directionValues, 'direction')"
        :disabled="disabled"
        @update:model-value="
          setSections((sections) => (sections.hold.over_direction = { toward: $event as Direction }))
        "
      />
      <LengthField
        v-if="over !== 'own_base'"
        :model-value="100 * (sections.hold.share ?? 1)"
        :label="t('plan-overShare')"
        sign="%"
        :fault="faultAt('kind.sections.hold.share')"
        :disabled="disabled"
        @update:model-value="$event !== undefined && setSections((sections) => (sections.hold.share = $event! / 100))"
      />
      <ChoiceField
        v-if="target"
        :model-value="target"
        :label="t('plan-overTo')"
        :choices="landmarks"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.hold.over_direction = { landmark: $event }))"
      />
      <template v-if="plane">
        <ChoiceField
          v-for="(landmark, corner) in plane"
          :key="corner"
          :model-value="landmark"
          :label="t('plan-planePoint', { n: corner + 1 })"
          :choices="landmarks"
          :disabled="disabled"
          @update:model-value="
            setSections((sections) => (sections.hold.over_direction = planeWith(plane!, corner, $event)))
          "
        />
      </template>
      <ChoiceField
        :model-value="tagOf(sections.guide ?? 'free') as GuideName"
        :label="t('plan-guide')"
        :choices="named(GUIDES, 'plan-guides')"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.guide = guideOf($event)))"
      />
      <ChoiceField
        :model-value="tagOf(sections.length) as LengthName"
        :label="t('plan-lengthKind')"
        :choices="named(lengths, 'plan-lengths')"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.length = lengthOf($event, sections.length)))"
      />
      <ChoiceField
        v-if="likeMove !== undefined"
        :model-value="String(likeMove)"
        :label="t('plan-likeMove')"
        :choices="earlier"
        :fault="faultAt('kind.sections.length.like_move')"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.length = { like_move: Number($event) }))"
      />
      <ChoiceField
        v-if="endsAt"
        :model-value="endsAt.point"
        :label="t('plan-endsAt')"
        :choices="named(points, 'point')"
        :disabled="disabled"
        @update:model-value="
          setSections((sections) => (sections.length = { ends_at: { ...endsAt!, point: $event as Point } }))
        "
      />
      <ChoiceField
        :model-value="fingers.shape"
        :label="t('plan-fingers')"
        :choices="named(fingerShapeValues, 'plan-fingerShapes')"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.fingers = { ...fingers, shape: $event }))"
      />
      <LengthField
        :model-value="fingers.slant_deg"
        :label="t('plan-slant')"
        sign="°"
        :fault="faultAt('kind.sections.fingers.slant_deg')"
        :disabled="disabled"
        @update:model-value="setSlant"
      />
      <LengthField
        :model-value="fingers.bow_mm"
        :label="t('plan-bow')"
        :fault="faultAt('kind.sections.fingers.bow_mm')"
        :disabled="disabled"
        @update:model-value="
          $event !== undefined && setSections((sections) => (sections.fingers = { ...fingers, bow_mm: $event! }))
        "
      />
      <ChoiceField
        v-if="fingers.slant_deg !== 0"
        :model-value="fingers.longer_toward ?? undefined"
        :label="t('plan-longerToward')"
        :choices="landmarks"
        :fault="faultAt('kind.sections.fingers.longer_toward')"
        :disabled="disabled"
        @update:model-value="setSections((sections) => (sections.fingers = { ...fingers, longer_toward: $event }))"
      />
    </template>
    <template v-if="gathered">
      <ChoiceField
        :model-value="gathered.toward ?? NONE"
        :label="t('plan-gatheredToward')"
        :choices="[{ value: NONE, label: t('plan-toAPoint') }, ...named(directionValues, 'direction')]"
        :disabled="disabled"
        @update:model-value="
          emit('change', (m) => {
            if ('gathered' in m.kind)
              m.kind.gathered =
                $event === NONE
                  ? pointedTo(m.kind.gathered, 'nose_tip')
                  : drawnToward(m.kind.gathered, $event as Direction);
          })
        "
      />
      <ChoiceField
        v-if="gathered.to"
        :model-value="gathered.to"
        :label="t('plan-gatheredTo')"
        :choices="face"
        :fault="faultAt('kind.gathered.to')"
        :disabled="disabled"
        @update:model-value="
          emit('change', (m) => {
            if ('gathered' in m.kind) m.kind.gathered = pointedTo(m.kind.gathered, $event as Point);
          })
        "
      />
      <ChoiceField
        v-if="gathered.to && PAIRED.includes(gathered.to)"
        :model-value="gathered.side ?? 'left'"
        :label="t('plan-gatheredSide')"
        :choices="named(['left', 'right'] as const, 'plan-halves')"
        :disabled="disabled"
        @update:model-value="
          emit('change', (m) => {
            if ('gathered' in m.kind) m.kind.gathered.side = $event as Side;
          })
        "
      />
    </template>
  </div>
</template>

<style scoped>
.how {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}

.wide {
  grid-column: 1 / -1;
}
</style>
