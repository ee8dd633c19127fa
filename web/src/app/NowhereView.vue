<script setup lang="ts">
import { t } from "@/shared/words";
</script>

<template>
  <div class="page stack">
    <h1>{{ t("nowhere-title") }}</h1>
    <p>{{ t("nowhere-text") }}</p>
    <p>
      <RouterLink :to="{ name: 'people' }">{{ t("nowhere-back") }}</RouterLink>
    </p>
  </div>
</template>
