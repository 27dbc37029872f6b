/** Lines from instruments: each becomes a capture of the event it is sent to. Described in docs/formats/instruments.md. */
import { createHash } from 'node:crypto'
import {
  type Capture,
  type Finding,
  InstrumentAnswer,
  InstrumentLine,
  lineFault,
  parseDocument,
  QUANTITY_OF,
} from '@able-gauge/core'
import { captureGround } from '../access/day.ts'
import { invalidInput } from '../problem.ts'
import { findKnownIds } from '../store/captureStore.ts'
import { getStandard } from '../store/standardStore.ts'
import { placesWrong } from './captureChecks.ts'
import { refuseForbidden, store } from './captureRoutes.ts'
import { param, type Route } from './route.ts'

const MOST_LINES = 500
/** How sure a moment is that the instrument tells itself, and one that is only known by its arrival. */
const [TOLD_MS, ARRIVED_MS] = [20, 250]

export const instrumentRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/occasions/:occasionId/events/:eventId/instruments',
    what: 'takes [lines of instruments](instruments.md), one JSON object a line',
    answer: InstrumentAnswer,
    action: 'capture',
    handle: async (call) => {
      const { server, request, response, token } = call
      const ground = await captureGround(call)
      const { occasion } = ground
      const { standard } = await getStandard(server.pool, occasion.standardId, occasion.standardVersion)
      const receivedMs = server.clock.nowMs()
      const eventId = param(call, 'eventId')
      const lines = readLines(request.body)
      const captures = lines.map((line) => captureFrom(occasion.id, eventId, line, ground.byBib, receivedMs))
      const findings = captures.flatMap((capture, index) => {
        const document = { ...capture, bib: undefined, entryId: capture.entryId ?? undefined }
        const bib = lines[index]?.bib
        const place = `line ${index + 1}`
        const unknownBib: Finding[] =
          bib !== undefined && capture.entryId === null
            ? [{ place: `${place}.bib`, code: 'bibNotEntered', found: String(bib), expected: 'a bib that is entered' }]
            : []
        return [
          ...unknownBib,
          ...placesWrong({ document, entryId: capture.entryId, standard, entered: ground.waveOf, place }),
        ]
      })
      if (findings.length > 0) throw invalidInput(findings)
      await refuseForbidden(call, ground, captures)
      // a line without a moment of its own got another one when it was sent before, so it is known by its id alone
      const known = await findKnownIds(
        server.pool,
        captures.map(({ id }) => id),
      )
      const fresh = captures.filter(({ id }) => !known.has(id))
      if (fresh.length > 0) await store(call, occasion.id, { captures: fresh, token, receivedMs })
      response.json({ stored: fresh.length, known: known.size })
    },
  },
]

/** @throws Problem 422 naming the line and place of anything that is not an instrument's line */
const readLines = (body: unknown): InstrumentLine[] => {
  const texts = typeof body === 'string' ? body.split('\n').filter((text) => text.trim() !== '') : []
  if (texts.length === 0 || texts.length > MOST_LINES) {
    const expected = `1 to ${MOST_LINES} lines of JSON, sent as application/x-ndjson`
    throw invalidInput([{ place: 'body', code: 'lines', found: `${texts.length} lines`, expected }])
  }
  const findings: Finding[] = []
  const lines = texts.flatMap((text, index) => {
    const place = `line ${index + 1}`
    const plain = jsonIn(text)
    const parsed = parseDocument(InstrumentLine, plain)
    if (!parsed.ok) {
      findings.push(...parsed.findings.map((finding) => ({ ...finding, place: `${place}.${finding.place}` })))
      return []
    }
    const fault = lineFault(parsed.value)
    if (fault !== null) findings.push({ place, code: 'incomplete', found: text.slice(0, 80), expected: fault })
    return [parsed.value]
  })
  if (findings.length > 0) throw invalidInput(findings)
  return lines
}

const jsonIn = (text: string): unknown => {
  try {
    return JSON.parse(text)
  } catch {
    // not JSON: the validator says what a line has to be
    return text
  }
}

const captureFrom = (
  occasionId: string,
  eventId: string,
  line: InstrumentLine,
  byBib: ReadonlyMap<number, string>,
  receivedMs: number,
): Capture => {
  const envelope = {
    id: idOf(occasionId, eventId, line),
    eventId,
    deviceId: `instrument ${line.instrument}`,
    deviceMs: 0,
    atMs: line.atMs ?? receivedMs,
    uncertaintyMs: line.atMs === undefined ? ARRIVED_MS : TOLD_MS,
  }
  if (line.kind === 'bibReader') {
    const entryId = (line.bib === undefined ? undefined : byBib.get(line.bib)) ?? null
    return { ...envelope, entryId, kind: 'crossed', payload: {} }
  }
  const { instrument, value = 0, resolution = 1 } = line
  const payload = { instrument, quantity: QUANTITY_OF[line.kind], value, resolution }
  return { ...envelope, entryId: null, kind: 'sensed', payload }
}

/** The same line has the same id however often it is sent: a UUID of version 8 over what names it. */
const idOf = (occasionId: string, eventId: string, { instrument, line }: InstrumentLine): string => {
  const hex = createHash('sha256')
    .update(JSON.stringify([occasionId, eventId, instrument, line]))
    .digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-b${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}
