/** A route says who may call it; the assembly checks that before the handler runs. */
import type { Request, Response } from 'express'
import type { Logger } from 'pino'
import type { Account, Role } from '../access/role.ts'
import type { CaptureWriter } from '../captureWriter.ts'
import type { Pool } from '../database.ts'
import type { LiveFeed } from '../live/liveFeed.ts'

/** What handlers work with. */
export interface Server {
  readonly pool: Pool
  readonly feed: LiveFeed
  readonly writer: CaptureWriter
  readonly log: Logger
  /** Whether demo accounts may sign in. */
  readonly demo: boolean
}

export interface Call {
  readonly server: Server
  readonly request: Request
  readonly response: Response
  readonly account: Account
}

export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  readonly path: string
  /** Roles that may call it. */
  readonly roles: readonly Role[]
  readonly handle: (call: Call) => Promise<void>
}

/** A path parameter that the route's own path guarantees. */
export const param = ({ request }: Call, name: string): string => {
  const value = request.params[name]
  if (typeof value !== 'string') throw new Error(`The route has no parameter "${name}" in its path.`)
  return value
}
