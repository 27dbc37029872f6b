<script setup lang="ts">
/** The start words of the protocol, one after the other, each with who says it; the clock starts with the last. */
import { startWordsOf, type Protocol, type Speaker } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { onMounted, onScopeDispose, ref } from 'vue'
import { useSound } from '../../sound/useSound.ts'
import { vFocus } from '../../ui/vFocus.ts'
import { useAgreedClock, type AgreedMoment } from '../../sync/agreedClock.ts'

const props = defineProps<{
  protocol: Protocol
}>()

const emit = defineEmits<{
  /** The last command: the moment the clock starts. */
  go: [moment: AgreedMoment]
  cancel: []
}>()

const { words, everyMs } = startWordsOf(props.protocol)
const SAID_BY: Readonly<Record<Speaker, string>> = {
  grader: '',
  candidate: 'the candidate says',
  signal: 'the signal',
}
const clock = useAgreedClock()
const index = ref(0)

const { say, tone } = useSound()

/** What others say is shown and waited for, not said for them. */
const speak = (): void => {
  const word = words[index.value]
  if (word?.speaker === 'grader') say(word.say)
}
let timer: ReturnType<typeof setInterval> | undefined
const reach = (at: number): void => {
  index.value = at
  if (at < words.length - 1) return speak()
  clearInterval(timer)
  // the clock starts with the tone, not with a voice that takes its time
  tone('level')
  const moment = clock.moment()
  if (moment) emit('go', moment)
  else emit('cancel')
}
const advance = (): void => reach(index.value + 1)
onMounted(() => {
  if (everyMs !== null && words.length > 1) timer = setInterval(advance, everyMs)
  reach(0)
})
onScopeDispose(() => clearInterval(timer))
</script>

<template>
  <div class="commands" role="alert">
    <small v-if="SAID_BY[words[index]?.speaker ?? 'grader']">{{ SAID_BY[words[index]?.speaker ?? 'grader'] }}</small>
    <span class="command">{{ words[index]?.say }}</span>
    <ol>
      <li v-for="(word, at) in words" :key="at" :class="{ said: at <= index }">{{ word.say }}</li>
    </ol>
    <BButton v-if="everyMs === null" v-focus variant="primary" size="lg" @click="advance">
      Said <kbd>Enter</kbd>
    </BButton>
    <BButton variant="quiet" size="lg" @click="emit('cancel')">Not now <kbd>Esc</kbd></BButton>
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
