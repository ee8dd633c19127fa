<script setup lang="ts">
/** A plan that is proposed: this client after it, what it costs, why it suits, what it keeps and loses. */
import type { FallRequest, Figure, Message, Proposal } from "@/api";
import FoldPart from "@/shared/FoldPart.vue";
import type { Box } from "@/shared/hair/picture";
import { useUnit } from "@/shared/unit";
import { computed } from "vue";
import { t } from "@/shared/words";
import CutPictures from "./CutPictures.vue";

const props = defineProps<{
  plan: Proposal;
  /** Its place among the others, from 1. */
  rank: number;
  question: FallRequest;
  figure: Figure;
  box: Box;
  disabled: boolean;
}>();
const emit = defineEmits<{ choose: [plan: Proposal] }>();
const { say, tell } = useUnit();
/** Reasons that are said without being asked for. */
const AT_ONCE = 3;
/** A wish that nobody would see missed, mm. */
const MET_MM = 5;

const wish = computed(() => {
  const { zones, score } = props.plan;
  if (zones.length === 0) return t("proposal-noWish");
  // No more exact than hands are: to the next millimetre up.
  const off = say(Math.max(1, Math.ceil(score.wish_rms_mm)));
  return t(score.wish_rms_mm <= MET_MM ? "proposal-met" : "proposal-missed", { off });
});
const found = computed(() => props.plan.findings.map((finding) => t(`plan-finding-${finding.code}`)).join(", "));
const SIGNS = { not_seen: "·", gone: "✓", less: "↘", same: "=", more: "▲" } as const;
/** A width that nobody would see missed, mm. */
const WIDTH_MM = 10;
/** Hair that nobody sees is thin, mm. */
const THIN_MM = 5;
const ways = computed(() =>
  (props.plan.other_ways ?? []).map(({ worn, other_parting, findings }) => ({
    way: worn ? t(`worn-${worn}`) : other_parting ? t("proposal-otherParting") : "",
    found: findings.map((code) => t(`plan-finding-${code}`)).join(", "),
  })),
);
const sentences = (messages: readonly Message[]) => messages.map(tell);
const why = computed(() => sentences(props.plan.why));
const states = computed(() => {
  // Zones that are cut alike for the same reason are one line.
  const lines = new Map<string, string[]>();
  for (const { zone, reason } of props.plan.states) {
    const said = tell(reason);
    lines.set(said, [...(lines.get(said) ?? []), t(`zone-${zone}`)]);
  }
  return [...lines].map(([said, zones]) => `${zones.join(", ")}: ${said}`);
});
</script>

<template>
  <article class="card" :aria-label="plan.name">
    <header>
      <h3>{{ rank }}. {{ plan.name }}</h3>
      <ElButton
        type="primary"
        :disabled="disabled"
        :aria-label="t('proposal-chooseNamed', { name: plan.name })"
        @click="emit('choose', plan)"
      >
        {{ t("proposal-choose") }}
      </ElButton>
    </header>
    <CutPictures
      class="pictures"
      :cut="plan.cut"
      :name="plan.name"
      :question="question"
      :figure="figure"
      :box="box"
      :views="['front', 'left', 'behind']"
    />
    <p>{{ plan.sentence }}</p>
    <dl>
      <div>
        <dt>{{ t("proposal-wish") }}</dt>
        <dd>{{ wish }}</dd>
      </div>
      <div v-for="{ wish: width, reached_mm } in plan.widths ?? []" :key="`${width.at.point} ${width.at.below_mm}`">
        <dt>{{ t("proposal-width", { point: t(`point-${width.at.point}`) }) }}</dt>
        <dd :class="{ bad: Math.abs(reached_mm - width.width_mm) > WIDTH_MM }">
          {{ t("proposal-widthWished", { reached: say(reached_mm), wished: say(width.width_mm) }) }}
        </dd>
      </div>
      <div>
        <dt>{{ t("proposal-minutes") }}</dt>
        <dd>{{ t("proposal-minutesValue", { n: Math.round(plan.minutes) }) }}</dd>
      </div>
      <div>
        <dt>{{ t("proposal-goes") }}</dt>
        <dd>{{ Math.round(100 * plan.goes) }} %</dd>
      </div>
      <div>
        <dt>{{ t("proposal-findings") }}</dt>
        <dd :class="{ bad: found !== '' }">{{ found || t("proposal-none") }}</dd>
      </div>
      <div v-for="{ way, found: there } in ways" :key="way">
        <dt>{{ t("proposal-wornSo", { way }) }}</dt>
        <dd :class="{ bad: there !== '' }">{{ there || t("proposal-none") }}</dd>
      </div>
      <div v-if="plan.ends_mm > THIN_MM">
        <dt>{{ t("proposal-ends") }}</dt>
        <dd>{{ t("proposal-endsLast", { length: say(plan.ends_mm) }) }}</dd>
      </div>
    </dl>
    <ul v-if="plan.talk.length > 0" class="talk" :aria-label="t('proposal-talk')">
      <li v-for="answer in plan.talk" :key="answer.reason" :class="answer.becomes" :title="tell(answer.text)">
        <span aria-hidden="true">{{ SIGNS[answer.becomes] }}</span> {{ t(`talk-reason-${answer.reason}`) }}:
        {{ t(`proposal-becomes-${answer.becomes}`) }}
      </li>
    </ul>
    <h4>{{ t("proposal-why") }}</h4>
    <ul>
      <li v-for="reason in why.slice(0, AT_ONCE)" :key="reason">{{ reason }}</li>
    </ul>
    <p v-if="plan.keeps.length > 0">
      <b>{{ t("proposal-keeps") }}</b> {{ sentences(plan.keeps).join(" · ") }}
    </p>
    <p v-if="plan.loses.length > 0">
      <b>{{ t("proposal-loses") }}</b> {{ sentences(plan.loses).join(" · ") }}
    </p>
    <p v-if="plan.trade_off">{{ tell(plan.trade_off.text) }}</p>
    <FoldPart :title="t('proposal-more')">
      <ul>
        <li v-for="reason in why.slice(AT_ONCE)" :key="reason">{{ reason }}</li>
        <li v-for="advice in sentences(plan.departs ?? [])" :key="advice" class="departs">{{ advice }}</li>
        <li v-for="state in states" :key="state">{{ state }}</li>
      </ul>
      <table v-if="plan.zones.length > 0" class="zones">
        <caption class="visually-hidden">
          {{
            t("proposal-zones")
          }}
        </caption>
        <tbody>
          <tr v-for="zone in plan.zones" :key="zone.zone">
            <th scope="row">{{ t(`zone-${zone.zone}`) }}</th>
            <td>
              {{
                Math.abs(zone.shorter_mm) < 1
                  ? t("proposal-asWished")
                  : t(zone.shorter_mm > 0 ? "proposal-shorter" : "proposal-longer", {
                      off: say(Math.abs(zone.shorter_mm)),
                    })
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </FoldPart>
  </article>
</template>

<style scoped>
.card {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 12px 14px;
}

header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}

h3 {
  font: 650 1.08rem var(--display);
}

h4 {
  font: 600 0.95rem var(--display);
}

header :deep(.el-button) {
  min-height: 44px;
}

/* From the front large, the other sides small beside it. */
.pictures {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 4px;
}

.pictures > :deep(:first-child) {
  grid-row: span 2;
}

dl {
  display: grid;
  grid-template-columns: 1fr;
  gap: 2px;
  border-block: 1px solid var(--line);
  padding: 6px 0;
  margin: 0;
}

dl div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
  font-weight: 650;
  text-align: right;
}

dd.bad {
  color: var(--warn);
}

ul {
  margin: 0;
  padding-left: 18px;
}

.talk {
  list-style: none;
  padding: 0;
}

.talk .gone span,
.talk .less span {
  color: var(--forecast);
}

.talk .more span,
.talk .same span {
  color: var(--warn);
}

.departs {
  color: var(--warn);
}

.zones th {
  text-align: left;
  font-weight: 400;
  padding-right: 14px;
}
</style>
