<script setup lang="ts">
import ChoiceRow from "@/shared/ChoiceRow.vue";
import { sayMoment } from "@/shared/days";
import { at } from "@/shared/edit";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";
import { computed, ref, watchEffect } from "vue";
import { sayPath, sayValue } from "./sayEdit";
import type { VisitDocument } from "./useDocument";

const props = defineProps<{ document: VisitDocument<object> }>();
const { say } = useUnit();
type Side = "mine" | "theirs";
const chosen = ref<Side[]>([]);

const conflict = computed(() => props.document.conflict.value);
const rows = computed(() => {
  const { clashes, theirs } = conflict.value ?? { clashes: [], theirs: undefined };
  return clashes.map((change) => ({
    change,
    key: change.path.join("."),
    name: sayPath(at(theirs?.body, change.path.slice(0, -1)) ? theirs?.body : props.document.draft.value, change.path),
    mine: sayValue(change.path, change.value, say),
    theirs: sayValue(change.path, at(theirs?.body, change.path), say),
  }));
});
watchEffect(() => (chosen.value = rows.value.map(() => "mine")));

function settle(side: Side | undefined) {
  const mine = rows.value.filter((_, i) => (side ?? chosen.value[i]) === "mine");
  props.document.resolve(mine.map(({ change }) => change));
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
          <tr v-for="(row, i) in rows" :key="row.key">
            <th scope="row">{{ row.name }}</th>
            <td>
              <small class="soft whose">{{ t("conflict-mine") }}: </small>{{ row.mine }}
            </td>
            <td>
              <small class="soft whose">{{ t("conflict-theirs") }}: </small>{{ row.theirs }}
            </td>
            <td>
              <ChoiceRow
                v-model="chosen[i]"
                hide-label
                :label="row.name"
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

.row {
  flex-wrap: wrap;
}

.whose {
  display: none;
}

/* On a phone each line is a block: what differs, then both values, then the choice. */
@media (max-width: 600px) {
  thead {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }

  tr {
    display: grid;
    grid-template-columns: 1fr 1fr;
    border-bottom: 1px solid var(--line);
    padding-block: 8px;
  }

  th,
  td {
    border: 0;
    padding-block: 4px;
  }

  .whose {
    display: inline;
  }

  th,
  td:last-child {
    grid-column: 1 / -1;
  }
}
</style>
