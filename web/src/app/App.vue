<script setup lang="ts">
import { useSession } from "@/features/session";
import { onKeyStroke, useEventListener } from "@vueuse/core";
import { computed, ref, watch, watchEffect } from "vue";
import { t } from "@/shared/words";
import { useRoute } from "vue-router";
import HelpOverlay from "./HelpOverlay.vue";
import TopBar from "./TopBar.vue";

const route = useRoute();
const bare = computed(() => route.meta.bare ?? false);
const helping = ref(false);

watchEffect(() => {
  document.title = route.meta.title ? `${t(route.meta.title)} · Spirel` : "Spirel";
});

// What this person left on the device when the server was away is handed over.
const session = useSession();
async function handOver() {
  const person = session.person;
  if (!person || !session.mayEdit) return;
  const { sendKept } = await import("@/features/visit");
  await sendKept(person.id).catch(() => undefined);
}
watch(() => session.person?.id, handOver, { immediate: true });
useEventListener(window, "online", handOver);

onKeyStroke("?", (event) => {
  const target = event.target as HTMLElement;
  if (target.matches("input:not([type=radio]):not([type=checkbox]), textarea, select")) return;
  helping.value = true;
});
</script>

<template>
  <a v-if="!bare" class="skip" href="#main">{{ t("app-skip") }}</a>
  <TopBar v-if="!bare" @help="helping = true" />
  <main id="main" tabindex="-1" :class="{ bare }">
    <RouterView />
  </main>
  <HelpOverlay v-model="helping" />
</template>

<style scoped>
main {
  outline: 0;
}
</style>
