/** Every rule broken once, in core: with no console open, long afterwards. */
import { expect, test } from 'vitest'
import { BROKEN_RULES, brokenProtocol, START_MS, type BrokenRule } from '../../testing/index.ts'
import type { Capture } from '../capture/capture.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { parseDocument } from '../document/parseDocument.ts'
import { EVENT_KINDS, PROTOCOLS, type Protocol } from './kinds.ts'
import { measureEntry } from './measureEntry.ts'

const HOURS_LATER_MS = 6 * 3_600_000

const measured = (one: BrokenRule) => {
  const parsed = parseDocument<Protocol>(PROTOCOLS[one.kind], brokenProtocol(one))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.findings))
  const captures = one.seen.map(([afterMs, kind, payload = {}, device = 'one'], index) => ({
    id: String(index).padStart(4, '0'),
    eventId: 'event',
    entryId: kind === 'waveStarted' ? null : 'anna',
    deviceId: device,
    deviceMs: 0,
    atMs: START_MS + afterMs,
    uncertaintyMs: 0,
    kind,
    payload: kind === 'waveStarted' ? { wave: 1, entryIds: ['anna'] } : payload,
    // written as a device writes it
  })) as unknown as Capture[]
  const entry = { entryId: 'anna', wave: 1, category: 'female' }
  return measureEntry({ protocol: parsed.value }, entry, settleCaptures(captures), START_MS + HOURS_LATER_MS)
}

test.each(BROKEN_RULES)('$kind: $name', (one) => {
  const measure = measured(one)
  const said = measure.kind === 'complete' ? measure.value : measure.kind === 'ended' ? measure.reason : measure.kind
  expect(said).toBe(one.comesTo)
  expect([...new Set(measure.doubts?.map(({ code }) => code) ?? [])].sort()).toEqual([...(one.doubts ?? [])].sort())
})

test('every kind is in the table', () => {
  const broken = new Set(BROKEN_RULES.map(({ kind }) => kind))
  expect(EVENT_KINDS.filter((kind) => !broken.has(kind))).toEqual([])
})
