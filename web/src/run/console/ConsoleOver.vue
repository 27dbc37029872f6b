<script setup lang="ts">
/** The attempt has ended: the mark with its reasons, and the way to the next candidate. */
import { BButton } from 'bootstrap-vue-next'
import type { Mark } from '@able-gauge/core'
import { bibAndName, fullName, type Entry } from '../../day/day.ts'
import { TraceList } from './whyLater.ts'

defineProps<{
  mark: Mark | undefined
  following: Entry | undefined
  mayUndo: boolean
  /** What another try is called; empty when none is left. */
  moreLabel: string
}>()

const emit = defineEmits<{ next: []; undo: []; more: [] }>()

/** A finger that ended the attempt is lifted over what has taken the place of the pad: that is no press of what lies under it now. */
const LIFTED_WITHIN_MS = 1_500
const shownAtMs = performance.now()
let wasPressedHere = false
const press = (): void => {
  wasPressedHere = true
}
const refuseLifted = (event: MouseEvent): void => {
  // keys click without a pointer
  const byPointer = event.detail > 0
  if (!byPointer || wasPressedHere || performance.now() - shownAtMs > LIFTED_WITHIN_MS) return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <section class="sheet over" @pointerdown.capture="press" @click.capture="refuseLifted">
    <TraceList v-if="mark" :trace="mark.trace" />
    <div class="actions">
      <BButton v-if="following" variant="primary" size="lg" @click="emit('next')">
        Next: {{ bibAndName(following, fullName) }} <kbd>N</kbd>
      </BButton>
      <RouterLink v-else class="btn btn-primary btn-lg" :to="{ name: 'run' }"
        >Nobody is waiting. Back to the events</RouterLink
      >
      <BButton v-if="moreLabel" variant="quiet" size="lg" @click="emit('more')">{{ moreLabel }} <kbd>S</kbd></BButton>
      <BButton v-if="mayUndo" variant="quiet" size="lg" @click="emit('undo')">
        Undo the last capture <kbd>U</kbd>
      </BButton>
      <slot />
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
