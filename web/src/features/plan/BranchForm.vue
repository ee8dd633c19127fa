<script setup lang="ts">
/** What is done after a look, by what is seen. */
import type { Branch, Move } from "@/api";
import MemberList from "@/shared/MemberList.vue";
import { text, type Field } from "@/shared/fields";
import { computed } from "vue";
import { t } from "@/shared/words";

type Listed = Branch & { id?: number };
const props = defineProps<{
  move: Move;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();
const emit = defineEmits<{ change: [change: (move: Move) => void] }>();
/** Branches that can be kept. */
const MOST = 6;
const look = computed(() =>
  "pause" in props.move.kind && "look" in props.move.kind.pause ? props.move.kind.pause.look : undefined,
);
const branches = computed<Listed[]>({
  get: () => look.value?.branches ?? [],
  set: (branches) => {
    const note = look.value?.note ?? "";
    emit("change", (move) => (move.kind = { pause: { look: { note, branches } } }));
  },
});
const fields = (branch: Listed): Field<Listed>[] => [
  text("seen", t("plan-branchSeen"), branch.seen, (one, said) => (one.seen = said)),
  text("then", t("plan-branchThen"), branch.then, (one, said) => (one.then = said)),
];
</script>

<template>
  <MemberList
    v-if="look"
    v-model="branches"
    list="kind.pause.look.branches"
    :fields="fields"
    :begin="() => ({ seen: '', then: '' })"
    :most="MOST"
    :add="t('plan-branchAdd')"
    :remove="(n) => t('plan-branchRemove', { n })"
    :fault-at="faultAt"
    :disabled="disabled"
  />
</template>
