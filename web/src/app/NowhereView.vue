<script setup lang="ts">
import { useI18n } from "vue-i18n";

const { t } = useI18n();
</script>

<template>
  <div class="page stack">
    <h1>{{ t("nowhere.title") }}</h1>
    <p>{{ t("nowhere.text") }}</p>
    <p>
      <RouterLink :to="{ name: 'people' }">{{ t("nowhere.back") }}</RouterLink>
    </p>
  </div>
</template>
