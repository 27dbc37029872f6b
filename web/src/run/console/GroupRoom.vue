<script setup lang="ts">
/** The room of a console for several people: the events above, the list beside, the work, and what must always be in reach. */
import { isHeldElsewhere, kindOf, rulingFor, startsIn, waveStarts, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { dialogLater } from '../../ui/partLater.ts'
import { useAfterPaint } from '../../ui/useAfterPaint.ts'
import type { Day, Entry } from '../../day/day.ts'
import SoundSwitch from '../../sound/SoundSwitch.vue'
import { useDay } from '../../day/dayStore.ts'
import { useSession } from '../../session/sessionStore.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { deviceId } from '../../sync/outbox.ts'
import EventStrip from '../EventStrip.vue'
import { useKeys } from '../useKeys.ts'
import CalledOut from './CalledOut.vue'
import HeldElsewhere from './HeldElsewhere.vue'
import type { SlipTarget } from './slipTarget.ts'
import { sayUndoable } from './sayUndoable.ts'
import { useCalls } from './useCalls.ts'
import type { GroupGrading } from './useGroupGrading.ts'

const KeyHelp = dialogLater(() => import('../../ui/KeyHelp.vue'))
const PutRightDialog = dialogLater(() => import('./PutRightDialog.vue'))
const StopDialog = dialogLater(() => import('./StopDialog.vue'))
const props = withDefaults(
  defineProps<{
    day: Day
    event: StandardEvent
    grading: GroupGrading
    /** Those who can be stopped. */
    under: readonly Entry[]
    /** Whose slips can be put right here, and who it may have been instead. */
    targets?: () => readonly SlipTarget[]
    others?: readonly Entry[]
    /** Asked at a key, and only then. */
    keys?: () => Readonly<Record<string, () => void>>
    help?: readonly (readonly [string, string])[]
    /** Keys that act even while a button has the focus. */
    winsOverButtons?: (name: string) => boolean
    sounds?: boolean
    /** Keys of digits and Enter, when bibs are typed here. */
    onDigit?: (digit: string) => void
    ownField?: () => HTMLElement | null
  }>(),
  {
    targets: () => [],
    others: () => [],
    keys: () => ({}),
    help: () => [],
    winsOverButtons: () => false,
    sounds: false,
  },
)

const session = useSession()
const store = useDay()
const clock = useAgreedClock()
const stopping = ref(false)
const helping = ref(false)
const puttingRight = ref(false)
const { mayCapture, undo, undoable } = props.grading
/** Whether there is anybody whose slip can be put right. */
const hasTargets = computed(() => props.targets().length > 0)
/** What the referee says of each of them, as of their last capture. */
const rulingsOf = () => {
  const startFor = startsIn(waveStarts(props.grading.settled.value))
  return props.under.map((entry) => {
    const { id: entryId, wave, category } = entry
    const own = props.grading.ownOf(entryId)
    const start = startFor({ entryId, wave }, own)
    return { entry, ruling: rulingFor(props.event, { entryId, wave, category }, own, clock.nowMs(), start) }
  })
}
// a press is painted as the tile it is about; what follows from it for all of them comes in the frame after
const shown = useAfterPaint(() => ({
  rulings: rulingsOf(),
  /** "counted, 12": what undo takes back, and of whom. */
  undoWords: undoable.value ? sayUndoable(undoable.value, store.entry(undoable.value.entryId)) : null,
}))
const rulings = computed(() => shown.value.rulings)
const undoWords = computed(() => shown.value.undoWords)
// those who started together are told the same
const { called } = useCalls(() => [...new Set(rulings.value.map(({ ruling }) => ruling.calls))].flat())

/** Those whose count another device holds, in kinds where one does. */
const heldElsewhere = computed(() =>
  (kindOf(props.event.protocol).held ? rulings.value : []).flatMap(({ entry, ruling }) =>
    isHeldElsewhere(ruling, deviceId()) ? [entry] : [],
  ),
)
const takeOver = (): void => {
  for (const { id } of heldElsewhere.value) props.grading.observe(id, { kind: 'tookOver', payload: {} })
}

const COMMON: Readonly<Record<string, () => void>> = {
  u: () => undo(),
  x: () => (stopping.value = props.under.length > 0),
  j: () => (puttingRight.value = hasTargets.value),
  k: takeOver,
}
useKeys({
  actionFor: (name) => {
    if (name === '?') return () => (helping.value = !helping.value)
    if (!mayCapture.value) return undefined
    const { onDigit } = props
    if (onDigit && /^\d$/.test(name)) return () => onDigit(name)
    return props.keys()[name] ?? COMMON[name]
  },
  winsOverButtons: (name) => props.winsOverButtons(name),
  ownField: () => props.ownField?.() ?? null,
})
const allHelp = computed(() => [
  ...props.help,
  ['U', 'undo the last capture of this device'] as const,
  ...(heldElsewhere.value.length > 0 ? [['K', 'take over from the device that counts'] as const] : []),
  ...(hasTargets.value ? [['J', 'put right: start too early or forgotten, wrong person'] as const] : []),
  ['X', 'somebody stops: safety, medical, gave up'] as const,
])
</script>

<template>
  <main class="shared">
    <EventStrip class="strip" :day="day" :current="event.id" />
    <div class="side"><slot name="side" /></div>
    <div class="work">
      <HeldElsewhere
        v-if="heldElsewhere.length > 0"
        by=""
        :second="null"
        :may-take-over="mayCapture"
        @take-over="takeOver"
      />
      <CalledOut :words="called" />
      <slot />
    </div>
    <footer v-if="mayCapture" class="foot">
      <slot name="foot" />
      <BButton variant="quiet" :disabled="undoWords === null" @click="undo()">
        Undo <kbd>U</kbd><small v-if="undoWords">{{ undoWords }}</small>
      </BButton>
      <BButton v-if="hasTargets" variant="quiet" :disabled="!grading.ready.value" @click="puttingRight = true">
        Put right <kbd>J</kbd>
      </BButton>
      <SoundSwitch v-if="sounds" />
      <BButton class="keys" variant="quiet" aria-label="All keys" @click="helping = true"><kbd>?</kbd></BButton>
      <BButton variant="safety" class="safety" :disabled="under.length === 0" @click="stopping = true">
        Somebody stops <kbd>X</kbd>
      </BButton>
    </footer>
    <StopDialog
      v-model="stopping"
      :event="event"
      :runners="under"
      :may-disqualify="session.can('capture.asOfficer')"
      @stop="grading.stop"
      @caution="(entryId) => grading.observe(entryId, { kind: 'cautioned', payload: {} })"
    />
    <PutRightDialog
      v-model="puttingRight"
      :day="day"
      :event-id="event.id"
      :targets="puttingRight ? targets() : []"
      :others="others"
    />
    <KeyHelp v-model="helping" :keys="allHelp" />
  </main>
</template>

<style scoped src="./foot.css"></style>
<style scoped>
.shared {
  flex: 1;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
  grid-template-rows: auto 1fr auto;
  gap: 12px 16px;
  padding: 12px 20px 16px;
  max-height: calc(100dvh - 64px - var(--told-above, 0px));
  min-height: 0;
}
.strip,
.foot {
  grid-column: 1 / -1;
}
/* each painted by itself: a press in the work between them goes through nothing of theirs */
.side,
.foot {
  contain: layout style;
}
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
}
.side > :deep(*) {
  min-height: 0;
}
.work {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow-y: auto;
  padding: 4px;
  margin: -4px;
}
.foot {
  align-items: center;
}
.foot :deep(.btn) {
  min-height: 52px;
}
/* watch, gate and sound stand in one row with the rest */
@media (min-width: 901px) {
  .foot :deep(.btn) {
    padding-inline: 12px;
  }
}
.foot small {
  max-width: 230px;
  margin-inline: auto;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
@media (max-width: 900px) {
  .shared {
    display: flex;
    flex-direction: column;
    padding: 10px 12px;
    max-height: none;
  }
  .side {
    order: 4;
  }
  .work {
    overflow: visible;
  }
  .foot {
    position: sticky;
    bottom: 0;
    background: var(--ground);
    padding: 8px 0;
    z-index: 2;
  }
}
</style>
