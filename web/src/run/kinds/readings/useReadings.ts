/** State and actions of one candidate in an event whose figures are read and entered. */
import {
  chosenEvent,
  countingSlots,
  exampleOf,
  parseField,
  printField,
  readingsIn,
  slotsOfEvent,
  type Observation,
  type Slot,
  type StandardEvent,
  type StopReason,
} from '@able-gauge/core'
import { computed, reactive, ref, watch } from 'vue'
import type { Day, Entry } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { useSession } from '../../../session/sessionStore.ts'
import { momentDespite, useAgreedClock } from '../../../sync/agreedClock.ts'
import { useSecondEntry } from '../../console/useSecondEntry.ts'

export const useReadings = (day: () => Day, event: StandardEvent, entry: () => Entry) => {
  const store = useDay()
  const session = useSession()
  const clock = useAgreedClock()
  const settled = store.settledIn(event.id)
  const own = computed(() => settled.value.filter(({ entryId }) => entryId === entry().id))
  const readings = computed(() => readingsIn(own.value))
  const mark = computed(() => store.marksIn(event.id).value.get(entry().id))
  /** The event itself, or the alternate this candidate does. */
  const done = computed(() => {
    const { id, ageYears, ageCountedOn, category } = entry()
    return chosenEvent(day().standard, event, { entryId: id, ageYears, ageCountedOn, category }).event
  })
  const slots = computed(() => slotsOfEvent(done.value))
  /** The readings the result comes from. */
  const counting = computed(() => countingSlots(done.value.protocol, readings.value))
  const typed = reactive<Record<string, string>>({})
  const problems = reactive<Record<string, string>>({})
  /** What is asked before the figure that was typed last is recorded. */
  const question = ref('')
  const mayCapture = computed(() => session.can('capture') && !day().occasion.signedOff)
  const ready = computed(() => mayCapture.value && clock.agreement !== null && entry().attendance === 'present')

  const onRecord = ({ id, ...form }: Slot): string => {
    const value = readings.value[id]
    return value === undefined ? '' : printField(value, form)
  }
  watch(
    readings,
    (now, before) => {
      // only what changed on record is shown anew: another field may be half typed when a reading arrives
      for (const slot of slots.value) if (now[slot.id] !== before?.[slot.id]) typed[slot.id] = onRecord(slot)
    },
    { immediate: true },
  )

  const observe = (observation: Observation, despite: readonly string[] = []): void => {
    store.capture(event.id, entry().id, observation, momentDespite(clock.moment(), despite))
  }

  const stop = (reason: StopReason, note = ''): void =>
    observe({ kind: 'stopped', payload: note.trim() === '' ? { reason } : { reason, note: note.trim() } })

  const askOnce = useSecondEntry(() => done.value.protocol)
  /**
   * Records what was typed in one slot; a figure that is already on record is not recorded again.
   * @param byPress whether it was entered, not just left
   */
  const record = (slot: Slot, byPress = false): void => {
    const text = (typed[slot.id] ?? '').trim()
    problems[slot.id] = question.value = ''
    if (text === onRecord(slot) || !ready.value) return
    if (text === '') {
      problems[slot.id] = 'A reading is replaced by another, or the last one undone.'
      return
    }
    const read = parseField(text, slot)
    if (!read.ok) {
      problems[slot.id] = read.code === 'field.form' ? `"${text}" is not ${exampleOf(slot)}.` : read.reason
      return
    }
    typed[slot.id] = printField(read.value, slot)
    if (read.value === readings.value[slot.id]) return
    const entered = askOnce(slot, read.value, byPress)
    question.value = entered.question
    if (entered.question !== '') problems[slot.id] = 'Not on record yet.'
    else observe({ kind: 'read', payload: { slot: slot.id, value: read.value } }, entered.despite)
  }

  const undoable = computed(() => own.value.filter(({ kind }) => kind !== 'decided').at(-1))
  const undo = (): void => {
    const last = undoable.value
    if (!last || !mayCapture.value) return
    for (const id of Object.keys(problems)) problems[id] = ''
    question.value = ''
    observe({ kind: 'voided', payload: { captureId: last.id, reason: 'undone at the console' } })
  }

  return { slots, counting, typed, problems, question, mark, ready, mayCapture, record, stop, undo, undoable }
}
