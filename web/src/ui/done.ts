/** What was just done, told for a moment while somebody goes on: kept by one place, shown by `DoneToasts`. */
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

export interface Told {
  readonly id: number
  /** A sentence. */
  readonly what: string
}

/** More at once would cover what somebody goes on with. */
const MOST = 3

export const useDone = defineStore('done', () => {
  const told = shallowRef<readonly Told[]>([])
  let last = 0

  const tell = (what: string): void => {
    last += 1
    told.value = [...told.value, { id: last, what }].slice(-MOST)
  }
  const forget = (id: number): void => {
    told.value = told.value.filter((one) => one.id !== id)
  }

  return { told, tell, forget }
})
