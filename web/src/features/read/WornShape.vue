<script setup lang="ts">
/** How wide the worn hair stands, which says how much room its curls take, and where hair that was cut short ends sharply. */
import type { HairNow, RawReading, Region, SharpEdge, WornWidth, Zone } from "@/api";
import CheckField from "@/shared/CheckField.vue";
import ChoiceField from "@/shared/ChoiceField.vue";
import LengthField from "@/shared/LengthField.vue";
import { useUnit } from "@/shared/unit";
import { named } from "@/shared/choices";
import { computed } from "vue";
import { t } from "@/shared/words";
import { apart } from "./agreement";

const model = defineModel<RawReading>({ required: true });
const props = defineProps<{ now?: HairNow; faultAt: (field: string) => string | undefined; disabled: boolean }>();
const { say } = useUnit();

/** Where callipers are laid: beside the temples, the ears, the jaw, or on the shoulders. */
const AT = ["brow", "cheekbone", "ear_lobe", "jaw_corner", "shoulder"] as const;
/** How far the computed width may lie off before it is said, mm. */
const CLOSE_MM = 8;
const width = computed(() => model.value.worn_width ?? undefined);

function setWidth(next: WornWidth | undefined) {
  const reading = { ...model.value };
  if (next) reading.worn_width = next;
  else delete reading.worn_width;
  model.value = reading;
}
const off = computed(() => {
  const told = props.now?.agreements.width;
  const mm = told ? apart(told) : undefined;
  if (mm === undefined || Math.abs(mm) < CLOSE_MM) return "";
  return t(mm > 0 ? "read-widthWider" : "read-widthNarrower", { length: say(Math.abs(mm)) });
});

const beyond = (through: string[], side: string): Region =>
  ({ side_of: { parting: { through }, with: side } }) as Region;
const EDGES: Record<string, { patch: Zone; within: Region }> = {
  fringe: { patch: "fringe", within: beyond(["brow_left", "apex", "brow_right"], "hairline_centre") },
  undercut: { patch: "nape", within: beyond(["ear_top_left", "occipital", "ear_top_right"], "nape_centre") },
};
const edges = computed(() => model.value.edges ?? []);
const has = (name: string) => edges.value.some((edge) => edge.patch === EDGES[name]?.patch);
function setEdge(name: string, on: boolean) {
  const edge = EDGES[name] as SharpEdge;
  const rest = edges.value.filter((known) => known.patch !== edge.patch);
  model.value = { ...model.value, edges: on ? [...rest, edge] : rest };
}
</script>

<template>
  <section class="shape part">
    <header>
      <h3>{{ t("read-shape") }}</h3>
      <span class="soft">{{
        width ? t("read-widthTaken", { length: say(width.width_mm) }) : t("read-widthOpen")
      }}</span>
    </header>
    <p class="soft small">{{ t("read-widthHint") }}</p>
    <div class="fields">
      <ChoiceField
        :model-value="width?.at.point ?? 'jaw_corner'"
        :label="t('read-widthAt')"
        :choices="named(AT, 'point')"
        :disabled="disabled || !width"
        @update:model-value="width && setWidth({ ...width, at: { point: $event, below_mm: 0 } })"
      />
      <LengthField
        :model-value="width?.width_mm"
        :label="t('read-width')"
        :fault="faultAt('worn_width.width_mm')"
        :disabled="disabled"
        @update:model-value="
          setWidth(
            $event === undefined
              ? undefined
              : { at: width?.at ?? { point: 'jaw_corner', below_mm: 0 }, width_mm: $event },
          )
        "
      />
    </div>
    <p v-if="off" class="small">{{ off }}</p>
    <CheckField
      v-for="name in ['fringe', 'undercut']"
      :key="name"
      :label="t(`read-edges-${name}`)"
      :model-value="has(name)"
      :disabled="disabled"
      @update:model-value="setEdge(name, $event)"
    />
  </section>
</template>

<style scoped>
summary .soft {
  margin-left: 10px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  padding: 10px 0;
}
</style>
