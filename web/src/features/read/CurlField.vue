<script setup lang="ts">
/** Curl by eye: seven words with strands drawn in their true size, computed by the core, to be held beside the hair. */
import type { CurlWord } from "@/api";
import { askCurls } from "@/shared/ask";
import { useQuery } from "@tanstack/vue-query";
import { computed, useId } from "vue";
import { t } from "@/shared/words";
import { strandBox, strandPath } from "./strandPicture";

const word = defineModel<CurlWord | null>();
defineProps<{ disabled: boolean }>();
const asked = useQuery({ queryKey: ["curls"], queryFn: askCurls, staleTime: Infinity });
/** All strands hang from one line, so that what they lose of one length is seen. */
const strands = computed(() =>
  (asked.data.value ?? []).map((curl) => ({ ...curl, box: strandBox(curl.line), path: strandPath(curl.line) })),
);
const name = useId();
</script>

<template>
  <fieldset :disabled="disabled">
    <legend>
      {{ t("read-curlByEye") }} <span class="soft small">{{ t("read-curlHint") }}</span>
    </legend>
    <div class="scale">
      <label v-for="strand in strands" :key="strand.word" :class="{ here: word === strand.word }">
        <input v-model="word" type="radio" :name="name" :value="strand.word" class="visually-hidden" />
        <svg
          :viewBox="`${strand.box.left} 0 ${strand.box.width} ${strand.box.height}`"
          :style="{ width: `${strand.box.width}mm`, height: `${strand.box.height}mm` }"
          aria-hidden="true"
        >
          <path :d="strand.path" />
        </svg>
        <span>{{ t(`figureWord-curl-${strand.word}`) }}</span>
      </label>
    </div>
    <ElButton v-if="word" size="small" :disabled="disabled" @click="word = null">{{ t("read-curlNone") }}</ElButton>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 8px;
  justify-items: start;
}

legend {
  font-weight: 600;
  padding: 0;
}

.scale {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}

label {
  display: grid;
  grid-template-rows: 1fr auto;
  justify-items: center;
  align-items: start;
  gap: 6px;
  min-width: 54px;
  padding: 6px 2px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--sheet);
  font-size: 0.9rem;
  text-align: center;
  cursor: pointer;
}

label.here {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 2px var(--ink);
  font-weight: 650;
}

label:focus-within {
  outline: 3px solid var(--focus, var(--ink));
  outline-offset: 2px;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.35;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
