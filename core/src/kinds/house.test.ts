import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { EVENT_KINDS } from './kinds.ts'

const ROOT = path.resolve(import.meta.dirname, '../../..')

/** Source of the house, tests and made-up days aside. */
const sources = (folder: string): string[] =>
  readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((file) => path.join(folder, file))
    .filter((file) => /\.(ts|vue)$/.test(file) && !/\.test\.ts$|\/demo\//.test(file))

const TABLES = ['core/src/kinds/kinds.ts', 'core/src/index.ts', 'web/src/run/consoles.ts']
const FOLDERS = /^(core\/src\/kinds\/\w+|web\/src\/run\/kinds\/\w+)\//

test('nothing outside its folders and the tables names an event kind', () => {
  // "sprint" and "attempts" are words too: only what is quoted names the kind
  const naming = new RegExp(EVENT_KINDS.map((kind) => `['"]${kind}['"]`).join('|'))
  const found = ['core/src', 'server/src', 'web/src', 'cli/src']
    .flatMap(sources)
    .filter((file) => !TABLES.includes(file) && !FOLDERS.test(file))
    .filter((file) => naming.test(readFileSync(path.join(ROOT, file), 'utf8')))
  expect(found).toEqual([])
})

test('no folder of a kind names another kind', () => {
  const found = EVENT_KINDS.flatMap((kind) => {
    const others = new RegExp(
      EVENT_KINDS.filter((other) => other !== kind)
        .map((other) => `['"]${other}['"]|\\.\\./${other}/`)
        .join('|'),
    )
    return sources(`core/src/kinds/${kind}`).filter((file) => others.test(readFileSync(path.join(ROOT, file), 'utf8')))
  })
  expect(found).toEqual([])
})
