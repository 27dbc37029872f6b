/** The day a call is about, once it is known that the caller may do there what the route does. */
import { rules, type Occasion } from '@able-gauge/core'
import { notFound } from '../problem.ts'
import { param, type Call } from '../routes/route.ts'
import { findCaptureGround, findOccasion, standingOf, type CaptureGround } from '../store/occasionStore.ts'
import { requireMay } from './session.ts'

/** @throws Problem 404 for an unknown day, 403 for somebody who may not do this there */
export const dayOf = async (call: Call): Promise<Occasion> => {
  const { server, account, action } = call
  const occasionId = param(call, 'occasionId')
  const occasion = rules.isUuid(occasionId) ? await findOccasion(server.pool, occasionId) : null
  if (!occasion) throw notFound('day')
  requireMay(account, action, { occasionId, ...(await standingOf(server.pool, occasionId, account)) })
  return occasion
}

/** What a post of captures is checked against; as dayOf. */
export const captureGround = async (call: Call): Promise<CaptureGround> => {
  const { server, account, action } = call
  const occasionId = param(call, 'occasionId')
  const ground = rules.isUuid(occasionId) ? await findCaptureGround(server.quick, occasionId, account.id) : null
  if (!ground) throw notFound('day')
  requireMay(account, action, { occasionId, isStaff: ground.isStaff })
  return ground
}
