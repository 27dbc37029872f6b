<script setup lang="ts">
/** Sound on or off on this device; the beat is always to be seen as well. */
import { BButton } from 'bootstrap-vue-next'
import IconOn from '~icons/tabler/volume'
import IconOff from '~icons/tabler/volume-off'
import { computed } from 'vue'
import { audible } from './audioClock.ts'
import { useSound } from './useSound.ts'

const { on } = useSound()
const words = computed(() => {
  if (audible.value === 'none') return 'No sound in this browser'
  if (!on.value) return 'Sound off'
  return audible.value === 'open' ? 'Sound on' : 'Sound on, after a touch'
})
</script>

<template>
  <BButton variant="quiet" :aria-pressed="on" @click="on = !on">
    <component :is="on ? IconOn : IconOff" /> {{ words }}
  </BButton>
</template>
