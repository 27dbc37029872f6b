/** Whether events on laid out ground come out alike at every venue. */
import { kindOf, type VenuesAnswer } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { tallyVenues } from '../store/insight/countStore.ts'
import type { Asked } from './chosenIn.ts'

/** Where nothing is laid out a venue has nothing to be wrong about, and one alone nothing to be compared with. */
export const venuesOf = async (db: Database, { chosen, standard }: Asked): Promise<VenuesAnswer> => {
  if (!chosen || !standard || chosen.venue !== null) return { venues: [] }
  const laidOut = standard.events.filter(({ protocol }) => kindOf(protocol).ground?.(protocol))
  const venues = await Promise.all(laidOut.map(({ id }) => tallyVenues(db, chosen, id)))
  return { venues: venues.flat() }
}
