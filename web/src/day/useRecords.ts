/** Writes into the day's log, once each, and says what went wrong in words. */
import type { DayRecordContent } from '@able-gauge/core'
import { v4 as newId } from 'uuid'
import { ref } from 'vue'
import { tell, inWords } from '../api.ts'
import type { Day } from './day.ts'
import { useDay } from './dayStore.ts'

export const useRecords = (day: () => Day) => {
  const store = useDay()
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
