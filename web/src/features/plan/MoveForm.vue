<script setup lang="ts">
/** What can be set of one step. */
import type { Figure, HairRequest, Move, Point, SectionPicture } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import DescribedFields from "@/shared/DescribedFields.vue";
import FoldPart from "@/shared/FoldPart.vue";
import { t } from "@/shared/words";
import BranchForm from "./BranchForm.vue";
import { finerFields } from "./finerFields";
import { howFields } from "./howFields";
import { moveFields } from "./moveFields";
import { pauseFields } from "./pauseFields";
import RegionForm from "./RegionForm.vue";
import SectionPick from "./SectionPick.vue";

defineProps<{
  move: Move;
  /** Its place in the cut, from 0, and how many steps there are. */
  at: number;
  count: number;
  /** The share and depth of its technique that were computed with: what isn't set has them. */
  techniqueShare: number | undefined;
  techniqueDepthMm: number | undefined;
  /** Sections that have names, and the person they are drawn on; nothing while they are on their way. */
  sections: readonly SectionPicture[] | undefined;
  figure: Figure | undefined;
  /** The head the section lies on. */
  on: HairRequest | undefined;
  points: readonly Point[];
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();
const put = (change: (move: Move) => void) => emit("change", change);
</script>

<template>
  <div v-if="'pause' in move.kind" class="form">
    <DescribedFields :fields="pauseFields(move.kind.pause)" :fault-at="faultAt" :disabled="disabled" @change="put" />
    <BranchForm
      v-if="'look' in move.kind.pause"
      class="wide"
      :move="move"
      :fault-at="faultAt"
      :disabled="disabled"
      @change="put"
    />
  </div>
  <div v-else class="form">
    <SectionPick
      v-if="sections && figure && on"
      class="wide"
      :model-value="move.region"
      :sections="sections"
      :figure="figure"
      :on="on"
      :disabled="disabled"
      @update:model-value="put((m) => (m.region = $event))"
    />
    <DescribedFields
      :fields="moveFields(move, points, { technique_share: techniqueShare, technique_depth_mm: techniqueDepthMm })"
      :fault-at="faultAt"
      :disabled="disabled"
      @change="put"
    />
    <FoldPart class="wide" :title="t('plan-how')">
      <RegionForm
        :model-value="move.region"
        :label="t('plan-region')"
        :fault-at="(field) => faultAt(`region.${field}`)"
        :disabled="disabled"
        @update:model-value="put((m) => (m.region = $event))"
      />
      <div class="form">
        <DescribedFields :fields="howFields(move, at, points)" :fault-at="faultAt" :disabled="disabled" @change="put" />
      </div>
    </FoldPart>
    <FoldPart class="wide" :title="t('plan-finer')">
      <div class="form">
        <DescribedFields
          :fields="finerFields(move, at, count, points)"
          :fault-at="faultAt"
          :disabled="disabled"
          @change="put"
        />
      </div>
    </FoldPart>
    <CheckField
      class="wide"
      :label="t('plan-mirrored')"
      :model-value="move.mirrored ?? false"
      :disabled="disabled"
      @update:model-value="put((m) => (m.mirrored = $event))"
    />
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  padding: 8px 0;
}

.wide {
  grid-column: 1 / -1;
}
</style>
