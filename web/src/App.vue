<script setup lang="ts">
import { BButton } from 'bootstrap-vue-next'
import { defineAsyncComponent, onErrorCaptured, ref } from 'vue'
import { NoAnswer } from './api.ts'
import { usePageTitle } from './pageTitle.ts'
import { useFirstLook } from './firstLook/firstLook.ts'
import { useDone } from './ui/done.ts'
import UpdateOffer from './UpdateOffer.vue'

const FirstLook = defineAsyncComponent(() => import('./firstLook/FirstLook.vue'))
const DoneToasts = defineAsyncComponent(() => import('./ui/DoneToasts.vue'))
const look = useFirstLook()
const done = useDone()

usePageTitle()
const away = ref(false)

onErrorCaptured((error) => {
  if (!(error instanceof NoAnswer)) return true
  away.value = true
  return false
})

const reload = (): void => location.reload()

/** To what the page is for, past the bar of the day. */
const skip = (): void => {
  const main = document.querySelector('main')
  main?.setAttribute('tabindex', '-1')
  main?.focus()
}
</script>

<template>
  <a class="skip" href="#main" @click.prevent="skip">Skip to the content</a>
  <RouterView />
  <UpdateOffer />
  <FirstLook v-if="look.step" />
  <DoneToasts v-if="done.told.length > 0" />
  <div v-if="away" class="away" role="alert">
    The server cannot be reached. What you captured is kept on this device.
    <BButton variant="quiet" size="sm" @click="reload">Try again</BButton>
  </div>
</template>

<style scoped>
.skip {
  position: fixed;
  inset: 0 auto auto 12px;
  z-index: 20;
  /* not moved out of sight: a picture of the whole page would have it in the middle */
  clip-path: inset(50%);
  padding: 10px 16px;
  border-radius: 0 0 6px 6px;
  background: var(--vest);
  color: var(--vest-ink);
  font-weight: 700;
}
.skip:focus {
  clip-path: none;
}
.away {
  position: fixed;
  inset: auto 16px 16px;
  padding: 12px 16px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 8px;
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
