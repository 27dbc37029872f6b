import { defineConfig } from '@playwright/test'
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { requireChromium } from '../scripts/lib/requirements.mjs'

/** Begun first, so that no worker is left with one of them while the others have nothing to do. */
const LONGEST = /(start|barriers|consoles|faults|wholeDay|longRun)\.spec\.ts$/
/** What takes long, or looks once more at what another test looks at, waits for the run before a release. */
const LONG = process.env['ABLE_GAUGE_LONG'] === '1'
const AT_LENGTH = LONG ? [] : [/(longRun|faults|manyPeople)\.spec\.ts$/]

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './globalSetup.ts',
  ...(LONG ? {} : { grepInvert: /@long/ }),
  // a machine in a slow hour takes five times as long as in a good one
  timeout: 150_000,
  expect: { timeout: 15_000 },
  // tests wait for clocks and pages as much as for the processor
  workers: 4,
  // a slow machine gets a second try; the run says so
  retries: 1,
  reporter: process.env['ABLE_GAUGE_REPORT']
    ? [['json', { outputFile: process.env['ABLE_GAUGE_REPORT'] }], ['line']]
    : 'line',
  projects: [
    { name: 'longest', testMatch: LONGEST, testIgnore: AT_LENGTH },
    { name: 'others', testIgnore: [LONGEST, ...AT_LENGTH] },
  ],
  use: {
    browserName: 'chromium',
    viewport: { width: 1280, height: 800 },
    // keeping the whole application on the device costs each browser more than most tests; those about it allow it
    serviceWorkers: 'block',
    // nothing moves for show, so that nobody waits for it
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: requireChromium(), args: CHROMIUM_ARGS },
    screenshot: 'only-on-failure',
  },
})
