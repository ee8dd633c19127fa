<script setup lang="ts" generic="C extends string">
/** What to be careful about. Taken note of, a caution steps back to one line; who did it and when is kept with the version. */
import { computed } from "vue";
import { t } from "@/shared/words";

const noted = defineModel<C[]>();
const props = defineProps<{ cautions: readonly C[]; texts: string; disabled: boolean }>();
const open = computed(() => props.cautions.filter((each) => !noted.value?.includes(each)));
const past = computed(() => props.cautions.filter((each) => noted.value?.includes(each)));
</script>

<template>
  <div v-for="each in open" :key="each" class="caution row" role="note">
    <p>{{ t(`${texts}-${each}`) }}</p>
    <ElButton :disabled="disabled" @click="noted = [...(noted ?? []), each]">{{ t("cautions-noted") }}</ElButton>
  </div>
  <p v-for="each in past" :key="each" class="soft small">
    {{ t("cautions-wasNoted", { said: t(`${texts}-${each}`) }) }}
  </p>
</template>

<style scoped>
.caution {
  justify-content: space-between;
  align-items: center;
  flex-wrap: nowrap;
  gap: 12px;
}

p {
  flex: 1;
}
</style>
