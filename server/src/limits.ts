/** How much one account, address or device may ask for; beyond it the answer is 429 and says when to come again. */
import { ipKeyGenerator, rateLimit, type RateLimitRequestHandler } from 'express-rate-limit'
import type { Request } from 'express'
import { Problem } from './problem.ts'

export interface Limits {
  /** Wrong passwords at signing in for one name from one address, in 15 minutes. */
  readonly wrongSignIns: number
  /** Wrong station codes from one device, in 15 minutes. */
  readonly wrongCodes: number
  /** Wrong station codes from everywhere together, in 15 minutes: far below what guessing takes. */
  readonly wrongCodesTogether: number
  /** Wrong passwords at a signature for one account, in 15 minutes. */
  readonly wrongSignatures: number
  /** Costly answers (archives, verdicts of whole days, results of years) for one account, in a minute. */
  readonly costly: number
  /** Rehearsals begun by one account, in an hour. */
  readonly rehearsals: number
  /** Days followed at once by one account on one process. */
  readonly streams: number
  /** How long a follower may leave what was sent unread, in ms. */
  readonly slowReaderMs: number
}

export const LIMITS: Limits = {
  wrongSignIns: 10,
  wrongCodes: 10,
  wrongCodesTogether: 300,
  wrongSignatures: 8,
  costly: 60,
  rehearsals: 40,
  streams: 40,
  slowReaderMs: 20_000,
}

/** For tests that ask for more than any person would. */
export const NO_LIMITS: Limits = {
  wrongSignIns: 1e9,
  wrongCodes: 1e9,
  wrongCodesTogether: 1e9,
  wrongSignatures: 1e9,
  costly: 1e9,
  rehearsals: 1e9,
  streams: 1e9,
  slowReaderMs: 20_000,
}

interface Counting {
  readonly windowMinutes: number
  readonly most: number
  /** What is counted together. */
  readonly keyOf: (request: Request) => string
  /** Whether only answers that refuse count. */
  readonly failuresOnly: boolean
  readonly code: string
  readonly sentence: (minutes: number) => string
}

/** A limit as a handler; counted in each server process. */
export const limited = ({
  windowMinutes,
  most,
  keyOf,
  failuresOnly,
  code,
  sentence,
}: Counting): RateLimitRequestHandler =>
  rateLimit({
    windowMs: windowMinutes * 60_000,
    limit: most,
    skipSuccessfulRequests: failuresOnly,
    requestWasSuccessful: (_request, { statusCode }) => ![401, 403].includes(statusCode),
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: keyOf,
    handler: () => {
      throw new Problem(429, code, sentence(windowMinutes), [], windowMinutes * 60)
    },
  })

export const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? '')
