<script setup lang="ts">
/** Lets people hear the beat or the signals of an event before it; nothing starts. Shown where there is something to hear. */
import { kindOf, type Protocol } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, onScopeDispose, ref } from 'vue'
import IconHear from '~icons/tabler/ear'
import IconStop from '~icons/tabler/player-stop'
import { useSignals } from '../../sound/useSignals.ts'
import { useSound } from '../../sound/useSound.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'

const props = defineProps<{
  protocol: Protocol
}>()

/** After the last signal, so that a long one is heard to its end. */
const REST_MS = 600

const { on } = useSound()
const clock = useAgreedClock()
const signals = computed(() => kindOf(props.protocol).heard?.(props.protocol) ?? [])
const fromMs = ref<number | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined

const stop = (): void => {
  clearTimeout(timer)
  fromMs.value = null
}
const hear = (): void => {
  if (fromMs.value !== null) return stop()
  on.value = true
  fromMs.value = clock.nowMs()
  timer = setTimeout(stop, ((signals.value.at(-1)?.atMs ?? 0) + REST_MS) / clock.speed)
}
useSignals(
  () => fromMs.value,
  (sinceMs, untilMs) => signals.value.filter(({ atMs }) => atMs >= sinceMs && atMs < untilMs),
)
onScopeDispose(stop)
</script>

<template>
  <BButton v-if="signals.length > 0" variant="quiet" size="lg" :aria-pressed="fromMs !== null" @click="hear">
    <component :is="fromMs === null ? IconHear : IconStop" />
    {{ fromMs === null ? 'Let them hear it' : 'Heard enough' }}
  </BButton>
</template>
