<script setup lang="ts">
/**
 * The frame of a console for one candidate: who it is, the start commands, the work itself, the mark when it is over, and
 * at the foot what must always be in reach: stop for safety, other ends, undo.
 */
import { startWordsOf, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { dialogLater } from '../../ui/partLater.ts'
import { fullName, type Day, type Entry } from '../../day/day.ts'
import SoundSwitch from '../../sound/SoundSwitch.vue'
import type { AgreedMoment } from '../../sync/agreedClock.ts'
import StartCommands from '../start/StartCommands.vue'
import VariantChoice from '../start/VariantChoice.vue'
import { sayCapture } from '../../ui/sayCapture.ts'
import { useKeys } from '../useKeys.ts'
import { useCandidates } from '../useQueue.ts'
import { useSession } from '../../session/sessionStore.ts'
import { deviceId } from '../../sync/outbox.ts'
import CalledOut from './CalledOut.vue'
import HeldElsewhere from './HeldElsewhere.vue'
import { personTarget } from './slipTarget.ts'
import { useCalls } from './useCalls.ts'
import type { Grading } from './useGrading.ts'
import ConsoleHead from './ConsoleHead.vue'
import ConsoleOver from './ConsoleOver.vue'
import ConsolePrelude from './ConsolePrelude.vue'
import { fetchWhy } from './whyLater.ts'

const KeyHelp = dialogLater(() => import('../../ui/KeyHelp.vue'))
const PutRightDialog = dialogLater(() => import('./PutRightDialog.vue'))
const EndDialog = dialogLater(() => import('./EndDialog.vue'))
const props = withDefaults(
  defineProps<{
    day: Day
    event: StandardEvent
    entry: Entry
    following: Entry | undefined
    grading: Grading
    /** Whether the work is still to be started with the protocol's commands. */
    mayStart?: boolean
    /** What another try is called, when one is allowed though there is a mark already. */
    moreLabel?: string
    /** What undo would take back, in words. */
    undoWords?: string
    /** Share of the time that has run, for the tape in the head. */
    share?: number
    /** Keys of this console, beside those every console has. */
    keys?: Readonly<Record<string, () => void>>
    help?: readonly (readonly [string, string])[]
    /** Keys that act even while a button has the focus. */
    strongKeys?: readonly string[]
    /** Whether the console makes sounds. */
    sounds?: boolean
  }>(),
  {
    mayStart: false,
    moreLabel: '',
    undoWords: '',
    share: 0,
    keys: () => ({}),
    help: () => [],
    strongKeys: () => [],
    sounds: false,
  },
)

const emit = defineEmits<{
  next: []
  back: []
  /** The last start command: the moment the clock starts. */
  go: [moment: AgreedMoment]
}>()

onMounted(fetchWhy)
const starting = ref(false)
const puttingRight = ref(false)
const ending = ref(false)
const helping = ref(false)
const { ready, mayCapture, isDone, mark, undoable, stop, undo, ruling, heldElsewhere, takeOver } = props.grading
const second = computed(() => ruling.value.second.find((other) => other.deviceId === deviceId())?.soFar ?? null)
const { called } = useCalls(() => (isDone.value ? [] : ruling.value.calls))
const { queue, others } = useCandidates(() => props.day, props.event.id)
const counting = computed(() => {
  const claim = others.value.get(props.entry.id)
  return claim?.deviceId === ruling.value.holder ? claim.by : ''
})
const session = useSession()
const held = computed(() => props.entry.attendance !== 'present')
const hasStart = computed(() => startWordsOf(props.event.protocol).words.length > 0)

/** An event that is over can still be overruled by who may: withdrawn, disqualified. */
const mayEnd = computed(() => ready.value && (!isDone.value || session.can('capture.asOfficer')))

const beginStart = (): void => {
  if (ready.value && props.mayStart) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  emit('go', moment)
}

const COMMON: Readonly<Record<string, () => void>> = {
  s: beginStart,
  u: () => undo(),
  f: () => !isDone.value && stop('safety'),
  x: () => (ending.value = mayEnd.value),
  j: () => (puttingRight.value = ready.value),
  k: () => heldElsewhere.value && takeOver(),
  n: () => isDone.value && emit('next'),
  Escape: () => (starting.value = false),
}
useKeys({
  actionFor: (name) => {
    if (name === '?') return () => (helping.value = !helping.value)
    if (!mayCapture.value) return undefined
    return (isDone.value || starting.value ? undefined : props.keys[name]) ?? COMMON[name]
  },
  winsOverButtons: (name) => !isDone.value && !starting.value && props.strongKeys.includes(name),
})
const allHelp = computed(() => [
  ...(hasStart.value ? [['S', 'start commands'] as const] : []),
  ...props.help,
  ['U', 'undo the last capture'] as const,
  ['J', 'put right: start too early or forgotten, wrong person'] as const,
  ['F', 'stop for safety, at once'] as const,
  ['X', 'another end: medical, failed, gave up'] as const,
  ...(heldElsewhere.value ? [['K', 'take over from the device that counts'] as const] : []),
  ['N', 'next candidate, when this one is done'] as const,
])
</script>

<template>
  <section class="console" :aria-label="`${event.name}, ${fullName(entry)}`">
    <ConsoleHead :event="event" :entry="entry" :day="day" :share="share" @back="emit('back')" />
    <p v-if="held" class="sheet note" role="alert">
      <strong>{{ entry.attendance === 'held' ? 'Held: may not start.' : 'Not checked in.' }}</strong> {{ entry.note }}
    </p>
    <HeldElsewhere
      v-if="heldElsewhere"
      :by="counting"
      :second="second"
      :may-take-over="mayCapture && ready"
      @take-over="takeOver()"
    />
    <StartCommands v-if="starting" :day="day" :event="event" :entries="[entry]" @go="onGo" @cancel="starting = false" />
    <template v-else>
      <CalledOut :words="called" />
      <slot name="figures" />
      <ConsoleOver
        v-if="isDone"
        :mark="mark"
        :following="following"
        :may-undo="mayCapture && undoable !== undefined"
        :more-label="mayCapture && mayStart ? moreLabel : ''"
        @next="emit('next')"
        @undo="undo()"
        @more="beginStart"
      >
        <BButton v-if="ready" variant="quiet" size="lg" @click="puttingRight = true"> Put right <kbd>J</kbd> </BButton>
        <BButton v-if="mayEnd" variant="quiet" size="lg" @click="ending = true">Overrule <kbd>X</kbd></BButton>
      </ConsoleOver>
      <template v-else>
        <ConsolePrelude v-if="mayStart" :day="day" :event="event" :entry="entry" :grading="grading" @start="beginStart">
          <slot name="rules" />
        </ConsolePrelude>
        <slot v-else />
        <footer v-if="mayCapture" class="foot">
          <slot name="foot" />
          <VariantChoice v-if="!mayStart && ready" :event="event" :entry="entry" />
          <BButton variant="quiet" :disabled="!undoable" @click="undo()">
            Undo <kbd>U</kbd><small v-if="undoable">{{ undoWords || sayCapture(undoable) }}</small>
          </BButton>
          <BButton variant="quiet" :disabled="!ready" @click="puttingRight = true">Put right <kbd>J</kbd></BButton>
          <BButton variant="quiet" :disabled="!ready" @click="ending = true">Other end <kbd>X</kbd></BButton>
          <SoundSwitch v-if="sounds" />
          <BButton class="keys" variant="quiet" aria-label="All keys" @click="helping = true"><kbd>?</kbd></BButton>
          <BButton variant="safety" class="safety" :disabled="!ready" @click="stop('safety')">
            Stop for safety <kbd>F</kbd>
          </BButton>
        </footer>
      </template>
    </template>
    <PutRightDialog
      v-model="puttingRight"
      :day="day"
      :event-id="event.id"
      :targets="[personTarget(entry, grading.own.value)]"
      :others="queue"
    />
    <EndDialog v-model="ending" :event="event" :over="isDone" @end="stop" />
    <KeyHelp v-model="helping" :keys="allHelp" />
  </section>
</template>

<style scoped src="./foot.css"></style>
<style scoped>
.console {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
  overflow-y: auto;
}
.note {
  margin: 0;
  padding: 12px 16px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
/* whatever is above it, stopping for safety is in reach */
.foot {
  flex: none;
  position: sticky;
  bottom: 0;
  z-index: 1;
  margin-top: auto;
  background: var(--ground);
  padding-top: 6px;
}
.foot :deep(.btn) {
  min-height: 48px;
}
@media (max-width: 900px) {
  .console {
    height: calc(100dvh - 20px - var(--told-above, 0px));
    overflow: visible;
  }
  .foot .safety {
    flex-basis: 100%;
  }
}
</style>
