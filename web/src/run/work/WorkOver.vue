<script setup lang="ts">
/** The attempt has ended: the mark with its reasons, and the way to the next candidate. */
import type { Mark } from '@able-gauge/core'
import { fullName, type Entry } from '../../day/day.ts'
import TraceList from '../../ui/TraceList.vue'

defineProps<{
  mark: Mark | undefined
  following: Entry | undefined
  mayUndo: boolean
  /** What another try is called; empty when none is left. */
  moreLabel: string
}>()

const emit = defineEmits<{ next: []; undo: []; more: [] }>()
</script>

<template>
  <section class="sheet over">
    <TraceList v-if="mark" :trace="mark.trace" />
    <div class="actions">
      <button v-if="following" class="btn btn-primary btn-lg" @click="emit('next')">
        Next: {{ following.bib }} {{ fullName(following) }} <kbd>N</kbd>
      </button>
      <RouterLink v-else class="btn btn-primary btn-lg" :to="{ name: 'run' }"
        >Nobody is waiting. Back to the events</RouterLink
      >
      <button v-if="moreLabel" class="btn btn-quiet btn-lg" @click="emit('more')">{{ moreLabel }} <kbd>S</kbd></button>
      <button v-if="mayUndo" class="btn btn-quiet btn-lg" @click="emit('undo')">
        Undo the last capture <kbd>U</kbd>
      </button>
    </div>
  </section>
</template>

<style scoped>
.over {
  padding: 16px;
  flex: 1;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
