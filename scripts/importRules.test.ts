/** Plants one breach of each import rule and sees it caught, so that a rule that catches nothing is found. */
import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { ROOT } from './lib/paths.mjs'

/** A copy of the house, so that no other check stumbles over what is planted. */
const HOUSE = path.join(ROOT, '.data', `planted-${process.pid}`)

beforeAll(() => {
  for (const folder of ['core', 'server', 'web', 'cli']) {
    cpSync(path.join(ROOT, folder, 'src'), path.join(HOUSE, folder, 'src'), { recursive: true })
  }
  for (const file of ['tsconfig.json', 'package.json', 'core/package.json', '.dependency-cruiser.cjs']) {
    cpSync(path.join(ROOT, file), path.join(HOUSE, file))
  }
  mkdirSync(path.join(HOUSE, 'node_modules/@able-gauge'), { recursive: true })
  symlinkSync('../../core', path.join(HOUSE, 'node_modules/@able-gauge/core'))
})
afterAll(() => rmSync(HOUSE, { recursive: true, force: true }))

type Planted = readonly [what: string, folder: string, imported: string]

const BREACHES: readonly Planted[] = [
  ['web reaches for the database', 'web/src/day', 'pg'],
  ['core reaches for the disk of a browser', 'core/src/judge', 'idb'],
  ['core reaches for Node', 'core/src/quantity', 'node:fs'],
  ['core reaches for a framework', 'core/src/plan', 'vue'],
  ['a capture reaches for the judge', 'core/src/capture', '../judge/cut.ts'],
  ['a referee reaches for a kind', 'core/src/referee', '../kinds/kinds.ts'],
  ['a standard reaches for the judge', 'core/src/standard', '../judge/judgeDay.ts'],
  ['a route reaches for the database driver', 'server/src/routes', 'pg'],
  ['a store reaches for a route', 'server/src/store', '../routes/route.ts'],
  ['the server reaches for a screen', 'server/src/routes', '../../../web/src/api.ts'],
  ['a room reaches into core past its door', 'web/src/run', '../../../core/src/judge/judgeDay.ts'],
  ['the command line reaches for the server', 'cli/src', '../../server/src/database.ts'],
  ['the plan reaches for the verdicts', 'web/src/plan', '../verdicts/VerdictQueue.vue'],
]
const ALLOWED: readonly Planted[] = [
  ['a room may use core by its door', 'web/src/run', '@able-gauge/core'],
  ['a store may use the driver', 'server/src/store', 'pg'],
  ['the judge may look at a kind', 'core/src/judge', '../kinds/kinds.ts'],
]

const fileOf = ([what, folder]: Planted): string => path.join(folder, `${what.replaceAll(' ', '-')}.ts`)

/** What dependency-cruiser says of all of them, looked at once. */
let said = ''
beforeAll(() => {
  const planted = [...BREACHES, ...ALLOWED]
  for (const one of planted) {
    writeFileSync(path.join(HOUSE, fileOf(one)), `import * as breach from '${one[2]}'\nexport const use = breach\n`)
  }
  const { stdout, stderr } = spawnSync(
    process.execPath,
    [
      path.join(ROOT, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'),
      '--config',
      '.dependency-cruiser.cjs',
      '--max-depth',
      '1',
      ...planted.map(fileOf),
    ],
    { cwd: HOUSE, encoding: 'utf8' },
  )
  said = `${stdout}${stderr}`
}, 60_000)

test.each(BREACHES)('%s', (...one) => {
  expect(said).toContain(`not-in-allowed: ${fileOf(one)}`)
})

test.each(ALLOWED)('%s', (...one) => {
  expect(said).not.toContain(fileOf(one))
})

test('a query in a route is found', () => {
  const { stdout } = spawnSync(
    process.execPath,
    ['node_modules/eslint/bin/eslint.js', '--stdin', '--stdin-filename', 'server/src/routes/planted.ts'],
    {
      cwd: ROOT,
      encoding: 'utf8',
      input: "export const breach = (db: { query: (text: string) => unknown }) => db.query('select 1')\n",
    },
  )
  expect(stdout).toContain('SQL stands in stores')
})
