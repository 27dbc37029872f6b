<script setup lang="ts">
/** A signed day that is opened is compared with what was signed; a difference is told at once, in every room. */
import { onBeforeUnmount, watch } from 'vue'
import type { Day } from './day.ts'
import { useDayProof } from './dayProof.ts'

const props = defineProps<{
  day: Day
}>()

const proof = useDayProof()
watch(
  () => props.day,
  (day) => void proof.compare(day),
  { immediate: true },
)
onBeforeUnmount(() => proof.forget())
</script>

<template>
  <p v-if="proof.answer && !proof.answer.intact" class="differs sheet no-print" role="alert">
    <strong>What is stored of this day is not what was signed:</strong> {{ proof.answer.places.join(', ') }}. The
    archive saved at the signature still proves what was signed.
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
