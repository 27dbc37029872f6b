<script setup lang="ts">
/** Sound on or off on this device; the beat is always to be seen as well. */
import IconOn from '~icons/tabler/volume'
import IconOff from '~icons/tabler/volume-off'
import { useSound } from './useSound.ts'

const { on } = useSound()
</script>

<template>
  <button class="btn btn-quiet" :aria-pressed="on" @click="on = !on">
    <component :is="on ? IconOn : IconOff" /> {{ on ? 'Sound on' : 'Sound off' }}
  </button>
</template>
