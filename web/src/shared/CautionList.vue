<script setup lang="ts" generic="C extends string">
/** What to be careful about. Taken note of, a caution steps back to one line; who did it and when is kept with the version. */
import { computed } from "vue";
import { t } from "@/shared/words";

const noted = defineModel<C[]>();
const props = defineProps<{ cautions: readonly C[]; texts: string; disabled: boolean }>();
const open = computed(() => props.cautions.filter((caution) => !noted.value?.includes(caution)));
const past = computed(() => props.cautions.filter((caution) => noted.value?.includes(caution)));
</script>

<template>
  <div v-for="caution in open" :key="caution" class="caution row" role="note">
    <p>{{ t(`${texts}-${caution}`) }}</p>
    <ElButton :disabled="disabled" @click="noted = [...(noted ?? []), caution]">{{ t("cautions-noted") }}</ElButton>
  </div>
  <p v-for="caution in past" :key="caution" class="soft small">
    {{ t("cautions-wasNoted", { said: t(`${texts}-${caution}`) }) }}
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
