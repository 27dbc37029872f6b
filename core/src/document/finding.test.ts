import { expect, test } from 'vitest'
import { AmendmentBody } from '../api/verdictRequests.ts'
import { showFound } from './finding.ts'
import { parseDocument } from './parseDocument.ts'

const DEEP = JSON.parse(`${'['.repeat(100_000)}${']'.repeat(100_000)}`) as unknown

test('what was found is shown one level deep and cut', () => {
  expect(showFound(undefined)).toBe('nothing')
  expect(showFound('x'.repeat(100))).toHaveLength(78)
  expect(showFound([1, [2], { a: 3 }])).toBe('[1,"[…]","{…}"]')
  expect(showFound(() => 1)).toContain('=>')
})

test('a document nested a hundred thousand levels deep is refused, not choked on, wherever it stands', () => {
  expect(parseDocument(AmendmentBody, DEEP)).toMatchObject({ ok: false, findings: [{ found: '["[…]"]' }] })
  expect(parseDocument(AmendmentBody, { reason: DEEP })).toMatchObject({ ok: false, findings: [{ code: 'depth' }] })
})
