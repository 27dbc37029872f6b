/** The tests of core alone, for mutation runs (`npm run mutants`). */
import { configDefaults, defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/**/*.test.ts'],
    // looks at the files of the whole house, of which a mutation run has core alone
    exclude: [...configDefaults.exclude, '**/house.test.ts'],
    environment: 'node',
    testTimeout: 30_000,
  },
})
