<script setup lang="ts">
/** While a console is open the screen stays awake and its sound unlocked; where a browser cannot, it is said once on this device. */
import { useElementSize, useEventListener, useLocalStorage, useWakeLock } from '@vueuse/core'
import { BButton } from 'bootstrap-vue-next'
import { onMounted, onScopeDispose, ref, useTemplateRef, watchEffect } from 'vue'
import { audioContext } from '../sound/audioClock.ts'
import { useSound } from '../sound/useSound.ts'

const { on } = useSound()
const { isSupported, request, release } = useWakeLock()
const refused = ref(false)
const told = useLocalStorage('able-gauge-told-awake', false)

// consoles fill the screen: what stands above them is theirs to make room for, so that stopping for safety stays in sight
const GAP_PX = 8
const { height } = useElementSize(useTemplateRef<HTMLElement>('banner'), undefined, { box: 'border-box' })
const { style } = document.documentElement
watchEffect(() => style.setProperty('--told-above', height.value === 0 ? '0px' : `${height.value + GAP_PX}px`))
onScopeDispose(() => style.removeProperty('--told-above'))

onMounted(async () => {
  if (!isSupported.value) return
  try {
    await request('screen')
  } catch {
    // a low battery, or the page not in front: the screen may sleep, and that is said
    refused.value = true
  }
})
onScopeDispose(() => void release())

// browsers let a page sound only after a touch or a key, and some lock it again after a call
useEventListener(window, ['pointerdown', 'keydown'], () => on.value && audioContext(), { capture: true })
</script>

<template>
  <p v-if="(!isSupported || refused) && !told" ref="banner" class="awake" role="status">
    <span>
      This browser cannot keep the screen awake {{ refused ? 'now' : 'at this address' }}. Set the screen of this device
      to stay on.
    </span>
    <BButton variant="quiet" size="sm" @click="told = true">Understood</BButton>
  </p>
</template>

<style scoped>
.awake {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  margin: 8px 20px 0;
  padding: 6px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
</style>
