import { PAYLOADS, STOP_REASONS, type Capture, type CaptureKind } from '@able-gauge/core'
import { expect, test } from 'vitest'
import { sayCapture } from './sayCapture.ts'

const SAMPLES: Readonly<Record<CaptureKind, object>> = {
  waveStarted: { wave: 2, entryIds: [] },
  started: {},
  cleared: { entryIds: [] },
  counted: {},
  refused: { reason: 'body-line' },
  cautioned: {},
  restarted: { reason: 'hands too wide' },
  paused: {},
  resumed: {},
  missed: {},
  crossed: { watch: 2, estimated: true },
  placed: {},
  markedAt: { beyondLineMm: 230_000 },
  passed: { part: 'hose-run' },
  faulted: { part: 'stairs' },
  lifted: { loadG: 60_000, good: true },
  sensed: { instrument: 'grip-1', quantity: 'force', value: 41_300, resolution: 100 },
  moved: { captureId: 'x', toMs: 0, reason: 'touched late' },
  replaced: { captureId: 'x', value: 1, reason: 'typed wrongly' },
  read: { slot: 'left-1', value: 34000 },
  stopped: { reason: 'time' },
  tookOver: { counted: 12 },
  varied: { variant: 'knees' },
  voided: { captureId: 'x', reason: 'undone' },
  assigned: { captureId: 'x' },
  decided: { as: 'met', reason: 'Backup watch.' },
}

// a capture has more fields, which no sentence needs
const sample = (kind: string, payload: object): Capture => ({ kind, payload }) as unknown as Capture

test.each(Object.keys(PAYLOADS))('a capture of kind %s is told in words', (kind) => {
  const words = sayCapture(sample(kind, SAMPLES[kind as CaptureKind]))
  expect(words).toMatch(/^[a-z]/)
  expect(words).not.toContain('undefined')
})

test.each(STOP_REASONS)('a stop for %s is told with its note', (reason) => {
  expect(sayCapture(sample('stopped', { reason, note: 'seen by medical cover' }))).toMatch(
    /^[a-z ]+: seen by medical cover$/,
  )
})
