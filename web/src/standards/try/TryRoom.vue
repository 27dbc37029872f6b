<script setup lang="ts">
/** Try it: a person and measures, and every mark, the verdict and its reasons as they are typed. */
import { useVersion } from '../useVersion.ts'
import TryStandard from './TryStandard.vue'

const { standard } = useVersion()
</script>

<template>
  <TryStandard v-if="standard" :standard="standard" />
  <main v-else class="room">
    <p>This draft cannot be judged by yet. Mend what the check finds, then try it.</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'edit' }">Go to the draft</RouterLink>
  </main>
</template>
