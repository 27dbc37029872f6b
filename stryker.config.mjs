/** Mutation runs over core, folder by folder: `npm run mutants -- quantity`. Results are kept and only what changed is run again. */
const folder = process.env['ABLE_GAUGE_MUTANTS'] ?? 'quantity'
const kept = `.data/mutants/${folder.replaceAll('/', '-')}`

export default {
  plugins: ['./scripts/mutants/oneProcess.mjs'],
  testRunner: 'one-process',
  mutate: [`core/src/${folder}/**/*.ts`, '!core/src/**/*.test.ts', '!core/src/**/index.ts'],
  ignorePatterns: ['web', 'server', 'e2e', 'bench', 'cli', '.data', 'test-results'],
  tempDirName: '.data/mutants/sandbox',
  incremental: true,
  incrementalFile: `${kept}.json`,
  // what runs once when a module is read needs every test for each of its mutants
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 3_000,
  reporters: ['clear-text', 'progress', 'json'],
  jsonReporter: { fileName: `${kept}-report.json` },
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportMutants: false },
}
