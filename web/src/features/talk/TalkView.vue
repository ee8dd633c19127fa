<script setup lang="ts">
import FoldPart from "@/shared/FoldPart.vue";
import {
  comingForValues,
  wornStyleValues,
  styledByValues,
  fringeWishValues,
  climateValues,
  treatmentValues,
  hairEventValues,
} from "@/api";
import { askTalk } from "@/shared/ask";
import CautionList from "@/shared/CautionList.vue";
import { named } from "@/shared/choices";
import { useComputed } from "@/shared/useComputed";
import { SaveState, useStage } from "@/features/visit";
import ChipField from "@/shared/ChipField.vue";
import ChoiceRow from "@/shared/ChoiceRow.vue";
import CheckField from "@/shared/CheckField.vue";
import TextField from "@/shared/TextField.vue";
import { computed } from "vue";
import { t } from "@/shared/words";

const document = useStage("talk");
const talk = document.draft;
const locked = computed(() => !document.editable.value);
const fault = (field: string) => {
  const said = document.faultAt(field);
  return said ? t("field-fault", { said }) : undefined;
};

/** A whole number that is typed; nothing while it isn't one. */
const whole = (key: "minutes_a_day" | "weeks_since_cut") =>
  computed({
    get: () => talk.value[key]?.toString() ?? "",
    set: (text: string) => {
      talk.value[key] = /^\d{1,6}$/.test(text.trim()) ? Number(text) : null;
    },
  });
/** Where it parts is read; that it is also worn parted otherwise is told. */
const partMoves = computed({
  get: () => talk.value.part === "moves",
  set: (moves: boolean) => (talk.value.part = moves ? "moves" : "not_said"),
});
const partTold = computed(() => talk.value.part && !["not_said", "moves"].includes(talk.value.part));
const minutes = whole("minutes_a_day");
const weeks = whole("weeks_since_cut");
const PHOTOGRAPHS = ["not_said", "yes", "no"] as const;
const photographs = computed<(typeof PHOTOGRAPHS)[number]>({
  get: () => (typeof talk.value.photographs !== "boolean" ? "not_said" : talk.value.photographs ? "yes" : "no"),
  set: (said) => (talk.value.photographs = said === "not_said" ? null : said === "yes"),
});
const cautions = useComputed(
  "talk",
  computed(() => talk.value),
  askTalk,
);
</script>

<template>
  <div class="talk">
    <h1 class="visually-hidden">{{ t("stage-talk") }}</h1>
    <SaveState :document="document" />
    <section class="stack">
      <ChipField
        v-model="talk.reasons"
        class="question"
        :label="t('talk-reasons')"
        :choices="named(comingForValues, 'talk-reason')"
        :disabled="locked"
      />
      <div>
        <ChoiceRow
          v-model="talk.worn"
          :disabled="locked"
          :label="t('talk-worn')"
          :choices="wornStyleValues.map((value) => ({ value, label: t(`worn-${value}`) }))"
        />
        <p class="soft small">{{ t("talk-wornHint") }}</p>
      </div>
      <div class="row facts">
        <TextField
          v-model="minutes"
          inputmode="numeric"
          :label="t('talk-minutes')"
          :fault="fault('minutes_a_day')"
          :disabled="locked"
        />
        <div>
          <CheckField v-model="talk.front_straight" :label="t('talk-frontStraight')" :disabled="locked" /><br />
          <CheckField v-model="partMoves" :label="t('talk-partMoves')" :disabled="locked" /><br />
          <p v-if="partTold" class="soft small">{{ t("talk-partTold", { where: t(`part-${talk.part}`) }) }}</p>
          <CheckField v-model="talk.ties_back" :label="t('talk-tiesBack')" :disabled="locked" /><br />
          <CheckField v-model="talk.scalp_concern" :label="t('talk-scalp')" :disabled="locked" /><br />
          <CheckField v-model="talk.infestation" :label="t('talk-infestation')" :disabled="locked" /><br />
          <CheckField v-model="talk.glasses" :label="t('talk-glasses')" :disabled="locked" /><br />
          <CheckField v-model="talk.minor" :label="t('talk-minor')" :disabled="locked" />
          <CheckField
            v-if="talk.minor"
            v-model="talk.guardian_agrees"
            :label="t('talk-guardianAgrees')"
            :disabled="locked"
          />
        </div>
      </div>
      <CautionList v-model="talk.noted" texts="talkCautions" :cautions="cautions.data.value ?? []" :disabled="locked" />
      <div class="bears" role="status">
        <h2>{{ t("talk-bears") }}</h2>
        <p>{{ t("talk-bearsOn-worn", { worn: t(`worn-${talk.worn}`) }) }}</p>
        <p v-if="talk.climate === 'damp' || talk.climate === 'dry'">{{ t(`talk-bearsOn-${talk.climate}`) }}</p>
        <p v-if="talk.front_straight">{{ t("talk-bearsOn-front") }}</p>
        <p v-if="talk.fringe === 'has' || talk.fringe === 'wants'">{{ t("talk-bearsOn-fringe") }}</p>
        <p>{{ t(talk.ties_back ? "talk-bearsOn-tie" : "talk-bearsOn-untied") }}</p>
      </div>
    </section>
    <section class="stack">
      <TextField v-model="talk.fear" :rows="2" :label="t('talk-fear')" :fault="fault('fear')" :readonly="locked" />
      <TextField
        v-model="talk.chemical_history"
        :rows="4"
        :label="t('talk-history')"
        :fault="fault('chemical_history')"
        :readonly="locked"
      />
      <ChipField
        v-model="talk.treatments"
        :label="t('talk-treatments')"
        :choices="named(treatmentValues, 'talk-treatment')"
        :disabled="locked"
      />
      <ChipField
        v-model="talk.events"
        :label="t('talk-events')"
        :choices="named(hairEventValues, 'talk-event')"
        :disabled="locked"
      />
      <FoldPart :title="t('talk-more')">
        <div class="stack more">
          <ChoiceRow
            v-model="talk.fringe"
            :disabled="locked"
            :label="t('talk-fringe')"
            :choices="named(fringeWishValues, 'talk-fringeWish')"
          />
          <ChoiceRow
            v-model="talk.styled_by"
            :disabled="locked"
            :label="t('talk-styledBy')"
            :choices="named(styledByValues, 'talk-styledByWho')"
          />
          <ChoiceRow
            v-model="talk.climate"
            :disabled="locked"
            :label="t('talk-climate')"
            :choices="named(climateValues, 'talk-climateAir')"
          />
          <ChoiceRow
            v-model="photographs"
            :disabled="locked"
            :label="t('talk-photographs')"
            :choices="named(PHOTOGRAPHS, 'talk-photographsMay')"
          />
          <TextField
            v-model="weeks"
            inputmode="numeric"
            :label="t('talk-weeks')"
            :fault="fault('weeks_since_cut')"
            :disabled="locked"
          />
          <TextField
            v-model="talk.products"
            :rows="2"
            :label="t('talk-products')"
            :fault="fault('products')"
            :readonly="locked"
          />
        </div>
      </FoldPart>
      <TextField v-model="talk.notes" :rows="5" :label="t('talk-notes')" :fault="fault('notes')" :readonly="locked" />
      <p>
        <RouterLink class="onward" :to="{ name: 'read' }">{{ t("talk-onward") }}</RouterLink>
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

.question :deep(.legend) {
  font: 650 1.3rem/1.2 var(--display);
  margin-bottom: 10px;
}

.bears {
  display: grid;
  gap: 4px;
  padding-left: 14px;
  border-left: 3px solid var(--forecast);
}

.bears h2 {
  font-size: 1.05rem;
}

.more {
  padding: 10px 0;
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
