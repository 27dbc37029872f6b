/** What the graders of the demo made of their practice over nine weeks: most grow better, one does not. */
import { randomUUID } from 'node:crypto'
import { seededRandom, type DrillBody, type Random, type StandardEvent } from '@able-gauge/core'
import { makeDrill, scoreBody, type Movement } from '@able-gauge/core/drill'
import type { Database } from '../database.ts'
import { addDrill } from '../store/drillStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { known } from './demoFiles.ts'

const WEEK_MS = 7 * 86_400_000
const WEEKS = 9

interface Practising {
  readonly signInName: string
  readonly event: readonly [standardId: string, version: number, eventId: string, what: Movement]
  /** How much of what is wrong they let through, at first and in the end. */
  readonly missed: readonly [first: number, last: number]
}

const PRESS_UPS = ['constabulary-entry', 3, 'press-ups', 'pressUp'] as const
const PULL_UPS = ['guard-service', 4, 'pull-ups', 'pullUp'] as const
/** Refuses what is sound as well. */
const STRICT = 'tamsin.oake-reyes'
const PRACTISING: readonly Practising[] = [
  { signInName: 'joss.adair-nakata', event: PRESS_UPS, missed: [0.19, 0.04] },
  { signInName: 'wanda.lofthouse', event: PRESS_UPS, missed: [0.14, 0.03] },
  { signInName: 'bram.ekholm', event: PRESS_UPS, missed: [0.22, 0.07] },
  { signInName: STRICT, event: PRESS_UPS, missed: [0.24, 0.21] },
  { signInName: 'bram.ekholm', event: PULL_UPS, missed: [0.2, 0.02] },
  { signInName: 'ilse.brandvold', event: PULL_UPS, missed: [0.12, 0.01] },
]

export const loadPractice = async (
  db: Database,
  accounts: ReadonlyMap<string, string>,
  nowMs: number,
): Promise<void> => {
  for (const [at, { signInName, event: asked, missed }] of PRACTISING.entries()) {
    const [standardId, version, eventId, what] = asked
    const { standard } = await getStandard(db, standardId, version)
    const event = standard.events.find(({ id }) => id === eventId)
    if (!event) throw new Error(`The demo practises "${eventId}", which ${standardId} does not hold.`)
    for (let week = 0; week < WEEKS; week++) {
      const set = { what, level: week < 3 ? 1 : 2, seed: 10 + week, lanes: 1 } as const
      const wrong = missed[0] + ((missed[1] - missed[0]) * week) / (WEEKS - 1)
      const answers = answersOf(event, set, wrong, signInName === STRICT, seededRandom(at * 100 + week))
      const doneAtMs = nowMs - (WEEKS - week) * WEEK_MS + at * 3_600_000
      const body = { ...set, id: randomUUID(), standardId, version, eventId, doneAtMs, answers, ends: [{ atMs: null }] }
      await addDrill(db, known(accounts, signInName), body, scoreBody(event, body))
    }
  }
}

const answersOf = (
  { protocol }: StandardEvent,
  { what, level, seed }: Pick<DrillBody, 'level' | 'seed'> & { readonly what: Movement },
  wrong: number,
  isStrict: boolean,
  random: Random,
): DrillBody['answers'] => {
  const [lane] = makeDrill(protocol, { movement: what, level, seed, lanes: 1 }).lanes
  return (lane?.items ?? []).map(({ decideAtMs, fault }) => {
    const errs = random.next() < wrong
    const refuses = fault ? !errs : errs && isStrict
    const answer = refuses ? (fault?.reasonId ?? 'depth') : 'counted'
    return { lane: 0, atMs: decideAtMs + 300 + random.whole(0, 350), answer }
  })
}
