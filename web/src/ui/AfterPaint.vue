<script setup lang="ts">
/** What a dialog holds, a painted frame after the dialog: long forms and lists would keep the press that opens them from being seen. */
import { ref } from 'vue'
import { useAfterPaint } from './useAfterPaint.ts'

const isOpen = ref(false)
const shown = useAfterPaint(() => isOpen.value)
isOpen.value = true
</script>

<template>
  <slot v-if="shown" />
  <div v-else class="room-for-it" aria-busy="true"></div>
</template>

<style scoped>
.room-for-it {
  min-height: 50vh;
}
</style>
