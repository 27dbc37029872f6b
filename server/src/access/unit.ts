/** Units a request names: there, in use, and within reach of who asks. */
import { unitsToChoose } from '@able-gauge/core'
import type { Database } from '../database.ts'
import { invalidInput } from '../problem.ts'
import { listUnits } from '../store/unitStore.ts'
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
