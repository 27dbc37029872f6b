/** A route says who may call it; the assembly checks that before the handler runs. */
import type { Request, Response } from 'express'
import type { Logger } from 'pino'
import { isPrintable, type Action, type SecurityEventKind, type SessionAsks } from '@able-gauge/core'
import type { Account } from '../access/role.ts'
import type { CaptureWriter } from '../captureWriter.ts'
import type { Pool } from '../database.ts'
import type { DayQueue } from '../dayQueue.ts'
import type { Field } from '../field.ts'
import type { Limits } from '../limits.ts'
import type { Keeper } from '../keeper.ts'
import type { LiveFeed } from '../live/liveFeed.ts'
import type { ServerClock } from '../serverClock.ts'
import type { Signer } from '../signer.ts'
import type { WorkPool } from '../work/workPool.ts'
import { notFound } from '../problem.ts'

/** What handlers work with. */
export interface Server {
  /** For reading, and for what belongs to no day. */
  readonly pool: Pool
  /** For what is asked with every request: who it is, and where they stand. */
  readonly quick: Pool
  /** For whatever writes to a day. */
  readonly days: DayQueue
  readonly feed: LiveFeed
  readonly writer: CaptureWriter
  readonly clock: Pick<ServerClock, 'nowMs'>
  /** For what takes long: whole days judged, signed, archived. */
  readonly work: Pick<WorkPool, 'run'>
  /** Signs days with the key of this installation. */
  readonly signer: Signer
  readonly log: Logger
  readonly limits: Limits
  /** Address of the proxy in front of this server, whose word on addresses counts; null without one. */
  readonly trustedProxy: string | null
  /** How devices on a field reach this machine; null where none is served. */
  readonly field: Field | null
  /** Who makes backups; null where nobody can. */
  readonly keeper: Keeper | null
  /** Whether demo accounts may sign in. */
  readonly demo: boolean
  /** Whether each answer is held against what its route declares before it is sent: in tests. */
  readonly checksAnswers: boolean
}

export interface Call {
  readonly server: Server
  readonly request: Request
  readonly response: Response
  readonly account: Account
  /** Of the session: the database derives from it in whose name something is written. */
  readonly token: string
  readonly asks: SessionAsks
  readonly action: Action
}

export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  readonly path: string
  /** What it lets somebody do; who may is written in core, once. */
  readonly action: Action
  /** What it is for, in words for programmers. */
  readonly what: string
  /** What it answers: a document class, or in words what is no JSON document of ours; `nothing` for none. */
  readonly answer: (new () => object) | string
  /** The document its body has to be; none for routes without a body. */
  readonly body?: new () => object
  /** What the security log says once it is done. */
  readonly noted?: SecurityEventKind
  /** Counted against how much one account may ask for in a minute, or how many days it may make up in an hour. */
  readonly cost?: 'costly' | 'rehearsal' | 'signature'
  readonly handle: (call: Call) => Promise<void>
}

/** What a route without a session takes and answers; no action stands before it. */
export type OpenRoute = Omit<Route, 'action' | 'handle' | 'cost'>

/** A path parameter that the route's own path guarantees. @throws Problem 404 for one that nothing can be called */
export const param = ({ request }: Call, name: string): string => {
  const value = request.params[name]
  if (typeof value !== 'string') throw new Error(`The route has no parameter "${name}" in its path.`)
  if (!isPrintable(value)) throw notFound('address in this interface')
  return value
}
