import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { TEST_KEY } from '../../testing/index.ts'
import { publicKeyOf } from '../day/signature.ts'
import { readArchive } from './readArchive.ts'

/** A signed day of two people in fifteen events, one of each kind, as the second judge signed it. */
const signedByJudge2: unknown = JSON.parse(
  readFileSync(path.join(import.meta.dirname, '../../testing/archives/judge-2.json'), 'utf8'),
)

test('a day signed under the second judge is read, and proven by its key', () => {
  const read = readArchive(signedByJudge2, [publicKeyOf(TEST_KEY)])
  expect(read.ok ? read.proof.kind : read.findings).toBe('signed')
})
