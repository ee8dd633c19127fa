<script setup lang="ts">
import type { ComingFor, Part, WornStyle } from "@/api";
import { SaveState, useStage } from "@/features/visit";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import CheckField from "@/shared/CheckField.vue";
import TextField from "@/shared/TextField.vue";
import { computed } from "vue";
import { useI18n } from "vue-i18n";

const REASONS: readonly ComingFor[] = [
  "flat",
  "heavy",
  "frizzy",
  "wide_at_the_bottom",
  "thin_ends",
  "growing_out",
  "tidy",
  "change",
];
const WORN: readonly WornStyle[] = ["as_it_springs", "diffused", "brushed_out", "smoothed"];
const PARTS: readonly Part[] = ["not_said", "centre", "left", "right", "moves"];

const { t } = useI18n();
const document = useStage("talk");
const talk = document.draft;
const locked = computed(() => !document.editable.value);
const fault = (field: string) => {
  const said = document.faultAt(field);
  return said ? t("field.fault", { said }) : undefined;
};

function toggle(reason: ComingFor, on: boolean) {
  const chosen = new Set(talk.value.reasons);
  if (on) chosen.add(reason);
  else chosen.delete(reason);
  // In the order they are shown, so that the same choice is always the same document.
  talk.value.reasons = REASONS.filter((r) => chosen.has(r));
}

const minutes = computed({
  get: () => talk.value.minutes_a_day?.toString() ?? "",
  set: (text: string) => {
    talk.value.minutes_a_day = /^\d{1,6}$/.test(text.trim()) ? Number(text) : null;
  },
});
</script>

<template>
  <div class="talk">
    <h1 class="visually-hidden">{{ t("stage.talk") }}</h1>
    <SaveState :document="document" />
    <section class="stack">
      <fieldset :disabled="locked">
        <legend class="question">{{ t("talk.reasons") }}</legend>
        <div class="chips">
          <label v-for="reason in REASONS" :key="reason" :class="{ on: talk.reasons.includes(reason) }">
            <input
              type="checkbox"
              :checked="talk.reasons.includes(reason)"
              @change="toggle(reason, ($event.target as HTMLInputElement).checked)"
            />
            {{ t(`talk.reason.${reason}`) }}
          </label>
        </div>
      </fieldset>
      <div>
        <ChoiceRow
          v-model="talk.worn"
          :disabled="locked"
          :label="t('talk.worn')"
          :choices="WORN.map((value) => ({ value, label: t(`worn.${value}`) }))"
        />
        <p class="soft small">{{ t("talk.wornHint") }}</p>
      </div>
      <ChoiceRow
        v-model="talk.part"
        :disabled="locked"
        :label="t('talk.part')"
        :choices="PARTS.map((value) => ({ value, label: t(`part.${value}`) }))"
      />
      <div class="row facts">
        <TextField
          v-model="minutes"
          inputmode="numeric"
          :label="t('talk.minutes')"
          :fault="fault('minutes_a_day')"
          :disabled="locked"
        />
        <div>
          <CheckField v-model="talk.ties_back" :label="t('talk.tiesBack')" :disabled="locked" /><br />
          <CheckField v-model="talk.scalp_concern" :label="t('talk.scalp')" :disabled="locked" />
        </div>
      </div>
      <p v-if="talk.scalp_concern" class="caution" role="note">{{ t("talk.scalpCaution") }}</p>
    </section>
    <section class="stack">
      <TextField v-model="talk.fear" :rows="2" :label="t('talk.fear')" :fault="fault('fear')" :readonly="locked" />
      <TextField
        v-model="talk.chemical_history"
        :rows="4"
        :label="t('talk.history')"
        :fault="fault('chemical_history')"
        :readonly="locked"
      />
      <TextField v-model="talk.notes" :rows="8" :label="t('talk.notes')" :fault="fault('notes')" :readonly="locked" />
      <p>
        <RouterLink class="onward" :to="{ name: 'read' }">{{ t("talk.onward") }}</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
.talk {
  max-width: 1232px;
  margin: 0 auto;
  padding: 24px;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
  gap: 24px 48px;
}

.stack {
  gap: 22px;
}

.question {
  font: 650 1.3rem/1.2 var(--display);
  margin-bottom: 10px;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.chips label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 4px 16px;
  border: 1px solid var(--line-strong);
  border-radius: 24px;
  background: var(--sheet);
  cursor: pointer;
}

.chips label.on {
  border: 2px solid var(--ink);
  padding: 3px 15px;
  font-weight: 650;
}

.chips label:has(:focus-visible) {
  outline: 3px solid var(--forecast);
  outline-offset: 2px;
}

.chips input {
  width: 18px;
  height: 18px;
  accent-color: var(--ink);
  margin: 0;
  outline: 0;
}

.facts {
  align-items: flex-start;
  gap: 32px;
}

.facts > :first-child {
  width: 170px;
}

.onward {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 650;
}
</style>
