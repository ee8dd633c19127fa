<script setup lang="ts">
import { onKeyStroke } from "@vueuse/core";
import { computed, ref, watchEffect } from "vue";
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
