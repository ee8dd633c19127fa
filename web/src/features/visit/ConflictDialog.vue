<script setup lang="ts">
import type { Girth, Spot } from "@/api";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import type { Leaf } from "@/shared/merge";
import { isPatch, sayPatch } from "@/shared/patches";
import { useUnit } from "@/shared/unit";
import { sayMoment } from "@/shared/days";
import { computed, ref, watchEffect } from "vue";
import { t, te } from "@/shared/words";
import type { VisitDocument } from "./useDocument";

const props = defineProps<{ document: VisitDocument<object> }>();
const { say } = useUnit();
type Side = "mine" | "theirs";
const taken = ref<Side[]>([]);

const conflict = computed(() => props.document.conflict.value);
watchEffect(() => {
  // Where only they changed something, theirs stands; everywhere else mine does until the person says otherwise.
  taken.value = conflict.value?.differences.map((d) => (d.changedBy === "them" ? "theirs" : "mine")) ?? [];
});

/** Words for a path: the locale's for each key that has some. */
function name(path: readonly string[]): string {
  return path.map((key) => (te(`fields-${key}`) ? t(`fields-${key}`) : isPatch(key) ? sayPatch(key) : key)).join(", ");
}

function value(path: readonly string[], leaf: Leaf): string {
  if (leaf === undefined || leaf === null || leaf === "") return t("conflict-nothing");
  if (typeof leaf === "number" && path.at(-1)?.endsWith("_mm")) return say(leaf);
  if (path.at(-1) === "girths" && typeof leaf === "string") {
    const girths = JSON.parse(leaf) as Girth[];
    return girths.map((girth) => `${say(girth.from_tie_mm)}: ${say(girth.girth_mm)}`).join("; ");
  }
  if (path.at(-1) === "spots" && typeof leaf === "string") {
    const spots = JSON.parse(leaf) as Spot[];
    return spots.map((spot) => `${t(`read-spotKinds-${spot.kind}`)}: ${t(`landmark-${spot.at}`)}`).join("; ");
  }
  if (typeof leaf === "boolean") return t(leaf ? "app-yes" : "app-no");
  return te(`point-${leaf}`) ? t(`point-${leaf}`) : String(leaf);
}

function settle(choice: Side | undefined) {
  const found = conflict.value?.differences ?? [];
  const mine = found.filter((_, i) => (choice ?? taken.value[i]) === "mine");
  props.document.resolve(mine.map((d) => d.path));
}
</script>

<template>
  <ElDialog
    :model-value="true"
    :title="t('conflict-title', { who: conflict?.theirs.saved_by ?? '' })"
    width="760px"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
    append-to="#layers"
  >
    <div v-if="conflict" class="stack">
      <p>{{ t("conflict-text", { moment: sayMoment(conflict.theirs.saved_at) }) }}</p>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t("conflict-field") }}</th>
            <th scope="col">{{ t("conflict-mine") }}</th>
            <th scope="col">{{ t("conflict-theirs") }}</th>
            <th scope="col">{{ t("conflict-keep") }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(difference, i) in conflict.differences" :key="difference.path.join('.')">
            <th scope="row">{{ name(difference.path) }}</th>
            <td>{{ value(difference.path, difference.mine) }}</td>
            <td>{{ value(difference.path, difference.theirs) }}</td>
            <td>
              <ChoiceRow
                v-model="taken[i]"
                hide-label
                :label="name(difference.path)"
                :choices="[
                  { value: 'mine', label: t('conflict-mine') },
                  { value: 'theirs', label: t('conflict-theirs') },
                ]"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div class="row">
        <ElButton type="primary" @click="settle(undefined)">{{ t("conflict-keepChosen") }}</ElButton>
        <ElButton @click="settle('mine')">{{ t("conflict-keepMine") }}</ElButton>
        <ElButton @click="settle('theirs')">{{ t("conflict-keepTheirs") }}</ElButton>
      </div>
    </div>
  </ElDialog>
</template>

<style scoped>
th,
td {
  padding: 8px 12px 8px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: middle;
  overflow-wrap: anywhere;
}
</style>
