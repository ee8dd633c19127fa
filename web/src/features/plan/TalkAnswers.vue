<script setup lang="ts">
/** What the client came for, answered first: what of it the head shows now, and what is left of it after this cut. */
import type { TalkAnswer } from "@/api";
import { useUnit } from "@/shared/unit";
import { t } from "@/shared/words";

defineProps<{ answers: readonly TalkAnswer[]; name: string }>();
const { tell } = useUnit();
/** A sign beside the words, never instead of them. */
const SIGNS: Record<TalkAnswer["becomes"], string> = { not_seen: "·", gone: "✓", less: "↘", same: "=", more: "▲" };
</script>

<template>
  <div v-if="answers.length > 0" class="talk" role="region" :aria-label="t('plan-talkAnswers', { name })">
    <h2>{{ t("plan-talkAnswers", { name }) }}</h2>
    <ul>
      <li v-for="answer in answers" :key="answer.reason" :class="answer.becomes">
        <span class="sign" aria-hidden="true">{{ SIGNS[answer.becomes] }}</span>
        <span>{{ tell(answer.text) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.talk {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: baseline;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
  padding: 8px 14px;
}

h2 {
  font-size: 1rem;
}

ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 24px;
}

li {
  display: flex;
  gap: 8px;
}

.sign {
  font-weight: 700;
  color: var(--ink-soft);
}

.gone .sign,
.less .sign {
  color: var(--forecast);
}

.more .sign,
.same .sign {
  color: var(--warn);
}
</style>
