import { expect, test } from 'vitest'
import { base64Of } from './base64.ts'

test('bytes are written in base 64, also more of them than a call takes arguments', () => {
  const bytes = Uint8Array.from({ length: 300_001 }, (_, index) => (index * 7) % 256)
  expect(base64Of(bytes)).toBe(Buffer.from(bytes).toString('base64'))
  expect(base64Of(new Uint8Array())).toBe('')
})
