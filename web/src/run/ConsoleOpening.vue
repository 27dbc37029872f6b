<script setup lang="ts">
/** The outline of a console while its parts arrive. */
</script>

<template>
  <section class="opening" aria-busy="true" aria-label="Opening the console">
    <div class="sheet head" />
    <div class="sheet" />
    <div class="sheet pad" />
    <div class="sheet foot" />
  </section>
</template>

<style scoped>
.opening {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 10px;
  padding: 12px 20px;
}
.sheet {
  min-height: 96px;
  background: var(--sheet-2);
}
.head {
  min-height: 64px;
  background: var(--tint);
}
.pad {
  flex: 1;
}
.foot {
  min-height: 52px;
}
</style>
