/** Mutation runs over core, folder by folder: `npm run mutants -- quantity`. Results are kept and only what changed is run again. */
const folder = process.env['ABLE_GAUGE_MUTANTS'] ?? 'quantity'

export default {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutants.config.ts', related: false },
  mutate: [`core/src/${folder}/**/*.ts`, '!core/src/**/*.test.ts', '!core/src/**/index.ts'],
  ignorePatterns: ['web', 'server', 'e2e', 'bench', 'cli', '.data', 'test-results'],
  tempDirName: '.data/mutants/sandbox',
  incremental: true,
  incrementalFile: `.data/mutants/${folder.replaceAll('/', '-')}.json`,
  // what runs once when a module is read needs every test for each of its mutants
  ignoreStatic: true,
  concurrency: 2,
  reporters: ['clear-text', 'progress', 'json'],
  jsonReporter: { fileName: `.data/mutants/${folder.replaceAll('/', '-')}-report.json` },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
}
