import fc from 'fast-check'
import { expect, test } from 'vitest'
import { PERIODS, type RetestCall } from '@able-gauge/core'
import { retestDraftOf, retestOf } from './retestDraft.ts'

const call = fc.record(
  {
    name: fc.constantFrom('Yearly', 'Before the course'),
    standardId: fc.constantFrom('entry', 'guard'),
    unitId: fc.uuid(),
    every: fc.record({ count: fc.integer({ min: 1, max: 100 }), of: fc.constantFrom(...PERIODS) }),
    before: fc.constant('2027-01-18'),
  },
  { requiredKeys: ['name', 'standardId'] },
)

test('what is edited and left as it was is what it was', () => {
  fc.assert(
    fc.property(call, (one) => {
      expect(retestOf(retestDraftOf(one as RetestCall))).toEqual({ ...one })
    }),
  )
})

test('what is left empty is left out', () => {
  const draft = { name: ' Yearly ', standardId: 'entry', unitId: '', count: '', of: 'years', before: '' } as const
  expect(retestOf(draft)).toEqual({ name: 'Yearly', standardId: 'entry' })
})
