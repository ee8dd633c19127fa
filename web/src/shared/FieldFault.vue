<script setup lang="ts">
/** What is wrong with a field, below it. */
defineProps<{ said: string }>();
</script>

<template>
  <p class="fault" role="alert">{{ said }}</p>
</template>

<style scoped>
.fault {
  color: var(--warn);
  font-weight: 600;
  font-size: 0.9rem;
}

.fault::before {
  content: "▲ ";
  font-size: 0.75em;
}
</style>
