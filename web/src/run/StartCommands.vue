<script setup lang="ts">
/** The start commands of the protocol, one after the other; the clock starts with the last. */
import { onScopeDispose, ref } from 'vue'
import { useSound } from '../sound/useSound.ts'
import { useAgreedClock, type AgreedMoment } from '../sync/agreedClock.ts'

const props = defineProps<{
  /** In the order they are called; the last is the start itself. */
  commands: readonly string[]
}>()

const emit = defineEmits<{
  /** The last command: the moment the clock starts. */
  go: [moment: AgreedMoment]
  cancel: []
}>()

const BETWEEN_MS = 1_500
const clock = useAgreedClock()
const index = ref(0)

const { say, tone } = useSound()
say(props.commands[0] ?? '')

const advance = (): void => {
  index.value += 1
  const isLast = index.value === props.commands.length - 1
  // the clock starts with the tone, not with a voice that takes its time
  if (isLast) tone('level')
  else say(props.commands[index.value] ?? '')
  if (index.value < props.commands.length - 1) return
  clearInterval(timer)
  const moment = clock.moment()
  if (moment) emit('go', moment)
  else emit('cancel')
}
const timer = setInterval(advance, BETWEEN_MS)
onScopeDispose(() => clearInterval(timer))
</script>

<template>
  <div class="commands" role="alert">
    <span class="command">{{ commands[index] }}</span>
    <ol>
      <li v-for="(command, at) in commands" :key="command" :class="{ said: at <= index }">{{ command }}</li>
    </ol>
    <button class="btn btn-quiet btn-lg" @click="emit('cancel')">Not now <kbd>Esc</kbd></button>
  </div>
</template>

<style scoped>
.commands {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 20px;
  min-height: 260px;
  flex: 1;
  background: var(--vest);
  color: var(--vest-ink);
  border-radius: 8px;
  padding: 24px;
  text-align: center;
}
.command {
  font-size: clamp(2.5rem, 10vw, 4.5rem);
  font-weight: 750;
  line-height: 1;
}
ol {
  list-style: none;
  display: flex;
  gap: 20px;
  margin: 0;
  padding: 0;
}
li {
  opacity: 0.6;
}
.said {
  opacity: 1;
  font-weight: 700;
}
</style>
