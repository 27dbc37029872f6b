/**
 * What of a day reaches whom. Every door (answers, streams, archives) passes through here, so that a note about somebody's
 * health cannot come round another way.
 */
import type { Claim } from './claimAnswers.ts'
import type { DayAnswer, EntryAnswer } from './dayAnswers.ts'
import type { Capture, RecordedCapture } from '../capture/capture.ts'
import type { DayRecordEntry } from '../day/record.ts'
import type { Mark, Verdict } from '../judge/mark.ts'
import type { Trace } from '../judge/trace.ts'
import { may, type Actor } from '../people/may.ts'

/** In place of a reason somebody may not read. */
export const ON_RECORD = 'on record'

const seesReasons = (actor: Actor): boolean => may(actor, 'reasons.see').ok

/** A day as an actor may see it. */
export const maskDay = (day: DayAnswer, actor: Actor): DayAnswer => {
  const { station } = actor
  const masked = {
    ...day,
    entries: day.entries.map((entry) => maskEntry(entry, actor)),
    earlierFigures: may(actor, 'capture').ok ? day.earlierFigures : {},
    records: day.records.flatMap((record) => maskRecord(record, actor) ?? []),
  }
  if (!station) return { ...masked, rests: null }
  const ownSetUps = Object.entries(day.earlierSetUps).map(([id, setUp]) => [id, ofEvents(setUp, station.eventIds)])
  return {
    ...masked,
    staff: [],
    plan: null,
    screened: [],
    amendments: [],
    testedBefore: {},
    unitsOf: {},
    earlierFigures: {},
    earlierSetUps: Object.fromEntries(ownSetUps) as DayAnswer['earlierSetUps'],
  }
}

/** Set-ups are named by event and value: `step-test.box-height`. */
const ofEvents = (setUp: Readonly<Record<string, string>>, eventIds: readonly string[]): Record<string, string> =>
  Object.fromEntries(Object.entries(setUp).filter(([name]) => eventIds.includes(name.split('.')[0] ?? '')))

/** Least access: most roles get the age that is judged by, not the date of birth it comes from. */
const maskEntry = (entry: EntryAnswer, actor: Actor): EntryAnswer => {
  const { station } = actor
  const { birthDate, ...person } = entry.person
  const seen = may(actor, 'birthDates.see').ok && birthDate !== undefined ? { ...person, birthDate } : person
  if (!station && seesReasons(actor)) return { ...entry, person: seen }
  const { reason, ...choices } = entry.choices
  const masked = { ...entry, note: '', choices, person: seen }
  return station
    ? { ...masked, gear: '', setUp: ofEvents(entry.setUp, station.eventIds), person: { ...seen, number: '' } }
    : masked
}

/** @returns null for what an actor does not see at all */
const maskRecord = (record: DayRecordEntry, actor: Actor): DayRecordEntry | null => {
  const { content } = record
  const { station } = actor
  if (station) {
    const ofTime = content.kind === 'dayOpened' || content.kind === 'clockStepped'
    const ofOwn = 'eventId' in content && content.kind !== 'protested' && station.eventIds.includes(content.eventId)
    return ofTime || ofOwn ? record : null
  }
  if (seesReasons(actor)) return record
  switch (content.kind) {
    case 'holdRaised':
    case 'holdLifted':
    case 'heatDecided':
      return { ...record, content: { ...content, reason: ON_RECORD } }
    case 'protested':
      return { ...record, content: { ...content, text: ON_RECORD } }
    case 'protestAnswered':
      return { ...record, content: { ...content, reason: ON_RECORD } }
    case 'eventConfirmed':
      return { ...record, content: { ...content, note: content.note === '' ? '' : ON_RECORD } }
    default:
      return record
  }
}

/** A capture as an actor may see it, or null when it is none of theirs. */
export const maskCapture = (capture: RecordedCapture, actor: Actor): RecordedCapture | null => {
  if (actor.station && !actor.station.eventIds.includes(capture.eventId)) return null
  // who decides says why in public; whoever reads what was decided may read it
  if (seesReasons(actor) || capture.kind === 'decided') return capture
  const { payload } = capture
  if (capture.kind === 'stopped' && capture.payload.note !== undefined) {
    const { note, ...stopped } = capture.payload
    return { ...capture, payload: stopped }
  }
  return 'reason' in payload && FREE_REASONS.has(capture.kind)
    ? // the payload keeps its form
      ({ ...capture, payload: { ...payload, reason: ON_RECORD } } as RecordedCapture)
    : capture
}

/** Kinds whose reason somebody wrote; of others it is a code of the protocol. */
const FREE_REASONS: ReadonlySet<Capture['kind']> = new Set(['restarted', 'voided', 'assigned', 'moved', 'replaced'])

/** Who is where, as an actor may see it: whoever works no console needs none of it. */
export const maskClaims = (claims: readonly Claim[], actor: Actor): readonly Claim[] => {
  if (!may(actor, 'claims.write').ok) return []
  const { station } = actor
  return station ? claims.filter(({ eventId }) => station.eventIds.includes(eventId)) : claims
}

/** A verdict as an actor may see it: its trace repeats what was noted on the day. */
export const maskVerdict = (verdict: Verdict, actor: Actor): Verdict =>
  seesReasons(actor) ? verdict : { ...verdict, trace: maskTrace(verdict.trace), marks: verdict.marks.map(maskMark) }

const maskMark = (mark: Mark): Mark => ({ ...mark, trace: maskTrace(mark.trace) })

const maskTrace = (trace: Trace): Trace =>
  trace.map((step) => {
    if (step.code === 'ended' && step.note !== undefined) return { code: 'ended', reason: step.reason }
    if (step.code !== 'note' || !('reason' in step.note)) return step
    return { code: 'note', note: { ...step.note, reason: ON_RECORD } }
  })
