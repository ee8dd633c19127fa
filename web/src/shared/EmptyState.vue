<script setup lang="ts">
/** Where there is nothing yet: what that means, and what to do. */
defineProps<{ text: string }>();
</script>

<template>
  <ElEmpty :image-size="96">
    <template #image>
      <!-- A single strand, from its root to a loose coil. -->
      <svg viewBox="0 0 96 60" aria-hidden="true">
        <path d="M4 12H92" class="scalp" />
        <path d="M48 12C48 24 34 26 36 34S62 36 60 44S38 46 40 53S50 58 54 56" />
      </svg>
    </template>
    <template #description>
      <p class="text">{{ text }}</p>
    </template>
    <div class="row acts"><slot /></div>
  </ElEmpty>
</template>

<style scoped>
svg {
  width: 96px;
  height: 60px;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-linecap: round;
}

.scalp {
  stroke: var(--line-strong);
}

.text {
  font-size: 1.1rem;
  max-width: 46ch;
  margin: 0 auto;
}

.acts {
  justify-content: center;
}
</style>
