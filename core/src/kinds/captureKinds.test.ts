import { expect, test } from 'vitest'
import { KIND_CASES, plainEvent, plainStandard, soundStandard } from '../../testing/index.ts'
import { bare, ENTRY } from '../../testing/stamped.ts'
import { notStarted, startedAt, wasAnother } from '../capture/putRight.ts'
import { captureKindsOf } from './captureKinds.ts'

test.each(KIND_CASES.map((one) => [one.kind, one] as const))('%s: what puts a slip right belongs to it', (_, one) => {
  const scoring = { kind: 'effort' }
  const [event] = soundStandard(plainStandard([plainEvent(one, scoring)])).events
  const kinds = captureKindsOf((event as NonNullable<typeof event>).protocol)
  const start = bare(0, 'started')
  const corrections = [
    ...wasAnother([start], 'another'),
    ...startedAt([start], 5_000, 'started too early'),
    notStarted(start),
  ]
  expect(corrections.map(({ observation: { kind } }) => kind)).toEqual(['assigned', 'moved', 'voided'])
  for (const { observation } of corrections) expect(kinds).toContain(observation.kind)
  expect(corrections.map(({ entryId }) => entryId)).toEqual(['another', ENTRY, ENTRY])
})
