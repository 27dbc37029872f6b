<script setup lang="ts"></script>

<template>
  <svg class="brand-mark" viewBox="0 0 32 22" aria-hidden="true">
    <path d="M12 1h8l-4 6z" fill="var(--vest)" />
    <path d="M2 9h28v11H2z" fill="none" stroke="currentColor" stroke-width="2.4" stroke-linejoin="round" />
    <path d="M7.5 9v5M13 9v4M18.5 9v5M24 9v4" stroke="currentColor" stroke-width="2" />
  </svg>
</template>

<style scoped>
.brand-mark {
  width: 30px;
  flex: none;
}
</style>
