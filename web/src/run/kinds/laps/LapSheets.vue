<script setup lang="ts">
/** Before a wave starts and after it is in: who stands on the line, and what comes next. */
import { BButton } from 'bootstrap-vue-next'

defineProps<{
  wave: number
  nextWave: number | undefined
  people: number
  /** How the way is laid out here. */
  setOut: string
  /** Whether all of it is over; else nobody has started. */
  isIn: boolean
  mayCapture: boolean
  ready: boolean
}>()
const emit = defineEmits<{ start: []; next: [wave: number] }>()
</script>

<template>
  <section v-if="isIn" class="sheet">
    <p>
      <strong>Wave {{ wave }} is in.</strong> Keep the finishers walking, watch them for a few minutes, offer water.
    </p>
    <BButton v-if="nextWave" variant="primary" @click="emit('next', nextWave)">Go to wave {{ nextWave }}</BButton>
    <RouterLink v-else class="btn btn-primary" :to="{ name: 'verdicts' }">See the verdicts</RouterLink>
  </section>
  <section v-else class="sheet">
    <div>
      <h1>Wave {{ wave }}: {{ people }} on the line</h1>
      <p class="quiet">
        {{ setOut }} Check the bibs below against the people on the line; somebody who is missing is marked absent at
        muster.
      </p>
    </div>
    <BButton v-if="mayCapture" variant="primary" size="lg" :disabled="!ready || people === 0" @click="emit('start')">
      Start commands <kbd>S</kbd>
    </BButton>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 20px;
  padding: 14px 18px;
}
p {
  margin: 0;
}
@media (max-width: 900px) {
  .sheet {
    flex-direction: column;
    align-items: stretch;
  }
}
</style>
