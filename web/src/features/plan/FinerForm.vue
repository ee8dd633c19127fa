<script setup lang="ts">
/** What a move can say besides: hair that stays out of the hand, a tilted head, sections in turn, weight kept for later. */
import type { Drops, HeadTilt, Move, Pattern, Point } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { useChoices } from "@/shared/useChoices";
import { computed } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{
  move: Move;
  /** Its place in the cut, from 0, and how many moves there are. */
  at: number;
  count: number;
  points: readonly Point[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();
const { named } = useChoices();
const NONE = "none" as const;
const EVERY: readonly string[] = ["1", "2", "3", "4"];
const sections = computed(() => ("sections" in props.move.kind ? props.move.kind.sections : undefined));
const textured = computed(() => props.move.technique?.kind !== undefined && props.move.technique.kind !== "blunt");
const perhaps = computed(() => [{ value: NONE, label: t("plan-noDrop") }, ...named(props.points, "point")]);
const SIDES = ["ends_below", "ends_above"] as const;
const TILTS = ["forward_deg", "left_deg"] as const;
const later = computed(() => [
  { value: NONE, label: t("plan-notBanked") },
  ...Array.from({ length: Math.max(0, props.count - props.at - 1) }, (_, i) => {
    const number = props.at + 1 + i;
    return { value: String(number), label: t("plan-stepNumber", { n: number + 1 }) };
  }),
]);

function setDrop(side: keyof Drops, point: Point | typeof NONE, below_mm = 0) {
  emit("change", (move) => {
    if (!("sections" in move.kind)) return;
    const drops: Drops = { ends_below: null, ends_above: null, ...move.kind.sections.drops };
    drops[side] = point === NONE ? null : { point, below_mm };
    if (drops.ends_below || drops.ends_above) move.kind.sections.drops = drops;
    else delete move.kind.sections.drops;
  });
}
function setTilt(of: keyof HeadTilt, degrees: number | undefined) {
  if (degrees === undefined) return;
  emit("change", (move) => {
    if (!("sections" in move.kind)) return;
    const tilt = { forward_deg: 0, left_deg: 0, ...move.kind.sections.hold.tilt, [of]: degrees };
    move.kind.sections.hold.tilt = tilt;
  });
}
function setPattern(part: Partial<Pattern>) {
  emit("change", (move) => {
    const pattern = { every: 1, solid_first: 0, last_solid: false, ...move.pattern, ...part };
    if (pattern.every === 1 && pattern.solid_first === 0 && !pattern.last_solid && !pattern.within) delete move.pattern;
    else move.pattern = pattern;
  });
}
function setBanked(until: string) {
  emit("change", (move) => {
    if (until === NONE) delete move.banked_until;
    else move.banked_until = Number(until);
  });
}
</script>

<template>
  <div class="finer">
    <template v-if="sections">
      <template v-for="side in SIDES" :key="side">
        <ChoiceField
          :model-value="sections.drops?.[side]?.point ?? NONE"
          :label="t(`plan-${side}`)"
          :choices="perhaps"
          :disabled="disabled"
          @update:model-value="setDrop(side, $event as Point | typeof NONE)"
        />
        <LengthField
          v-if="sections.drops?.[side]"
          :model-value="sections.drops[side]?.below_mm ?? 0"
          :label="t('plan-amount-below')"
          :fault="faultAt(`kind.sections.drops.${side}.below_mm`)"
          :disabled="disabled"
          @update:model-value="
            $event !== undefined && setDrop(side, sections.drops?.[side]?.point ?? 'shoulder', $event)
          "
        />
        <span v-else></span>
      </template>
      <LengthField
        v-for="of in TILTS"
        :key="of"
        :model-value="sections.hold.tilt?.[of] ?? 0"
        :label="t(`plan-tilts-${of}`)"
        sign="°"
        :fault="faultAt(`kind.sections.hold.tilt.${of}`)"
        :disabled="disabled"
        @update:model-value="setTilt(of, $event)"
      />
    </template>
    <template v-if="textured">
      <ChoiceField
        :model-value="String(move.pattern?.every ?? 1)"
        :label="t('plan-textures')"
        :choices="named(EVERY, 'plan-everies')"
        :fault="faultAt('pattern.every')"
        :disabled="disabled"
        @update:model-value="setPattern({ every: Number($event) })"
      />
      <LengthField
        :model-value="move.pattern?.solid_first ?? 0"
        :label="t('plan-solidFirst')"
        sign="×"
        :fault="faultAt('pattern.solid_first')"
        :disabled="disabled"
        @update:model-value="$event !== undefined && setPattern({ solid_first: Math.round($event) })"
      />
      <CheckField
        class="wide"
        :label="t('plan-lastSolid')"
        :model-value="move.pattern?.last_solid ?? false"
        :disabled="disabled"
        @update:model-value="setPattern({ last_solid: $event })"
      />
    </template>
    <ChoiceField
      class="wide"
      :model-value="String(move.banked_until ?? NONE)"
      :label="t('plan-banked')"
      :choices="later"
      :fault="faultAt('banked_until')"
      :disabled="disabled"
      @update:model-value="setBanked"
    />
  </div>
</template>

<style scoped>
.finer {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  padding: 8px 0;
}

.wide {
  grid-column: 1 / -1;
}
</style>
