<script setup lang="ts">
/** A step as one describes it to a colleague: which hair, then how. */
import type { Step } from "@/api";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";

const props = defineProps<{ step: Step }>();
const { tell } = useUnit();

/** Letters of a section's definition that are read at a glance; a longer one is left to the drawn head, which bears it as its name. */
const SHORT = 44;
const section = computed(() => {
  const said = props.step.section ? tell(props.step.section) : "";
  return said.length <= SHORT ? said : "";
});
</script>

<template>
  <div class="step">
    <p v-if="section" class="soft">{{ t("plan-section", { section }) }}</p>
    <p>{{ step.lines.map(tell).join(" ") }}</p>
  </div>
</template>

<style scoped>
.step {
  font-size: 0.95rem;
  line-height: 1.45;
}
</style>
