<script setup lang="ts">
/** What has changed since the client's hair was last read; what measuring alone explains is said to be as it was. */
import { askSinceLast } from "@/shared/ask";
import { sayDay } from "@/shared/days";
import { useUnit } from "@/shared/unit";
import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { t } from "@/shared/words";
import { sayChanges } from "./sayChanges";

const props = defineProps<{ visit: string; version: number }>();
const { say } = useUnit();
const since = useQuery({
  queryKey: computed(() => ["since last", props.visit, props.version] as const),
  queryFn: () => askSinceLast(props.visit),
});
const lines = computed(() => sayChanges(since.data.value?.zones ?? [], say));
</script>

<template>
  <div v-if="since.data.value?.since && lines.length > 0" class="since">
    <h2>{{ t("read-since", { day: sayDay(since.data.value.since) }) }}</h2>
    <p v-for="line in lines" :key="line">{{ line }}</p>
  </div>
</template>

<style scoped>
.since {
  display: grid;
  gap: 6px;
}

p {
  max-width: 64ch;
}
</style>
