/**
 * Verdicts that are kept between two questions about a day: only what was captured since is read, and only events that
 * something was captured in are judged again. Everything a verdict rests on is in the keys it is kept under.
 */
import {
  combineDay,
  contentHash,
  markEvent,
  newBook,
  paced,
  REAL_TIME,
  ordersOf,
  restBoard,
  settleCaptures,
  type DayCandidate,
  type EventBook,
  type MarkedEvent,
  type RecordedCapture,
  type RestState,
  type Standard,
  type Verdict,
} from '@able-gauge/core'
import type { Database } from '../database.ts'
import { candidateOf, termsOf, type DayRecord } from '../dayRecord.ts'
import { findCapturesAfter } from '../store/captureStore.ts'
import { findPlan } from '../store/planStore.ts'

interface KeptDay {
  /** Hash of standard, bounds and candidates: everything but the captures. */
  readonly ground: string
  /** As they were read first: pages of the books are known by these very objects. */
  readonly standard: Standard
  readonly candidates: readonly DayCandidate[]
  lastSeq: number
  readonly captures: Map<string, RecordedCapture[]>
  readonly marks: Map<string, MarkedEvent>
  /** What the marks of each event rest on, person by person. */
  readonly books: Map<string, EventBook>
  verdicts: ReadonlyMap<string, Verdict>
}

const MOST_DAYS = 6
const PAGE = 20_000
const kept = new Map<string, KeptDay>()

/** @param agreedMs the moment of asking: marks that changed by time alone since they were made are judged again */
const upToDate = async (db: Database, { occasion, published, entries }: DayRecord, agreedMs: number) => {
  const nowMs = paced(occasion.rehearsal ?? REAL_TIME, agreedMs)
  const terms = await termsOf(db, occasion, published.standard)
  const asked = entries.map((entry): DayCandidate => candidateOf(published.standard, occasion.testDate, entry))
  const ground = contentHash({ standardHash: published.contentHash, bounds: terms.bounds ?? null, candidates: asked })
  const day = taken(occasion.id, { ground, standard: published.standard, candidates: asked })
  const { standard, candidates } = day
  for (;;) {
    const page = await findCapturesAfter(db, occasion.id, day.lastSeq, PAGE)
    // another question about the same day may have read on meanwhile
    for (const capture of page) if (capture.seq > day.lastSeq) add(day, capture)
    if (page.length < PAGE) break
  }
  const settledIn = (eventId: string) => settleCaptures(day.captures.get(eventId) ?? [], terms.bounds)
  const holds = ({ changesAtMs }: MarkedEvent): boolean => changesAtMs === null || nowMs <= changesAtMs
  const changed = standard.events.filter(({ id }) => {
    const known = day.marks.get(id)
    return !known || !holds(known)
  })
  const asOf = { ...terms, standard, asOfMs: nowMs }
  for (const event of changed) {
    const book = day.books.get(event.id) ?? newBook()
    day.books.set(event.id, book)
    day.marks.set(event.id, markEvent(asOf, event, candidates, settledIn(event.id), book))
  }
  if (changed.length > 0) {
    const marks = standard.events.map(({ id }) => day.marks.get(id)?.marks ?? new Map())
    day.verdicts = combineDay(terms, candidates, marks)
  }
  return { day, standard, settledIn, nowMs }
}

/** Adds what was captured next. The marks of its event go at once, so that none is left behind should reading on fail. */
const add = (day: KeptDay, capture: RecordedCapture): void => {
  const ofEvent = day.captures.get(capture.eventId)
  if (ofEvent) ofEvent.push(capture)
  else day.captures.set(capture.eventId, [capture])
  day.marks.delete(capture.eventId)
  day.lastSeq = capture.seq
}

/** What is kept of a day, or an empty start when it rests on something else now. */
const taken = (occasionId: string, fresh: Pick<KeptDay, 'ground' | 'standard' | 'candidates'>): KeptDay => {
  const known = kept.get(occasionId)
  kept.delete(occasionId)
  const day =
    known?.ground === fresh.ground
      ? known
      : { ...fresh, lastSeq: 0, captures: new Map(), marks: new Map(), books: new Map(), verdicts: new Map() }
  // the one asked for longest ago makes room
  if (kept.size >= MOST_DAYS) for (const oldest of [...kept.keys()].slice(0, 1)) kept.delete(oldest)
  kept.set(occasionId, day)
  return day
}

/** Everybody's verdict, judged from the captures as they are on record, as of now. */
export const keptVerdicts = async (
  db: Database,
  record: DayRecord,
  nowMs: number,
): Promise<ReadonlyMap<string, Verdict>> => (await upToDate(db, record, nowMs)).day.verdicts

/** Where everybody is between events, as a screen that has the whole day works it out. */
export const restsIn = async (
  db: Database,
  record: DayRecord,
  agreedMs: number,
): Promise<Record<string, RestState>> => {
  const { day, standard, settledIn, nowMs } = await upToDate(db, record, agreedMs)
  const events = standard.events.map((event) => ({
    event,
    settled: settledIn(event.id),
    marks: day.marks.get(event.id)?.marks ?? new Map(),
  }))
  const here = record.entries.filter(({ attendance }) => attendance === 'present').map(({ id }) => id)
  const out = new Set(here.filter((id) => ['withdrawn', 'disqualified'].includes(day.verdicts.get(id)?.outcome ?? '')))
  const plan = await findPlan(db, record.occasion.id)
  return Object.fromEntries(restBoard(events, here, out, nowMs, ordersOf(plan?.plan, record.entries)))
}
