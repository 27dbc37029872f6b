<script setup lang="ts">
/** A signed day that is opened is compared with what was signed; a difference is told at once, in every room. */
import { ref, watch } from 'vue'
import { call, NoAnswer, Refusal } from '../api.ts'
import type { Day } from './day.ts'

const props = defineProps<{
  day: Day
}>()

const places = ref<readonly string[]>([])

watch(
  () => props.day.occasion.signedOff !== null,
  async (isSigned) => {
    places.value = []
    if (!isSigned) return
    try {
      const { id } = props.day.occasion
      places.value = (await call<{ places: string[] }>('GET', `/occasions/${id}/proof`)).places
    } catch (error) {
      // without an answer nothing can be said; the sign-off room asks again
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
    }
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="places.length > 0" class="differs sheet no-print" role="alert">
    <strong>What is stored of this day is not what was signed:</strong> {{ places.join(', ') }}. The archive saved at
    the signature still proves what was signed.
  </p>
</template>

<style scoped>
.differs {
  margin: 12px 20px 0;
  padding: 12px 16px;
  border-color: var(--decide-edge);
  background: var(--decide-tint);
}
</style>
