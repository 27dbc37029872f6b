/** Captures in and out. */
import { CaptureDocument, rules, type Capture, type Finding, type Standard } from '@able-gauge/core'
import { captureGround, readableDay } from '../access/day.ts'
import { CAPTURING, EVERY_ROLE, type Account } from '../access/role.ts'
import { invalidInput, Problem } from '../problem.ts'
import { findCapturesAfter } from '../store/captureStore.ts'
import type { EnteredBib } from '../store/entryStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { placesWrong } from './captureChecks.ts'
import { param, type Route } from './route.ts'

class CaptureBatch {
  @rules.NestedList(() => CaptureDocument, 1, 500) captures!: CaptureDocument[]
}

const PAGE = 5_000

export const captureRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/captures',
    roles: EVERY_ROLE,
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await readableDay(server.pool, account, param(call, 'occasionId'))
      const captures = await findCapturesAfter(server.pool, occasion.id, afterIn(request.query['after']), PAGE)
      response.json({ captures, more: captures.length === PAGE })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/captures',
    roles: CAPTURING,
    handle: async (call) => {
      const { server, request, response, account } = call
      const { occasion, entered } = await captureGround(server.pool, account, param(call, 'occasionId'))
      const batch = readBody(CaptureBatch, request)
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const captures = resolveCaptures(batch.captures, standard, entered, account)
      refuseOwnWave(captures, entered)
      const addition = await server.writer.add(occasion.id, {
        captures,
        actorId: account.id,
        receivedMs: server.clock.nowMs(),
      })
      switch (addition.kind) {
        case 'stored':
          response.json({ captures: captures.map(({ id }) => ({ id, seq: addition.seqs.get(id) })) })
          return
        case 'dayClosed':
          throw new Problem(
            409,
            'day.signedOff',
            'The day is signed off. Nothing was stored; the officer in charge can amend it.',
            [{ place: 'occasion', code: 'signedOff', found: occasion.name, expected: 'a day that is not signed off' }],
          )
        case 'differs':
          throw new Problem(
            409,
            'capture.differs',
            `A capture with the id ${addition.captureId} is on record with other content. Nothing was stored.`,
            [
              {
                place: `captures[${captures.findIndex(({ id }) => id === addition.captureId)}].id`,
                code: 'differs',
                found: addition.captureId,
                expected: 'an id not used before',
              },
            ],
          )
      }
    },
  },
]

export const afterIn = (text: unknown): number => {
  if (text === undefined) return 0
  const after = typeof text === 'string' && /^\d{1,9}$/.test(text) ? Number(text) : NaN
  if (Number.isNaN(after)) {
    throw invalidInput([
      { place: 'after', code: 'whole', found: String(text), expected: 'the number of the last capture you have' },
    ])
  }
  return after
}

/** Checks captures against the day they are for. @throws Problem 422 naming each place, 403 for what only an officer may capture */
const resolveCaptures = (
  documents: readonly CaptureDocument[],
  standard: Standard,
  entered: readonly EnteredBib[],
  account: Account,
): Capture[] => {
  const findings: Finding[] = []
  const byBib = new Map(entered.flatMap(({ entryId, bib }) => (bib === null ? [] : [[bib, entryId] as const])))
  const entryIds = new Set(entered.map(({ entryId }) => entryId))
  const captures = documents.map(({ bib, entryId: given, ...document }, index) => {
    const place = `captures[${index}]`
    const entryId = given ?? (bib === undefined ? undefined : byBib.get(bib)) ?? null
    findings.push(
      ...placesWrong({ document: { ...document, bib, entryId: given }, entryId, standard, entryIds, place }),
    )
    // kind and payload were validated together by CaptureDocument
    return { ...document, entryId } as Capture
  })
  if (findings.length > 0) throw invalidInput(findings)
  const { station } = account
  if (station && captures.some(({ eventId }) => !station.eventIds.includes(eventId))) {
    throw new Problem(403, 'access.station', 'You joined with a station code, which is for that station alone.')
  }
  if (account.role !== 'officer' && captures.some(isForOfficer)) {
    throw new Problem(
      403,
      'capture.officerOnly',
      'Only the officer in charge decides a mark or disqualifies. Nothing was stored.',
    )
  }
  return captures
}

/** Nobody times, counts or judges the wave they are in themselves. @throws Problem 403 */
export const refuseOwnWave = (captures: readonly Capture[], entered: readonly EnteredBib[]): void => {
  const own = entered.find(({ isOwn }) => isOwn)
  if (!own) return
  const waves = new Map(entered.map(({ entryId, wave }) => [entryId, wave]))
  const concerns = (capture: Capture): boolean =>
    capture.kind === 'waveStarted'
      ? capture.payload.wave === own.wave
      : capture.entryId !== null && waves.get(capture.entryId) === own.wave
  if (!captures.some(concerns)) return
  throw new Problem(
    403,
    'capture.ownWave',
    `You are entered in wave ${own.wave} yourself. Somebody else has to work that wave. Nothing was stored.`,
  )
}

const isForOfficer = (capture: Capture): boolean =>
  capture.kind === 'decided' || (capture.kind === 'stopped' && capture.payload.reason === 'disqualified')
