<script setup lang="ts">
/** The beats counted within the window, confirmed or typed. */
import { printSeconds, slotsOf, type Slot, type StepTest } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import AskedFirst from '../../console/AskedFirst.vue'
import { useSecondEntry } from '../../console/useSecondEntry.ts'

const props = defineProps<{
  id: string
  protocol: StepTest
  /** Beats touched while the window was open; 0 for none. */
  touched: number
  ready: boolean
  focused: boolean
}>()
const emit = defineEmits<{ enter: [beats: number, despite: readonly string[]] }>()

const MOST_BEATS = 300
const slot = slotsOf(props.protocol).find(({ id }) => id === 'pulse') as Slot // every step test has it
const typed = ref(props.touched > 0 ? String(props.touched) : '')
const beats = computed(() => (/^\d{1,3}$/.test(typed.value) ? Number(typed.value) : 0))
const mayEnter = computed(() => props.ready && beats.value > 0 && beats.value <= MOST_BEATS)
const askOnce = useSecondEntry(() => props.protocol)
const question = ref('')
const enter = (): void => {
  if (!mayEnter.value) return
  const entered = askOnce(slot, beats.value, true)
  question.value = entered.question
  if (entered.question === '') emit('enter', beats.value, entered.despite)
}
</script>

<template>
  <form class="enter" @submit.prevent="enter">
    <label :for="id">Beats counted in {{ printSeconds(protocol.pulseWindowMs) }}</label>
    <p class="quiet">
      {{
        touched > 0 ? `${touched} were touched. Confirm, or correct the count.` : 'Nothing was touched: type the count.'
      }}
    </p>
    <BFormInput :id="id" v-model="typed" class="figures" inputmode="numeric" autocomplete="off" :autofocus="focused" />
    <AskedFirst v-if="question">{{ question }}</AskedFirst>
    <BButton variant="primary" size="lg" type="submit" :disabled="!mayEnter">Enter the pulse</BButton>
  </form>
</template>

<style scoped>
.enter {
  display: grid;
  gap: 8px;
  justify-items: start;
}
label {
  font-weight: 650;
}
p {
  margin: 0;
}
input {
  font-size: 2rem;
  max-width: 180px;
}
</style>
