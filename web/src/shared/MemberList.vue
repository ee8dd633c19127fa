<script setup lang="ts" generic="T extends { id?: number }">
/** A list of alike members, each a row of fields that are described rather than written out; members are added and removed. */
import DescribedFields from "./DescribedFields.vue";
import type { Field } from "./fields";
import { copy } from "./plain";

const members = defineModel<T[]>({ required: true });
defineProps<{
  /** Its name in the document, for the faults of its fields. */
  list: string;
  fields: (member: T, at: number) => readonly Field<T>[];
  /** A member as it begins. */
  begin: () => T;
  most: number;
  add: string;
  /** What removing the n-th is called. */
  remove: (n: number) => string;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();

function change(at: number, how: (member: T) => void) {
  const all = copy(members.value);
  how(all[at]!);
  members.value = all;
}
</script>

<template>
  <div class="members">
    <ol v-if="members.length > 0">
      <li v-for="(member, i) in members" :key="member.id ?? i">
        <div class="fields">
          <DescribedFields
            :fields="fields(member, i)"
            :fault-at="(path) => faultAt(`${list}.${i}.${path}`)"
            :disabled="disabled"
            @change="change(i, $event)"
          />
          <slot name="more" :at="i" />
        </div>
        <ElButton :disabled="disabled" :aria-label="remove(i + 1)" @click="members = members.filter((_, k) => k !== i)">
          ×
        </ElButton>
      </li>
    </ol>
    <div class="row adds">
      <ElButton :disabled="disabled || members.length >= most" @click="members = [...members, begin()]">{{
        add
      }}</ElButton>
      <slot name="beside" />
    </div>
  </div>
</template>

<style scoped>
.members {
  display: grid;
  gap: 10px;
}

ol {
  list-style: none;
  padding: 6px 0;
  display: grid;
  gap: 14px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 48px;
  gap: 10px;
  align-items: end;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 10px;
  align-items: start;
}

.adds {
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
}

.adds :deep(.field) {
  flex: 0 1 240px;
}
</style>
