/** Captures in and out. */
import {
  AnnexAnswer,
  type Capture,
  CaptureBatch,
  CaptureDocument,
  CapturesAnswer,
  type Finding,
  maskCapture,
  may,
  ownWaveTouched,
  type Standard,
  StoredAnswer,
  takesOfficer,
} from '@able-gauge/core'
import { captureGround, dayOf } from '../access/day.ts'
import { ownWaveProblem } from '../access/ownWave.ts'
import { requireMay } from '../access/session.ts'
import { invalidInput, Problem } from '../problem.ts'
import {
  addToAnnex,
  findCapturesAfter,
  findTargets,
  listAnnex,
  type Addition,
  type Post,
  type StoredTarget,
} from '../store/captureStore.ts'
import { notifyDay } from '../store/dayNotices.ts'
import type { CaptureGround } from '../store/occasionStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import { placesWrong } from './captureChecks.ts'
import type { Call, Route } from './route.ts'

const PAGE = 5_000

export const captureRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/occasions/:occasionId/captures',
    what: 'captures after a number (`?after=N`), at most 5,000',
    answer: CapturesAnswer,
    action: 'day.read',
    handle: async (call) => {
      const { server, request, response, account } = call
      const occasion = await dayOf(call)
      const page = await findCapturesAfter(server.pool, occasion.id, afterIn(request.query['after']), PAGE)
      const captures = page.flatMap((capture) => maskCapture(capture, account) ?? [])
      response.json({ captures, lastSeq: page.at(-1)?.seq ?? null, more: page.length === PAGE })
    },
  },
  {
    method: 'post',
    path: '/api/occasions/:occasionId/captures',
    what: 'stores 1 to 500 captures, all or none',
    answer: StoredAnswer,
    action: 'capture',
    body: CaptureBatch,
    handle: async (call) => {
      const { server, request, response, token } = call
      const ground = await captureGround(call)
      const { madeBy, captures: documents } = readBody(CaptureBatch, request)
      const { occasion } = ground
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const captures = resolveCaptures(documents, standard, ground)
      await refuseForbidden(call, ground, captures)
      const post = { captures, token, receivedMs: server.clock.nowMs(), ...(madeBy === undefined ? {} : { madeBy }) }
      response.json({ captures: await store(call, occasion.id, post) })
    },
  },
  {
    method: 'get',
    path: '/api/occasions/:occasionId/annex',
    what: 'what arrived after the signature',
    answer: AnnexAnswer,
    action: 'annex.read',
    handle: async (call) => {
      const occasion = await dayOf(call)
      call.response.json({ captures: await listAnnex(call.server.pool, occasion.id) })
    },
  },
]

interface Stored {
  readonly id: string
  /** Number within the day, or null for what came after the signature. */
  readonly seq: number | null
  /** It arrived after the signature and is kept beside the day, for the officer to look at. */
  readonly annexed: boolean
}

/** Stores a post, in the day while it is open and in its annex afterwards. @throws Problem 409 */
export const store = async ({ server }: Call, occasionId: string, post: Post): Promise<Stored[]> => {
  const addition = await server.writer.add(occasionId, post)
  switch (addition.kind) {
    case 'stored':
      return post.captures.map(({ id }) => ({ id, seq: addition.seqs.get(id) ?? null, annexed: false }))
    case 'dayClosed': {
      const late = post.captures.filter(({ id }) => !addition.seqs.has(id))
      await server.days.run(occasionId, async (db) => {
        await addToAnnex(db, occasionId, { ...post, captures: late })
        await notifyDay(db, occasionId, 'day')
      })
      return post.captures.map(({ id }) => ({
        id,
        seq: addition.seqs.get(id) ?? null,
        annexed: !addition.seqs.has(id),
      }))
    }
    case 'differs':
      throw differs(post, addition)
  }
}

const differs = ({ captures }: Post, { captureId }: Extract<Addition, { kind: 'differs' }>): Problem =>
  new Problem(
    409,
    'capture.differs',
    `A capture with the id ${captureId} is on record with other content. Nothing was stored.`,
    [
      {
        place: `captures[${captures.findIndex(({ id }) => id === captureId)}].id`,
        code: 'differs',
        found: captureId,
        expected: 'an id not used before',
      },
    ],
  )

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

/** Checks captures against the day they are for. @throws Problem 422 naming each place */
const resolveCaptures = (
  documents: readonly CaptureDocument[],
  standard: Standard,
  { byBib, waveOf }: CaptureGround,
): Capture[] => {
  const findings: Finding[] = []
  const captures = documents.map(({ bib, entryId: given, ...document }, index) => {
    const place = `captures[${index}]`
    const entryId = given ?? (bib === undefined ? undefined : byBib.get(bib)) ?? null
    findings.push(
      ...placesWrong({ document: { ...document, bib, entryId: given }, entryId, standard, entered: waveOf, place }),
    )
    // kind and payload were validated together by CaptureDocument
    return { ...document, entryId } as Capture
  })
  if (findings.length > 0) throw invalidInput(findings)
  return captures
}

/**
 * What the rules of who may do what forbid: another station's event, an officer's ruling, undoing what an officer did, the
 * own wave. A correction needs the right that the corrected one needed.
 * @throws Problem 403, or 422 for a correction of something nobody has captured
 */
export const refuseForbidden = async (
  { server, account }: Call,
  ground: CaptureGround,
  captures: readonly Capture[],
): Promise<void> => {
  const { occasion } = ground
  const place = { occasionId: occasion.id, isStaff: true }
  requireMay(account, 'capture', { ...place, eventIds: captures.map(({ eventId }) => eventId) })
  const targets = await targetsOf(server.pool, occasion.id, captures)
  const missing = captures.findIndex(
    (capture) => 'captureId' in capture.payload && !targets.has(capture.payload.captureId),
  )
  if (missing >= 0) {
    throw invalidInput([
      {
        place: `captures[${missing}].payload.captureId`,
        code: 'unknownCapture',
        found: 'an id nothing was captured under',
        expected: 'a capture of this day',
      },
    ])
  }
  const asOfficer = captures.some((capture) => takesOfficer(capture, (id) => targets.get(id)))
  if (asOfficer && !may(account, 'capture.asOfficer', place).ok) {
    throw new Problem(
      403,
      'capture.officerOnly',
      'Only an officer decides a mark, disqualifies, or undoes what an officer did. Nothing was stored.',
    )
  }
  const own = ownWaveTouched(captures, ground, (id) => targets.get(id))
  if (own !== null) throw ownWaveProblem(own)
}

/** What corrections name, on record or in the same post. */
const targetsOf = async (
  db: Call['server']['pool'],
  occasionId: string,
  captures: readonly Capture[],
): Promise<Map<string, StoredTarget>> => {
  const named = captures.flatMap(({ payload }) => ('captureId' in payload ? [payload.captureId] : []))
  if (named.length === 0) return new Map()
  const here = captures.map((capture) => [capture.id, { capture, byOfficer: false, authorWave: null }] as const)
  return new Map([...here, ...(await findTargets(db, occasionId, named))])
}
