/** Units a request names: there, in use, and within reach of who asks. */
import { rules, unitsToChoose } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { invalidInput, notFound } from '../problem.ts'
import type { Call } from '../routes/route.ts'
import { isUnitWithin, listUnits } from '../store/unitStore.ts'
import type { Account } from './role.ts'

/**
 * The unit something new belongs to: the one that is named, else the own one, else none.
 * @throws Problem 422 for one that is not there, closed, or out of reach
 */
export const unitFor = async (
  db: Database,
  account: Pick<Account, 'unitId'>,
  named: string | null | undefined,
): Promise<string | null> => {
  const unitId = named === undefined ? (account.unitId ?? null) : named
  if (unitId === (account.unitId ?? null)) return unitId
  const open = unitsToChoose(await listUnits(db), account.unitId ?? null)
  if (unitId !== null && open.some(({ id }) => id === unitId)) return unitId
  throw invalidInput([
    {
      place: 'unitId',
      code: 'unknownUnit',
      found: unitId ?? 'none',
      expected: account.unitId === undefined ? 'a unit that is in use' : 'your own unit or one below it',
    },
  ])
}

/** The unit that was asked for, within reach of who asks. @throws Problem 404 for another */
export const reachIn = async ({ server, request, account }: Call): Promise<string | null> => {
  const { unit } = request.query
  if (typeof unit !== 'string' || unit === '') return account.unitId ?? null
  if (!rules.isUuid(unit)) throw notFound('unit')
  if (!(await isUnitWithin(server.pool, unit, account.unitId ?? null))) throw notFound('unit')
  return unit
}
