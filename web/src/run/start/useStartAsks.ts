/** What is open before some people start an event together: rests, other events they are still in, checks that are not clear. */
import { asksBefore, outsideOf, type OutsideAsk, type StandardEvent } from '@able-gauge/core'
import { computed } from 'vue'
import type { Day, Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { useTick } from '../../ui/useTick.ts'
import { useRests } from '../useRests.ts'

const TICK_MS = 250

export type Asked = { readonly entry: Entry } & Exclude<OutsideAsk, { code: 'notClear' }>

export const useStartAsks = (day: () => Day, event: StandardEvent, entries: () => readonly Entry[]) => {
  const store = useDay()
  const clock = useAgreedClock()
  const rests = useRests(day)
  const nowMs = useTick(TICK_MS)
  const settled = store.settledIn(event.id)
  const asks = computed(() =>
    entries().map((entry) => {
      // another try is part of what was begun already
      const hasBegun = (store.marksIn(event.id).value.get(entry.id)?.kind ?? 'waiting') !== 'waiting'
      const outside = outsideOf(event, entry.id, settled.value, rests.value.get(entry.id))
      return { entry, asks: hasBegun ? [] : asksBefore(outside, nowMs.value) }
    }),
  )
  /** Questions a second, deliberate press can answer. */
  const asked = computed(() =>
    asks.value.flatMap(({ entry, asks: own }) =>
      own.flatMap((ask): Asked[] => (ask.code === 'notClear' ? [] : [{ entry, ...ask }])),
    ),
  )
  const notClear = computed(() => asks.value.filter(({ asks: own }) => own.some(({ code }) => code === 'notClear')))

  /** Puts on record that all of them were asked and are clear. */
  const clear = (): void => {
    const entryIds = notClear.value.map(({ entry }) => entry.id)
    if (entryIds.length === 0 || !clock.agreement) return
    store.capture(event.id, null, { kind: 'cleared', payload: { entryIds } })
  }
  return { asked, notClear, clear, nowMs }
}
