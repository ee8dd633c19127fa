<script setup lang="ts">
/** Girths of all hair gathered in one bundle, down from the tie: how much of it reaches how far. */
import { type GatheredHair, type Girth, contract } from "@/api";
import { number, type Field } from "@/shared/fields";
import MemberList from "@/shared/MemberList.vue";
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
const girths = computed({ get: () => model.value ?? [], set: (all) => (model.value = all) });

const fields = (girth: Girth): Field<Girth>[] => [
  number("from_tie_mm", t("read-fromTie"), girth.from_tie_mm, (g, mm) => (g.from_tie_mm = mm)),
  number("girth_mm", t("read-girth"), girth.girth_mm, (g, mm) => (g.girth_mm = mm)),
];
function begin(): Girth {
  const last = girths.value.at(-1);
  return last ? { from_tie_mm: last.from_tie_mm + STEP_MM, girth_mm: last.girth_mm } : { from_tie_mm: 0, girth_mm: 90 };
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
      <MemberList
        v-model="girths"
        class="girth"
        list="girths"
        :fields="fields"
        :begin="begin"
        :most="contract.most.girths"
        :add="t('read-girthAdd')"
        :remove="(n) => t('read-girthDrop', { n })"
        :fault-at="faultAt"
        :disabled="disabled"
      >
        <template #more="{ at }">
          <b class="number share">{{ share(at) }}</b>
        </template>
      </MemberList>
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
  </section>
</template>

<style scoped>
.ladder {
  display: flex;
  gap: 18px;
  align-items: flex-start;
  padding: 10px 0;
}

.girth {
  flex: 1;
  min-width: 0;
}

.girth :deep(.fields) {
  grid-template-columns: minmax(80px, 1fr) minmax(80px, 1fr) 56px;
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
