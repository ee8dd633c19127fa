<template>
  <!-- A hair: straight at the root, where all its weight hangs, springing towards its end. -->
  <svg class="strand-mark" viewBox="0 0 20 30" width="20" height="30" aria-hidden="true">
    <path
      d="M10 1v9c0 4.500 9 3 9 7s-8 3.500-8 0 8-3.500 8 2-8 4.500-8 8.500"
      fill="none"
      stroke="currentColor"
      stroke-width="2.200"
      stroke-linecap="round"
    />
  </svg>
</template>
