/** What the signature of the open day proves, asked once for each state of the day however many show it. */
import { ProofAnswer } from '@able-gauge/core'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { call, inWords } from '../api.ts'
import type { Day } from './day.ts'

export const useDayProof = defineStore('dayProof', () => {
  const answer = shallowRef<ProofAnswer | null>(null)
  const problem = ref('')
  let asked = ''

  /** Asks when the day is signed and this state of it was not asked about yet. */
  const compare = async ({ occasion, amendments }: Day): Promise<void> => {
    const state = `${occasion.id} ${occasion.signedOff?.atMs ?? 'open'} ${amendments.length}`
    if (state === asked) return
    asked = state
    answer.value = null
    problem.value = ''
    if (!occasion.signedOff) return
    try {
      const fresh = await call('GET', `/occasions/${occasion.id}/proof`, ProofAnswer)
      if (state === asked) answer.value = fresh
    } catch (error) {
      if (state !== asked) return
      problem.value = inWords(error)
      // the next room that shows the day asks again
      asked = ''
    }
  }

  /** The next time a day is opened it is compared anew. */
  const forget = (): void => {
    asked = ''
  }

  return { answer, problem, compare, forget }
})
