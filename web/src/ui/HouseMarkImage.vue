<script setup lang="ts">
/** The mark of the organisation, where it has one. */
import { useSession } from '../session/sessionStore.ts'

defineProps<{
  /** In pixels. */
  height: number
}>()
const session = useSession()
</script>

<template>
  <img
    v-if="session.markSinceMs !== null"
    class="house-mark"
    :src="`/api/session/mark?since=${session.markSinceMs}`"
    :alt="session.organisation ? `Mark of ${session.organisation}` : 'Mark of the organisation'"
    :style="{ height: `${height}px` }"
  />
</template>

<style scoped>
/* on white whatever the theme: marks are drawn for paper */
.house-mark {
  width: auto;
  max-width: 220px;
  object-fit: contain;
  padding: 3px;
  background: #fff;
  border-radius: 5px;
}
</style>
