/** Writes into the day's log, once each, and says what went wrong in words. */
import type { DayRecordContent, RecordKind } from '@able-gauge/core'
import { v4 as newId } from 'uuid'
import { ref } from 'vue'
import { tell, inWords } from '../api.ts'
import type { Day } from './day.ts'
import { useDay } from './dayStore.ts'
import { useDone } from '../ui/done.ts'

/** What is told once it is on record. */
const TOLD: Readonly<Record<RecordKind, string>> = {
  conditions: 'The conditions are on record.',
  heatDecided: 'The decision about the heat is on record.',
  briefed: 'The briefing is on record.',
  holdRaised: 'The hold is on record.',
  holdLifted: 'The hold is lifted.',
  eventConfirmed: 'The event is confirmed.',
  protested: 'The protest is on record.',
  protestAnswered: 'The answer to the protest is on record.',
  cardsKeyed: 'What was keyed is on record.',
  dayOpened: 'The day is open on this date.',
  clockStepped: 'The step of the clock is on record.',
}

export const useRecords = (day: () => Day) => {
  const store = useDay()
  const done = useDone()
  const problem = ref('')
  const writing = ref(false)

  /** @returns whether it is on record */
  const write = async (content: DayRecordContent): Promise<boolean> => {
    const { id } = day().occasion
    writing.value = true
    problem.value = ''
    try {
      await tell('POST', `/occasions/${id}/records`, { id: newId(), content })
      await store.reread(id)
      done.tell(TOLD[content.kind])
      return true
    } catch (error) {
      problem.value = inWords(error)
      return false
    } finally {
      writing.value = false
    }
  }
  return { write, writing, problem }
}
