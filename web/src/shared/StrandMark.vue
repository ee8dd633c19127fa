<template>
  <!-- A hair: straight at the root, where all its weight hangs, springing towards its end. -->
  <svg class="strand-mark" viewBox="0 0 20 30" width="20" height="30" aria-hidden="true">
    <path
      d="M7 1.500v10c0 3.800 10.500 3.200 10.500 7.300 0 2.900-8.500 2.700-8.500 0 0-3 9.500-2.600 9.500 2.200 0 3.800-5 5.500-9.500 6.800"
      fill="none"
      stroke="currentColor"
      stroke-width="2.200"
      stroke-linecap="round"
    />
  </svg>
</template>
