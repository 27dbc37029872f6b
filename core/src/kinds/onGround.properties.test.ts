import fc from 'fast-check'
import { expect, test } from 'vitest'
import { at, crossed, ENTRY, waveStarted } from '../../testing/stamped.ts'
import type { Capture } from '../capture/capture.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { measureEntry } from './measureEntry.ts'
import { protocolTemplate } from './protocolTemplates.ts'

const protocolOf = (kind: EventKind, change: object): Protocol => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[kind], { ...protocolTemplate(kind), ...change })
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  return parsed.value
}
const measured = (protocol: Protocol, captures: readonly Capture[]) =>
  measureEntry({ protocol }, { entryId: ENTRY, wave: 1 }, captures, null)
const startOn = (lapLengthMm: number): Capture => {
  const start = waveStarted()
  return { ...start, payload: { ...start.payload, lapLengthMm } }
}

const metres = (min: number, max: number) => fc.integer({ min, max }).map((m) => m * 1_000)

test('a distance is finished at the first crossing by which the laps cover it, whatever the lap', () => {
  fc.assert(
    fc.property(metres(200, 6_000), metres(50, 1_000), metres(50, 1_000), (distanceMm, published, lapMm) => {
      const run = protocolOf('timedDistance', { distanceMm, lapLengthMm: published })
      const needed = Math.ceil(distanceMm / lapMm)
      // so slow that nothing is in doubt
      const all = Array.from({ length: needed + 2 }, (_, index) => crossed((index + 1) * 600_000))
      expect(measured(run, [startOn(lapMm), ...all.slice(0, needed - 1)]).kind).not.toBe('complete')
      expect(measured(run, [startOn(lapMm), ...all])).toMatchObject({ kind: 'complete', value: needed * 600_000 })
    }),
  )
})

test('a start that tells the published lap changes nothing against one that tells none', () => {
  fc.assert(
    fc.property(
      metres(200, 4_000),
      metres(100, 800),
      fc.integer({ min: 0, max: 12 }),
      (distanceMm, lapMm, crossings) => {
        const run = protocolOf('timedDistance', { distanceMm, lapLengthMm: lapMm })
        const captures = Array.from({ length: crossings }, (_, index) => crossed((index + 1) * 300_000))
        expect(measured(run, [startOn(lapMm), ...captures])).toEqual(measured(run, [waveStarted(), ...captures]))
      },
    ),
  )
})

test('what was covered in a time is the laps that were run and the way beyond the line', () => {
  fc.assert(
    fc.property(
      metres(100, 800),
      fc.integer({ min: 0, max: 10 }),
      fc.integer({ min: 0, max: 99 }),
      (lapMm, laps, share) => {
        const beyondLineMm = Math.floor((lapMm * share) / 100)
        const twelve = protocolOf('distanceInTime', { durationMs: 7_200_000, lapLengthMm: 400_000, markEveryMm: 1 })
        const captures = [
          ...Array.from({ length: laps }, (_, index) => crossed((index + 1) * 600_000)),
          at(7_200_500, { kind: 'markedAt', payload: { beyondLineMm } }),
        ]
        expect(measured(twelve, [startOn(lapMm), ...captures])).toMatchObject({
          kind: 'complete',
          value: laps * lapMm + beyondLineMm,
        })
      },
    ),
  )
})
