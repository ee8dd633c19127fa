<script setup lang="ts">
import type { Visit } from "@/api";
import { computed } from "vue";
import { t } from "@/shared/words";
import { ribbon, type RibbonStage } from "./ribbon";

const props = defineProps<{ visit: Visit }>();
const stages = computed(() => ribbon(props.visit));

const note = (stage: RibbonStage) => {
  if (stage.zones === undefined || stage.state === "open") return t(`ribbon-${stage.state}`);
  return stage.of ? t("ribbon-of", { n: stage.zones, all: stage.of }) : t("ribbon-zones", { count: stage.zones });
};
</script>

<template>
  <nav class="ribbon" :aria-label="t('ribbon-label')">
    <ol>
      <li v-for="stage in stages" :key="stage.name" :class="stage.state">
        <RouterLink :to="{ name: stage.name, params: { visit: visit.id } }" active-class="here">
          <svg viewBox="0 0 24 24" width="22" height="22" aria-hidden="true">
            <circle v-if="stage.state !== 'part'" cx="12" cy="12" r="8" />
            <path v-if="stage.state === 'done'" class="tick" d="M8 12.300l3 3 5-6" />
            <path v-if="stage.state === 'part'" d="M12 3.500 21 20H3z" />
          </svg>
          <span>
            <b>{{ t(`stage-${stage.name}`) }}</b>
            <small>{{ note(stage) }}</small>
          </span>
        </RouterLink>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
ol {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
}

li {
  display: flex;
  align-items: center;
}

li + li::before {
  content: "";
  width: 26px;
  height: 2px;
  background: var(--line-strong);
}

a {
  display: flex;
  gap: 9px;
  align-items: center;
  padding: 6px 14px;
  min-height: 52px;
  text-decoration: none;
  border-radius: 26px;
  line-height: 1.15;
}

a:hover {
  background: var(--sunk);
}

a.here {
  background: var(--sheet);
  box-shadow: 0 0 0 2px var(--ink) inset;
}

span {
  display: grid;
}

b {
  font: 650 1.05rem/1.15 var(--display);
}

small {
  font-size: 0.82rem;
  color: var(--ink-soft);
}

svg * {
  fill: none;
  stroke: var(--line-strong);
  stroke-width: 2.2;
}

.done circle {
  fill: var(--ink);
  stroke: var(--ink);
}

.done .tick {
  stroke: var(--on-ink);
}

.part path {
  stroke: var(--warn-line);
}

.part small {
  color: var(--warn);
}

/* On a phone the stages are one line: their names and marks. */
@media (max-width: 600px) {
  ol {
    flex-wrap: nowrap;
    justify-content: space-between;
  }

  li + li::before,
  small {
    display: none;
  }

  a {
    gap: 4px;
    padding: 6px 8px;
    min-height: 48px;
  }

  b {
    font-size: 0.9rem;
  }

  svg {
    width: 15px;
    height: 15px;
  }
}
</style>
