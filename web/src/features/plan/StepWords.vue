<script setup lang="ts">
/** A step as one describes it to a colleague: which hair, then how. */
import type { Step } from "@/api";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";

defineProps<{ step: Step }>();
const { tell } = useUnit();
</script>

<template>
  <div class="step">
    <p v-if="step.section" class="soft">{{ t("plan-section", { section: tell(step.section) }) }}</p>
    <p>{{ step.lines.map(tell).join(" ") }}</p>
  </div>
</template>

<style scoped>
.step {
  font-size: 0.95rem;
  line-height: 1.45;
}
</style>
