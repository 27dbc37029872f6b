<script setup lang="ts">
/** How far signing the day is: a whole day is read, judged, sealed and stored, which takes a while when it is large. */
import { SIGNING_STEPS, type SigningProgress, type SigningStep } from '@able-gauge/core'
import { BProgress } from 'bootstrap-vue-next'
import { computed } from 'vue'

const props = defineProps<{
  /** Null before the server has begun. */
  progress: SigningProgress | null
}>()

const WORDS: Readonly<Record<SigningStep, string>> = {
  read: 'Reading what is on record',
  judge: 'Judging everybody once more',
  seal: 'Sealing every entry',
  store: 'Storing the signature',
}
const done = computed(() => props.progress?.done ?? 0)
const of = computed(() => props.progress?.of ?? SIGNING_STEPS.length)
const words = computed(() => WORDS[SIGNING_STEPS[done.value] ?? 'store'])
</script>

<template>
  <div class="signing" role="status">
    <p>{{ words }}, step {{ done + 1 }} of {{ of }}.</p>
    <BProgress :value="done + 1" :max="of" aria-label="Signing the day" />
  </div>
</template>

<style scoped>
.signing {
  margin-top: 12px;
}
p {
  margin: 0 0 6px;
}
</style>
