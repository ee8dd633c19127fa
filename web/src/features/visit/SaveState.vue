<script setup lang="ts">
/** Says whether what is typed is safe, in words; and puts two versions before the person when somebody saved first. */
import { useIntervalFn } from "@vueuse/core";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import ConflictDialog from "./ConflictDialog.vue";
import type { VisitDocument } from "./useDocument";

const props = defineProps<{ document: VisitDocument<object>; undoable?: boolean }>();
const now = ref(Date.now());
useIntervalFn(() => (now.value = Date.now()), 1000);

const text = computed(() => {
  const { state, savedAt, faults, refusal } = props.document;
  if (!props.document.editable.value) return t("save-readOnly");
  if (!props.document.kept.value && state.value !== "saved") return t("save-notKept");
  switch (state.value) {
    case "saved": {
      if (!savedAt.value) return t("save-nothing");
      const seconds = Math.max(0, Math.round((now.value - Date.parse(savedAt.value)) / 1000));
      if (seconds < 60) return t("save-seconds", { n: seconds });
      if (seconds < 3600) return t("save-minutes", { n: Math.floor(seconds / 60) });
      return t("save-longAgo");
    }
    case "faulty":
      return t("save-faulty", { count: faults.value.length });
    case "refused":
      return t("save-refused", { why: refusal.value ?? "" });
    default:
      return t(`save-${state.value}`);
  }
});
const warning = computed(
  () =>
    ["unreachable", "faulty", "refused", "conflict"].includes(props.document.state.value) ||
    (!props.document.kept.value && props.document.state.value !== "saved"),
);
</script>

<template>
  <Teleport defer to="#save-state">
    <span class="row state">
      <span role="status" :class="{ warning }" data-testid="save-state">{{ text }}</span>
      <template v-if="undoable && document.editable.value">
        <ElButton :disabled="!document.canUndo.value" @click="document.undo()">{{ t("save-undo") }}</ElButton>
        <ElButton :disabled="!document.canRedo.value" @click="document.redo()">{{ t("save-redo") }}</ElButton>
      </template>
    </span>
  </Teleport>
  <ConflictDialog v-if="document.conflict.value" :document="document" />
</template>

<style scoped>
.state {
  gap: 6px;
  justify-content: flex-end;
  font-size: 0.92rem;
}

.warning {
  color: var(--warn);
  font-weight: 650;
}

.warning::before {
  content: "▲ ";
  font-size: 0.75em;
}
</style>
