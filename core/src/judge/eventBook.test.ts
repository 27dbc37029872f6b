/** What is kept between two looks never shows: a book, a board and a sorting that follow give what one from the beginning gives. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { standardNamed } from '../../testing/index.ts'
import type { Capture, Observation } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { lapBoard, newLapMemory } from '../kinds/timedDistance/lapBoard.ts'
import { newBook } from './eventBook.ts'
import { markEvent } from './judgeDay.ts'

const standard = standardNamed('v3')
const event = standard.events.find(({ protocol }) => protocol.kind === 'timedDistance')
if (event?.protocol.kind !== 'timedDistance') throw new Error('The standard of the tests holds no run.')
const { protocol } = event

const RUNNERS = ['anna', 'bo', 'cy', 'di']
const candidates = RUNNERS.map((entryId) => ({
  entryId,
  wave: 1,
  category: 'female',
  ageYears: 27,
  ageCountedOn: '2026-11-24',
}))

const made = (index: number, atMs: number, entryId: string | null, deviceId: string, of: Observation): Capture =>
  // an observation is a kind with its payload
  ({
    id: String(index).padStart(6, '0'),
    eventId: event.id,
    entryId,
    deviceId,
    deviceMs: 0,
    atMs,
    uncertaintyMs: 5,
    ...of,
  }) as Capture

const crossed: Observation = { kind: 'crossed', payload: {} }

/** A start, then stamps of runners and of nobody, by two devices, some at an earlier time than those before, some taken back. */
const day = fc
  .array(
    fc.record({
      who: fc.constantFrom(...RUNNERS, null),
      device: fc.constantFrom('one', 'two'),
      afterMs: fc.integer({ min: -4_000, max: 40_000 }),
      back: fc.nat(),
      takesBack: fc.integer({ min: 0, max: 9 }).map((chance) => chance === 0),
    }),
    { minLength: 1, maxLength: 25 },
  )
  .map((stamps) => {
    let atMs = 1_000_000
    const start = made(0, atMs, null, 'one', { kind: 'waveStarted', payload: { wave: 1, entryIds: RUNNERS } })
    const captures = [start]
    for (const [index, { who, device, afterMs, back, takesBack }] of stamps.entries()) {
      atMs += afterMs
      const target = captures[back % captures.length]
      const undo: Observation = { kind: 'voided', payload: { captureId: target?.id ?? '', reason: 'no' } }
      captures.push(
        made(index + 1, atMs, takesBack ? (target?.entryId ?? null) : who, device, takesBack ? undo : crossed),
      )
    }
    return captures
  })

test('a stamp at the very moment of the start is no crossing, also where the board only adds what is new', () => {
  const start = made(0, 1_000_000, null, 'one', {
    kind: 'waveStarted',
    payload: { wave: 1, entryIds: candidates.map(({ entryId }) => entryId) },
  })
  const memory = newLapMemory()
  lapBoard(protocol, 1, candidates, [start], 580_000, memory)
  const boardWith = (atMs: number) => {
    const crossing = made(1, atMs, 'anna', 'one', crossed)
    return lapBoard(protocol, 1, candidates, [start, crossing], 580_000, memory).crossings.length
  }
  expect(boardWith(1_000_000)).toBe(0)
  expect(boardWith(1_000_001)).toBe(1)
})

test('a book and a board that follow capture by capture say what they say from the beginning', () => {
  fc.assert(
    fc.property(day, (captures) => {
      const book = newBook()
      const memory = newLapMemory()
      for (let count = 1; count <= captures.length; count++) {
        const settled = settleCaptures(captures.slice(0, count))
        const terms = { standard, testDate: '2026-11-24', asOfMs: 1_000_000 + count * 50_000 }
        expect(markEvent(terms, event, candidates, settled, book)).toEqual(markEvent(terms, event, candidates, settled))
        expect(lapBoard(protocol, 1, candidates, settled, 580_000, memory)).toEqual(
          lapBoard(protocol, 1, candidates, settled, 580_000),
        )
      }
    }),
    { numRuns: 150 },
  )
})

test('a mark is kept as long as nothing happens to it, and made anew when it is due or rests on something else', () => {
  const [pressUps] = standard.events
  if (pressUps?.protocol.kind !== 'repetitionsInTime') throw new Error('The standard of the tests has no press-ups.')
  const { durationMs } = pressUps.protocol
  const START = 1_000_000
  const begun = (index: number, atMs: number, entryId: string) =>
    ({ ...made(index, atMs, entryId, 'one', { kind: 'started', payload: {} }), eventId: pressUps.id }) as Capture
  const captures = [begun(0, START, 'anna'), begun(1, START + 5_000, 'bo')]
  const book = newBook()
  const look = (asOfMs: number | null, who = candidates, given = captures, of = standard) =>
    markEvent({ standard: of, testDate: '2026-11-24', asOfMs }, pressUps, who, given, book)
  const first = look(START + 10_000)
  // whoever is due first
  expect(first.changesAtMs).toBe(START + durationMs)
  const anna = first.marks.get('anna')
  expect(anna?.kind).toBe('running')
  for (const later of [10_000, 20_000, durationMs]) expect(look(START + later).marks.get('anna')).toBe(anna)
  expect(look(START + durationMs + 1).marks.get('anna')?.kind).toBe('short')
  expect(look(START + durationMs + 1).changesAtMs).toBe(START + durationMs + 5_000)
  expect(look(START + durationMs + 5_001).changesAtMs).toBeNull()
  // back again, and as of no moment at all
  expect(look(START + 10_000).marks.get('anna')?.kind).toBe('running')
  const timeless = look(null).marks.get('anna')
  expect(look(null).marks.get('anna')).toBe(timeless)
  expect(look(START + 10_000).marks.get('anna')).not.toBe(timeless)
  // the same captures in a new list change nothing; another one does
  const kept = look(START + 10_000).marks.get('anna')
  expect(look(START + 10_000, candidates, [...captures]).marks.get('anna')).toBe(kept)
  const stopped = {
    ...made(2, START + 8_000, 'anna', 'one', { kind: 'stopped', payload: { reason: 'withdrawn' } }),
    eventId: pressUps.id,
  } as Capture
  expect(look(START + 10_000, candidates, [...captures, stopped]).marks.get('anna')?.kind).toBe('ended')
  const again = { ...captures[0], id: 'another' } as Capture
  const own = look(START + 10_000, candidates, captures).marks.get('anna')
  expect(look(START + 10_000, candidates, [again, ...captures.slice(1)]).marks.get('anna')).not.toBe(own)
  // another person, another standard
  const older = candidates.map((one) => ({ ...one, ageYears: 45 }))
  expect(look(START + 10_000, older).marks.get('anna')).not.toBe(look(START + 10_000).marks.get('anna'))
  const before = look(START + 10_000).marks.get('anna')
  expect(look(START + 10_000, candidates, captures, { ...standard }).marks.get('anna')).not.toBe(before)
})
