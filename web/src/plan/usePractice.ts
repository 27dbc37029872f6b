/** Who of the staff works an event without the practice the house asks for. It is shown, and stops nobody. */
import { DrillMarksAnswer } from '@able-gauge/core'
import { onMounted, shallowRef, type ShallowRef } from 'vue'
import { call, NoAnswer, Refusal } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useSession } from '../session/sessionStore.ts'

/** @returns events of the day they lack practice in, by account, whoever works them; empty while nothing is asked */
export const usePractice = (day: () => Day): ShallowRef<ReadonlyMap<string, ReadonlySet<string>>> => {
  const lacking = shallowRef<ReadonlyMap<string, ReadonlySet<string>>>(new Map())
  const house = useHouseRules()
  const session = useSession()
  onMounted(async () => {
    if (!session.can('practice.marks')) return
    await house.read()
    const asked = house.rules?.practice
    if (!asked) return
    try {
      const [{ marks }, { unpractised }] = await Promise.all([
        call('GET', '/drills/marks', DrillMarksAnswer),
        import('@able-gauge/core/drill'),
      ])
      const { staff, standard } = day()
      lacking.value = new Map(
        staff.map(({ accountId }) => {
          const events = unpractised(accountId, standard.events, marks, asked, Date.now())
          return [accountId, new Set(events.map(({ id }) => id))]
        }),
      )
    } catch (error) {
      // a plan is made without it as well
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
    }
  })
  return lacking
}
