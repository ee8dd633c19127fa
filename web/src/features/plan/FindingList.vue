<script setup lang="ts">
/** What a demanding eye would object to, with the moves that cause it and what would cure it. */
import type { Cure, Finding } from "@/api";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";

const props = defineProps<{ findings: readonly Finding[]; cures: readonly Cure[]; movable: boolean }>();
const emit = defineEmits<{ open: [move: number]; cure: [cure: Cure] }>();
const curesOf = (finding: Finding) => props.cures.filter((cure) => cure.code === finding.code);
const { tell } = useUnit();
</script>

<template>
  <ul v-if="findings.length > 0" class="findings" :aria-label="t('plan-findings')">
    <li v-for="finding in findings" :key="finding.code" class="stack tight">
      <p>
        <b>{{ t(`plan-finding-${finding.code}`) }}.</b> {{ tell(finding.text) }}
      </p>
      <p class="soft">{{ tell(finding.remedy) }}</p>
      <p v-if="movable" class="row">
        <ElButton v-for="cure in curesOf(finding)" :key="cure.lever" type="primary" plain @click="emit('cure', cure)">
          {{ tell(cure.text) }}
        </ElButton>
        <ElButton v-for="move in finding.moves" :key="move" @click="emit('open', move)">
          {{ t("plan-toMove", { number: move + 1 }) }}
        </ElButton>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  list-style: none;
  padding: 0;
}

li {
  border-left: 4px solid var(--warn-line);
  padding: 4px 0 4px 12px;
}

.row {
  flex-wrap: wrap;
  gap: 6px;
}

.row :deep(.el-button) {
  margin: 0;
  min-height: 44px;
  white-space: normal;
}

b::before {
  content: "▲ ";
  color: var(--warn);
  font-size: 0.8em;
}
</style>
