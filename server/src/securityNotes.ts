/** What every route writes to the security log by itself: what was done where it says so, and what was refused. */
import type { Request } from 'express'
import type { SecurityEventKind } from '@able-gauge/core'
import type { Session } from './access/session.ts'
import { Problem } from './problem.ts'
import type { Server } from './routes/route.ts'
import { noteEvent } from './store/securityStore.ts'

/** The same refusal is noted once a minute, so that nobody fills the log by asking again. */
const AGAIN_AFTER_MS = 60_000

/** Who asks, and for what; taken when the route begins, because the address is forgotten once it has failed. */
export interface Asking {
  readonly session: Session
  readonly what: string
  readonly subject: Readonly<Record<string, string>>
}

export const askingOf = (request: Request, session: Session): Asking => ({
  session,
  what: routeOf(request),
  subject: subjectOf(request),
})

export interface SecurityNotes {
  readonly done: (kind: SecurityEventKind, asking: Asking) => Promise<void>
  readonly refused: (error: unknown, asking: Asking | undefined) => void
}

export const securityNotes = ({ pool, log, clock }: Pick<Server, 'pool' | 'log' | 'clock'>): SecurityNotes => {
  const lastMs = new Map<string, number>()
  const isNew = (key: string): boolean => {
    const nowMs = clock.nowMs()
    for (const [other, atMs] of lastMs) if (nowMs - atMs > AGAIN_AFTER_MS) lastMs.delete(other)
    if (lastMs.has(key)) return false
    lastMs.set(key, nowMs)
    return true
  }
  const note = async (kind: SecurityEventKind, accountId: string, detail: Record<string, string>): Promise<void> => {
    try {
      await noteEvent(pool, { kind, accountId, detail })
    } catch (error) {
      // it was done, or refused, all the same; whoever reads the log of the process sees the gap
      log.error({ err: error, kind }, 'not noted in the security log')
    }
  }
  return {
    done: (kind, { session, subject }) => note(kind, session.account.id, subject),
    refused: (error, asking) => {
      const kind = kindOf(error)
      if (kind === null || !asking) return
      const { session, what, subject } = asking
      if (isNew(`${session.account.id} ${kind} ${what}`)) void note(kind, session.account.id, { what, ...subject })
    },
  }
}

const kindOf = (error: unknown): SecurityEventKind | null => {
  if (!(error instanceof Problem) || error.status !== 403) return null
  if (error.code === 'signOff.password' || error.code === 'signOff.code') return 'signature.refused'
  if (error.code === 'secondFactor.code') return 'secondFactor.refused'
  if (error.code === 'password.wrong') return 'password.refused'
  return error.code.startsWith('access.') ? 'access.refused' : null
}

const routeOf = ({ method, route }: Request): string =>
  `${method} ${(route as { path?: string } | undefined)?.path ?? ''}`

/** Ids of the address, by what they are of. */
const subjectOf = ({ params }: Request): Record<string, string> => {
  const { occasionId, personId } = params
  return {
    ...(typeof occasionId === 'string' ? { day: occasionId } : {}),
    ...(typeof personId === 'string' ? { person: personId } : {}),
  }
}
