<script setup lang="ts">
/** Girths of all hair gathered in one bundle, down from the tie: how much of it reaches how far. */
import { type GatheredHair, type Girth, contract } from "@/api";
import LengthField from "@/shared/LengthField.vue";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";
import { bundle } from "./bundle";

/** Distance at which the next girth is proposed, mm. */
const STEP_MM = 100;
const model = defineModel<Girth[]>();
const props = defineProps<{
  gathered?: GatheredHair | null;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const { say } = useUnit();
const girths = computed(() => model.value ?? []);

function set(at: number, part: Partial<Girth>) {
  model.value = girths.value.map((girth, i) => (i === at ? { ...girth, ...part } : girth));
}
function add() {
  const last = girths.value.at(-1);
  const next = last ? { from_tie_mm: last.from_tie_mm + STEP_MM, girth_mm: last.girth_mm } : undefined;
  model.value = [...girths.value, next ?? { from_tie_mm: 0, girth_mm: 90 }];
}
const share = (i: number) => {
  const known = props.gathered?.shares[i];
  return known === undefined ? "" : `${Math.round(100 * known)} %`;
};
const drawn = computed(() => bundle(girths.value, props.gathered?.strong_mm));
</script>

<template>
  <section class="girths part">
    <header>
      <h3>{{ t("read-girths") }}</h3>
      <span class="soft">{{ t("read-girthsTaken", { count: girths.length }) }}</span>
    </header>
    <p class="soft small">{{ t("read-girthsHint") }}</p>
    <div class="ladder">
      <ol>
        <li v-for="(girth, i) in girths" :key="i">
          <LengthField
            :model-value="girth.from_tie_mm"
            :label="t('read-fromTie')"
            :fault="faultAt(`girths.${i}.from_tie_mm`)"
            :disabled="disabled"
            @update:model-value="$event !== undefined && set(i, { from_tie_mm: $event })"
          />
          <LengthField
            :model-value="girth.girth_mm"
            :label="t('read-girth')"
            :fault="faultAt(`girths.${i}.girth_mm`)"
            :disabled="disabled"
            @update:model-value="$event !== undefined && set(i, { girth_mm: $event })"
          />
          <b class="number share">{{ share(i) }}</b>
          <ElButton
            :disabled="disabled"
            :aria-label="t('read-girthDrop', { n: i + 1 })"
            @click="model = girths.filter((_, k) => k !== i)"
          >
            ×
          </ElButton>
        </li>
      </ol>
      <svg
        v-if="drawn && gathered"
        :viewBox="drawn.box"
        role="img"
        :aria-label="t('read-strongTo', { length: say(gathered.strong_mm) })"
      >
        <path class="hair" :d="drawn.outline" />
        <path v-if="gathered.strong_sd_mm" class="strong" :d="drawn.strong" />
      </svg>
    </div>
    <ElButton :disabled="disabled || girths.length >= contract.most.girths" @click="add">{{
      t("read-girthAdd")
    }}</ElButton>
  </section>
</template>

<style scoped>
.ladder {
  display: flex;
  gap: 18px;
  align-items: flex-start;
  padding: 10px 0;
}

ol {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 10px;
  flex: 1;
}

li {
  display: grid;
  grid-template-columns: minmax(90px, 1fr) minmax(90px, 1fr) 56px 48px;
  gap: 12px;
  align-items: end;
}

.share {
  line-height: 48px;
  text-align: right;
}

svg {
  width: 96px;
  height: 220px;
}

.hair {
  fill: var(--skin);
  stroke: var(--now);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.strong {
  stroke: var(--forecast);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
}
</style>
