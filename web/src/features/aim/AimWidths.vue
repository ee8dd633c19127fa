<script setup lang="ts">
/** How wide the outline should be seen from the front, by height, beside how wide it is. */
import { contract, type Fall, type Figure, type Point, type WidthAim } from "@/api";
import ChoiceField from "@/shared/ChoiceField.vue";
import FoldPart from "@/shared/FoldPart.vue";
import LengthField from "@/shared/LengthField.vue";
import { named } from "@/shared/choices";
import { heightOf } from "@/shared/headDrawing";
import { useUnit } from "@/shared/unit";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import { widthAt } from "./widthAt";

const widths = defineModel<WidthAim[]>({ required: true });
const props = defineProps<{
  figure: Figure;
  /** The hair as it is; nothing while it isn't known. */
  now: Fall | undefined;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const { say } = useUnit();
/** Widths that can be kept. */
const MOST = 6;
const POINTS = contract.points.map(({ point }) => point);
const open = ref(widths.value.length > 0);
const heightAt = (wish: WidthAim) => heightOf(props.figure, wish.at.point) - (wish.at.below_mm ?? 0);
const isNow = (wish: WidthAim) => (props.now ? widthAt(props.now.front, heightAt(wish)) : undefined);
const free = computed(() => POINTS.find((point) => !widths.value.some((wish) => wish.at.point === point)));

function put(at: number, next: Partial<WidthAim>) {
  widths.value = widths.value.map((wish, i) => (i === at ? { ...wish, ...next } : wish));
}
function add() {
  const point: Point = widths.value.some((wish) => wish.at.point === "chin") ? (free.value ?? "chin") : "chin";
  const wish: WidthAim = { at: { point, below_mm: 0 }, width_mm: 0 };
  widths.value = [...widths.value, { ...wish, width_mm: Math.max(60, Math.round(isNow(wish) ?? 200)) }];
}
</script>

<template>
  <FoldPart v-model:open="open" :title="t('aim-widths')">
    <div class="stack tight">
      <div v-for="(wish, i) in widths" :key="i" class="width">
        <ChoiceField
          :model-value="wish.at.point"
          :label="t('aim-widthAt')"
          :choices="named(POINTS, 'point')"
          :disabled="disabled"
          @update:model-value="put(i, { at: { point: $event, below_mm: 0 } })"
        />
        <LengthField
          :model-value="wish.width_mm"
          :label="t('aim-width')"
          :fault="faultAt(`widths.${i}.width_mm`)"
          :disabled="disabled"
          @update:model-value="put(i, { width_mm: $event ?? 0 })"
        />
        <span class="soft">{{ isNow(wish) === undefined ? "" : t("aim-widthNow", { width: say(isNow(wish)!) }) }}</span>
        <ElButton :disabled="disabled" @click="widths = widths.filter((_, k) => k !== i)">{{
          t("aim-widthRemove")
        }}</ElButton>
      </div>
      <p>
        <ElButton :disabled="disabled || widths.length >= MOST" @click="add">{{ t("aim-widthAdd") }}</ElButton>
      </p>
    </div>
  </FoldPart>
</template>

<style scoped>
.width {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 6px 12px;
  align-items: end;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--line);
}

.width :deep(.el-button) {
  justify-self: end;
}
</style>
