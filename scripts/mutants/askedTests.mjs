/** The tests of core that a mutation run asks (`npm run mutants`): those of the folder, and of the folders that use it most. */
import { configDefaults, defineConfig } from 'vitest/config'

const ASKED: Readonly<Record<string, readonly string[]>> = {
  quantity: ['quantity', 'words'],
  capture: ['capture', 'kinds', 'judge'],
  kinds: ['kinds', 'judge'],
  judge: ['judge', 'words', 'format', 'insight'],
  standard: ['standard', 'format', 'insight'],
}
/** Many thousand cases in one test each: what a change breaks there it breaks in a smaller test too, and sooner. */
const SLOW = ['threes', 'contract']

const folder = process.env['ABLE_GAUGE_MUTANTS'] ?? 'quantity'

export default defineConfig({
  test: {
    include: (ASKED[folder] ?? [folder]).map((asked) => `core/src/${asked}/**/*.test.ts`),
    // the last looks at the files of the whole house, of which a mutation run has core alone
    exclude: [...configDefaults.exclude, ...SLOW.map((name) => `**/${name}.test.ts`), '**/house.test.ts'],
    environment: 'node',
    testTimeout: 30_000,
  },
})
