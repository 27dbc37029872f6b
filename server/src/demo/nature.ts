/** What stays with a made-up person from day to day. */
import { bell, seededRandom } from '@able-gauge/core'
import type { DemoPerson } from './demoHouse.ts'

export interface Nature {
  readonly ability: number
  readonly byEvent: (eventId: string) => number
  readonly bodyMassG: number
}

/** Follows from the number alone, so that the same person is as able on every day. */
export const natureOf = ({ number, category }: Pick<DemoPerson, 'number' | 'category'>): Nature => {
  const seed = Number(number.replaceAll(/\D/g, ''))
  const random = seededRandom(seed)
  const ability = bell(random)
  const usual = category === 'male' ? 81 : 67
  return {
    ability,
    byEvent: (eventId) => bell(seededRandom(seed * 31 + eventId.length * 7 + eventId.charCodeAt(0))),
    bodyMassG: Math.round((usual + bell(random) * 8) * 10) * 100,
  }
}
