/** What somebody who joined with a station code may do: read their day, capture in their events, and nothing else. */
import { Problem } from '../problem.ts'
import type { Account } from './role.ts'

/** Paths of the interface that are open to them beside those of their day. */
const OPEN_READS: readonly string[] = ['/api/time', '/api/house-rules', '/api/occasions']
/** What they may write to, in their day. */
const OPEN_WRITES: readonly string[] = [
  '/api/occasions/:occasionId/captures',
  '/api/occasions/:occasionId/records',
  '/api/occasions/:occasionId/events/:eventId/instruments',
]

/** @param path of the route, with its parameters named @throws Problem 403 */
export const refuseElsewhere = (
  { station }: Account,
  method: string,
  path: string,
  params: Readonly<Record<string, unknown>>,
): void => {
  if (!station) return
  const isOwnDay = params['occasionId'] === station.occasionId
  const isOwnEvent = params['eventId'] === undefined || station.eventIds.includes(String(params['eventId']))
  const reads = method === 'get' && (OPEN_READS.includes(path) || isOwnDay)
  if (reads || (isOwnDay && isOwnEvent && OPEN_WRITES.includes(path))) return
  throw new Problem(403, 'access.station', 'You joined with a station code, which is for that station alone.')
}
