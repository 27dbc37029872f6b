<script setup lang="ts">
/** Sound on or off on this device; the beat is always to be seen as well. */
import { BButton } from 'bootstrap-vue-next'
import IconOn from '~icons/tabler/volume'
import IconOff from '~icons/tabler/volume-off'
import { useSound } from './useSound.ts'

const { on } = useSound()
</script>

<template>
  <BButton variant="quiet" :aria-pressed="on" @click="on = !on">
    <component :is="on ? IconOn : IconOff" /> {{ on ? 'Sound on' : 'Sound off' }}
  </BButton>
</template>
