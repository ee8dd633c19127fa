<script setup lang="ts">
/** A region put together: zones, halves, edges and sides of partings, joined by and, or and not. */
import FoldPart from "@/shared/FoldPart.vue";
import { type Landmark, type Offset, type Parting, type Region, type Zone, zoneValues } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";
import { REGION_KINDS, kindOf, partsOf, regionOf, withParts, type RegionKind } from "./regions";
import { landmarkOf } from "./how";
import { useChoices } from "@/shared/useChoices";

const props = defineProps<{
  modelValue: Region;
  label: string;
  /** Says what is wrong at a place below this region. */
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ "update:modelValue": [region: Region] }>();

const kind = computed(() => kindOf(props.modelValue));
const { named, landmarks } = useChoices();
const kinds = computed(() => named(REGION_KINDS, "plan-regions"));
const NONE = "none" as const;
const perhaps = computed(() => [{ value: NONE, label: t("plan-noThird") }, ...landmarks.value]);
const zones = computed(() => named(zoneValues, "zone"));
const parts = computed(() => partsOf(props.modelValue));
const side = computed(() =>
  props.modelValue !== "everything" && "side_of" in props.modelValue ? props.modelValue.side_of : undefined,
);
const edge = computed(() =>
  props.modelValue !== "everything" && "edge" in props.modelValue ? props.modelValue.edge : undefined,
);
const zone = computed(() =>
  props.modelValue !== "everything" && "zone" in props.modelValue ? props.modelValue.zone : undefined,
);

function setKind(next: RegionKind) {
  emit("update:modelValue", regionOf(next, props.modelValue));
}
function setPart(at: number, part: Region) {
  emit(
    "update:modelValue",
    withParts(
      props.modelValue,
      parts.value.map((present, i) => (i === at ? part : present)),
    ),
  );
}
function dropPart(at: number) {
  const rest = parts.value.filter((_, i) => i !== at);
  emit("update:modelValue", rest.length === 1 ? rest[0]! : withParts(props.modelValue, rest));
}
function addPart() {
  emit("update:modelValue", withParts(props.modelValue, [...parts.value, { zone: "top" }]));
}
const through = computed(() => (side.value?.parting.through ?? []).map(landmarkOf));
function setThrough(at: number, landmark: Landmark | typeof NONE) {
  if (!side.value) return;
  const through = [...(side.value.parting.through ?? [])];
  if (landmark === NONE) through.splice(at, 1);
  else through[at] = landmark;
  const parting = { ...side.value.parting, through };
  delete parting.own;
  emit("update:modelValue", { side_of: { ...side.value, parting } });
}
/** How far a point of the parting lies from its landmark; nothing where it is the landmark. */
const OFFSETS = ["behind_mm", "above_mm"] as const;
const offsetOf = (at: number): Partial<Offset> => {
  const anchor = side.value?.parting.through?.[at];
  return typeof anchor === "object" ? anchor : {};
};
function setOffset(at: number, of: (typeof OFFSETS)[number], mm: number | undefined) {
  const landmark = through.value[at];
  if (!side.value || !landmark) return;
  const all = [...(side.value.parting.through ?? [])];
  const next = { at: landmark, behind_mm: 0, above_mm: 0, left_mm: 0, ...offsetOf(at), [of]: mm ?? 0 };
  all[at] = next.behind_mm || next.above_mm || next.left_mm ? next : landmark;
  emit("update:modelValue", { side_of: { ...side.value, parting: { ...side.value.parting, through: all } } });
}
function setOwn(own: boolean) {
  if (!side.value) return;
  const parting: Parting = own ? { own: true } : { through: ["hairline_centre", "apex", "occipital"] };
  const { zigzag_mm } = side.value.parting;
  if (zigzag_mm) parting.zigzag_mm = zigzag_mm;
  emit("update:modelValue", { side_of: { with: side.value.with, parting } });
}
function setZigzag(mm: number | undefined) {
  if (!side.value) return;
  const parting = { ...side.value.parting };
  delete parting.zigzag_mm;
  if (mm) parting.zigzag_mm = mm;
  emit("update:modelValue", { side_of: { ...side.value, parting } });
}
</script>

<template>
  <fieldset class="region" :disabled="disabled">
    <legend class="visually-hidden">{{ label }}</legend>
    <ChoiceField
      :model-value="kind"
      :label="label"
      :choices="kinds"
      :disabled="disabled"
      @update:model-value="setKind"
    />
    <ChoiceField
      v-if="zone"
      :model-value="zone"
      :label="t('plan-zone')"
      :choices="zones"
      :disabled="disabled"
      @update:model-value="emit('update:modelValue', { zone: $event as Zone })"
    />
    <LengthField
      v-if="edge"
      :model-value="edge.within_mm"
      :label="t('plan-within')"
      :fault="faultAt('edge.within_mm')"
      :disabled="disabled"
      @update:model-value="$event !== undefined && emit('update:modelValue', { edge: { within_mm: $event } })"
    />
    <CheckField
      v-if="side"
      :label="t('plan-ownParting')"
      :model-value="side.parting.own ?? false"
      :disabled="disabled"
      @update:model-value="setOwn"
    />
    <div v-if="side" class="pair">
      <ChoiceField
        v-for="at in side.parting.own ? [] : [0, 1]"
        :key="at"
        :model-value="through[at]"
        :label="t(at === 0 ? 'plan-partingFrom' : 'plan-partingOver')"
        :choices="landmarks"
        :fault="at === 0 ? faultAt('side_of.parting.through') : undefined"
        :disabled="disabled"
        @update:model-value="setThrough(at, $event as Landmark)"
      />
      <ChoiceField
        v-if="!side.parting.own"
        :model-value="through[2] ?? NONE"
        :label="t('plan-partingTo')"
        :choices="perhaps"
        :disabled="disabled"
        @update:model-value="setThrough(2, $event as Landmark | typeof NONE)"
      />
      <ChoiceField
        :model-value="side.with"
        :label="t('plan-sideWith')"
        :choices="landmarks"
        :fault="faultAt('side_of.with')"
        :disabled="disabled"
        @update:model-value="emit('update:modelValue', { side_of: { parting: side.parting, with: $event } })"
      />
      <LengthField
        :model-value="side.parting.zigzag_mm ?? undefined"
        :label="t('plan-zigzag')"
        :fault="faultAt('side_of.parting.zigzag_mm')"
        :disabled="disabled"
        @update:model-value="setZigzag"
      />
    </div>
    <FoldPart v-if="side && !side.parting.own" :title="t('plan-offset')">
      <div class="pair">
        <template v-for="(landmark, at) in through" :key="at">
          <LengthField
            v-for="of in OFFSETS"
            :key="of"
            :model-value="offsetOf(at)[of] ?? 0"
            :label="t(`plan-offsets-${of}`, { landmark: t(`landmark-${landmark}`) })"
            :fault="faultAt(`side_of.parting.through.${at}.${of}`)"
            :disabled="disabled"
            @update:model-value="setOffset(at, of, $event)"
          />
        </template>
      </div>
    </FoldPart>
    <ul v-if="parts.length > 0" class="parts">
      <li v-for="(part, i) in parts" :key="i">
        <RegionForm
          :model-value="part"
          :label="t(kind === 'not' ? 'plan-partNot' : 'plan-part_n', { n: i + 1 })"
          :fault-at="(field) => faultAt(kind === 'not' ? `not.${field}` : `${kind}.${i}.${field}`)"
          :disabled="disabled"
          @update:model-value="setPart(i, $event)"
        />
        <ElButton v-if="kind !== 'not' && parts.length > 1" size="small" :disabled="disabled" @click="dropPart(i)">
          {{ t("plan-dropPart", { n: i + 1 }) }}
        </ElButton>
      </li>
    </ul>
    <ElButton v-if="kind === 'all' || kind === 'any'" size="small" :disabled="disabled" @click="addPart">
      {{ t("plan-addPart") }}
    </ElButton>
  </fieldset>
</template>

<style scoped>
.region {
  display: grid;
  gap: 10px;
  min-width: 0;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(136px, 1fr));
  gap: 10px 12px;
}

.parts {
  list-style: none;
  display: grid;
  gap: 12px;
  border-left: 3px solid var(--line);
  padding-left: 10px;
}

.parts li {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.parts li > :first-child {
  width: 100%;
}
</style>
