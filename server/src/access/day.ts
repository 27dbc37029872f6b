/** Which days an account may read and work on. */
import type { Database } from '../database.ts'
import { notFound, Problem } from '../problem.ts'
import type { Occasion } from '@able-gauge/core'
import { findCaptureGround, findOccasion, isOnStaff, type CaptureGround } from '../store/occasionStore.ts'
import type { Account, Role } from './role.ts'

/** Roles that oversee all days; the others see those they are on the staff of. */
const OVERSEES: readonly Role[] = ['officer', 'viewer']

/** The account whose days to list, or null for all. */
export const staffFilter = (account: Account): string | null => (OVERSEES.includes(account.role) ? null : account.id)

/** @throws Problem 404 for an unknown day, 403 for somebody who is not on its staff */
export const readableDay = async (db: Database, account: Account, occasionId: string): Promise<Occasion> => {
  const occasion = UUID.test(occasionId) ? await findOccasion(db, occasionId) : null
  if (!occasion) throw notFound('day')
  if (!OVERSEES.includes(account.role)) await requireStaff(db, account, occasion)
  return occasion
}

/** A day the account may add to: it has to be on the staff, whatever its role. */
export const workableDay = async (db: Database, account: Account, occasionId: string): Promise<Occasion> => {
  const occasion = await readableDay(db, account, occasionId)
  await requireStaff(db, account, occasion)
  return occasion
}

/** What a post of captures is checked against; as workableDay, for whoever is on the staff. */
export const captureGround = async (db: Database, account: Account, occasionId: string): Promise<CaptureGround> => {
  const ground = UUID.test(occasionId) ? await findCaptureGround(db, occasionId, account.id) : null
  if (!ground) throw notFound('day')
  if (!ground.isStaff) throw notOnStaff(ground.occasion)
  return ground
}

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

const requireStaff = async (db: Database, account: Account, occasion: Occasion): Promise<void> => {
  if (await isOnStaff(db, occasion.id, account.id)) return
  throw notOnStaff(occasion)
}

const notOnStaff = ({ name }: Occasion): Problem =>
  new Problem(403, 'access.staff', `You are not on the staff of "${name}". The officer in charge can add you.`)
