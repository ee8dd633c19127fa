<script setup lang="ts">
/** What a demanding eye would object to, the worst first: each opens its measure, what it comes from and what takes it away. */
import type { Cure, FallRequest, Figure, Finding } from "@/api";
import { useUnit } from "@/shared/unit";
import type { View } from "@/shared/sights";
import type { Box } from "@/shared/hair/picture";
import { computed, ref } from "vue";
import { t } from "@/shared/words";
import CureOffer from "./CureOffer.vue";
import FindingScale from "./FindingScale.vue";
import { AT_ONCE, numbered, sureness } from "./findings";

const props = defineProps<{
  findings: readonly Finding[];
  /** The same with causes and cures, once they are known; of a plan that is looked at beside it they are never asked. */
  judged?: readonly Finding[] | undefined;
  movable: boolean;
  question: FallRequest;
  figure: Figure;
  view: View;
  box: Box;
  disabled?: boolean;
}>();
const open = defineModel<Finding["code"] | undefined>("open", { required: true });
const emit = defineEmits<{ step: [number: number]; cure: [cure: Cure] }>();
const { tell } = useUnit();

const all = computed(() => numbered(props.findings));
const whole = ref(false);
const shown = computed(() => (whole.value ? all.value : all.value.slice(0, AT_ONCE)));
const more = computed(() => all.value.length - AT_ONCE);
const known = (code: Finding["code"]) => props.judged?.find((finding) => finding.code === code);
const sure = (code: Finding["code"]) => sureness(known(code)?.confidence);
const sentence = (finding: Finding) => {
  const said = tell(finding.text);
  return said.charAt(0).toUpperCase() + said.slice(1);
};
</script>

<template>
  <p v-if="findings.length === 0" class="none">{{ t("plan-noFindings") }}</p>
  <ol v-else class="findings" :aria-label="t('plan-findings')">
    <li v-for="{ finding, number } in shown" :key="finding.code" :class="{ open: finding.code === open }">
      <button
        type="button"
        class="head"
        :aria-expanded="finding.code === open"
        @click="open = finding.code === open ? undefined : finding.code"
      >
        <span class="pin" aria-hidden="true">{{ number }}</span>
        <span>
          <b>{{ t(`plan-finding-${finding.code}`) }}</b>
          <small v-if="sure(finding.code)" class="soft sure">{{ t(`plan-${sure(finding.code)}`) }}</small>
        </span>
        <meter class="bad" min="0" max="1" :value="finding.severity" aria-hidden="true" />
      </button>
      <p class="sentence">{{ sentence(finding) }}</p>
      <div v-if="finding.code === open" class="stack tight inside">
        <FindingScale :finding="finding" />
        <template v-if="movable">
          <p v-if="!known(finding.code)" class="soft small" aria-live="polite">{{ t("plan-curesPending") }}</p>
          <template v-else>
            <p v-if="known(finding.code)!.steps.length > 0" class="row">
              <span class="soft small">{{ t("plan-causedBy") }}</span>
              <ElButton v-for="step in known(finding.code)!.steps" :key="step" @click="emit('step', step)">
                {{ t("plan-stepNumber", { n: step + 1 }) }}
              </ElButton>
            </p>
            <p v-else class="soft small">{{ t("plan-hairHasIt") }}</p>
            <template v-if="known(finding.code)!.cures.length > 0">
              <h3 class="small">{{ t("plan-cures") }}</h3>
              <CureOffer
                v-for="cure in known(finding.code)!.cures"
                :key="cure.lever"
                :cure="cure"
                :question="question"
                :figure="figure"
                :view="view"
                :box="box"
                :disabled="disabled"
                @cure="emit('cure', $event)"
              />
            </template>
            <p v-else class="soft small">{{ t("plan-noCure") }}</p>
          </template>
        </template>
      </div>
    </li>
  </ol>
  <p v-if="more > 0">
    <ElButton :aria-expanded="whole" @click="whole = !whole">
      {{ whole ? t("plan-fewerFindings") : t("plan-moreFindings", { n: more }) }}
    </ElButton>
  </p>
</template>

<style scoped>
.findings {
  list-style: none;
  padding: 0;
  border-top: 1px solid var(--line);
}

li {
  border-bottom: 1px solid var(--line);
  padding-bottom: 8px;
}

li.open {
  background: var(--sheet);
  padding-inline: 8px;
  box-shadow: inset 4px 0 0 var(--warn-line);
}

.head {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 0;
  width: 100%;
  min-height: 44px;
  text-align: left;
  display: grid;
  grid-template-columns: 26px 1fr 64px;
  gap: 8px;
  align-items: center;
  cursor: pointer;
}

.pin {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 50% 50% 50% 2px;
  background: var(--warn);
  color: var(--sheet);
  font-weight: 650;
  font-size: 0.85rem;
}

.sure {
  margin-left: 8px;
}

.bad {
  width: 64px;
  height: 8px;
  appearance: none;
  background: var(--line);
  border-radius: 4px;
}

.bad::-webkit-meter-bar {
  background: var(--line);
  border: 0;
  border-radius: 4px;
  height: 8px;
}

.bad::-webkit-meter-optimum-value {
  background: var(--warn-line);
  border-radius: 4px;
}

.sentence {
  margin-left: 34px;
  font-size: 0.95rem;
  line-height: 1.4;
}

.inside {
  margin: 6px 0 0 34px;
}

.row {
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.row :deep(.el-button) {
  margin: 0;
  min-height: 44px;
}

.none::before {
  content: "✓ ";
  color: var(--forecast);
  font-weight: 700;
}
</style>
