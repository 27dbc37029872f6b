<script setup lang="ts">
/** An address that leads nowhere, told as that. */
</script>

<template>
  <main class="room">
    <div class="sheet p-4">
      <h1>There is no page at this address</h1>
      <p class="figures">{{ $route.path }}</p>
      <p>It may have been cut when it was copied, or belong to a newer version. Nothing was changed.</p>
      <RouterLink class="btn btn-primary" :to="{ name: 'days' }">All days</RouterLink>
    </div>
  </main>
</template>
