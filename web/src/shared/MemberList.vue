<script setup lang="ts" generic="T extends { id?: number }">
/** A list of alike members, each a row of fields that are described rather than written out; members are added and removed. */
import ChoiceField from "./ChoiceField.vue";
import LengthField from "./LengthField.vue";
import type { MemberField } from "./memberField";

const members = defineModel<T[]>({ required: true });
const props = defineProps<{
  /** Its name in the document, for the faults of its fields. */
  list: string;
  fields: readonly MemberField<T>[];
  /** A member as it begins. */
  begin: () => T;
  most: number;
  add: string;
  /** What removing the n-th is called. */
  remove: (n: number) => string;
  faultAt: (field: string) => string | undefined;
  disabled: boolean;
}>();

const change = (at: number, part: Partial<T>) =>
  (members.value = members.value.map((member, i) => (i === at ? { ...member, ...part } : member)));
const fault = (at: number, field: MemberField<T>) => props.faultAt(`${props.list}.${at}.${field.path}`);
</script>

<template>
  <div class="members">
    <ol v-if="members.length > 0">
      <li v-for="(member, i) in members" :key="member.id ?? i">
        <div class="fields">
          <template v-for="field in fields" :key="field.path">
            <ChoiceField
              v-if="field.kind === 'choice' && field.get(member) !== undefined"
              :model-value="field.get(member)"
              :label="field.label"
              :choices="field.choices"
              :fault="fault(i, field)"
              :disabled="disabled"
              @update:model-value="change(i, field.set($event, member))"
            />
            <LengthField
              v-else-if="field.kind === 'number'"
              :model-value="field.get(member)"
              :label="field.label"
              :sign="field.sign"
              :fault="fault(i, field)"
              :disabled="disabled"
              @update:model-value="$event !== undefined && change(i, field.set($event, member))"
            />
          </template>
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
