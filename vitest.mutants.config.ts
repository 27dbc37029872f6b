/** The tests of one folder of core, for mutation runs (`npm run mutants`): what a folder does is to be noticed by the tests beside it. */
import { configDefaults, defineConfig } from 'vitest/config'

const folder = process.env['ABLE_GAUGE_MUTANTS'] ?? 'quantity'

export default defineConfig({
  test: {
    include: [`core/src/${folder}/**/*.test.ts`],
    // looks at the files of the whole house, of which a mutation run has core alone
    exclude: [...configDefaults.exclude, '**/house.test.ts'],
    environment: 'node',
    testTimeout: 30_000,
  },
})
