/**
 * Imports run downwards only: web, server and cli -> core; inside core a folder imports from folders above it in the list. The rules are lists of
 * what is allowed: what is not named is refused. scripts/importRules.test.ts plants a breach of each and sees it caught.
 */

/** The folders of core, from the ground up. */
const CORE = [
  'quantity',
  'document',
  'random',
  'clock',
  'capture',
  'estimate',
  'instrument',
  'referee',
  'kinds',
  'standard',
  'day',
  'people',
  'judge',
  'words',
  'plan',
  'insight',
  'rehearsal',
  'drill',
  'api',
  'format',
]
const CORE_PACKAGES = [
  'class-transformer',
  'class-validator',
  'reflect-metadata',
  'temporal-polyfill',
  'papaparse',
  'ical-generator',
  'jstat',
  'uuid',
  '@noble/hashes',
  '@noble/ed25519',
]

/** What the parts of the server import of each other; files beside the folders put the parts together. */
const SERVER = {
  store: ['access'],
  access: ['store', 'routes/route'],
  live: ['access', 'store', 'routes/route'],
  rehearsal: ['store', 'routes/route'],
  work: ['store'],
  insight: ['access', 'store', 'routes/route'],
  routes: ['access', 'store', 'live', 'work', 'rehearsal', 'insight', 'demo'],
  demo: ['access', 'store'],
}
/** Packages of each part of the server; Node's own modules are open to all but the routes' queries. */
const SERVER_PACKAGES = {
  store: ['pg'],
  access: ['express', '@zxcvbn-ts', 'otplib'],
  live: ['express', 'pino'],
  rehearsal: ['pino'],
  work: ['pino', 'tsx'],
  insight: ['papaparse'],
  routes: ['express', 'pino'],
  demo: ['papaparse', 'temporal-polyfill'],
}
const SERVER_TOP = [
  'sharp',
  'compression',
  'express',
  'express-rate-limit',
  'express-static-gzip',
  'helmet',
  'node-pg-migrate',
  'pg',
  'pino',
  'temporal-polyfill',
]

/** The rooms of the interface, and what each builds on. */
const WEB = {
  ui: ['session', 'sync'],
  session: ['sync', 'ui'],
  sync: ['day/day'],
  sound: ['sync', 'ui'],
  day: ['session', 'sync', 'ui', 'workers'],
  firstLook: ['ui'],
  days: ['day/houseRules', 'firstLook', 'standards', 'session', 'sync', 'ui'],
  plan: ['day', 'days', 'handout/usePdf', 'handout/pdfParts', 'session', 'standards', 'ui'],
  muster: ['day', 'session', 'ui'],
  run: ['day', 'session', 'sound', 'sync', 'ui'],
  verdicts: ['day', 'handout', 'session', 'sync', 'ui'],
  replay: ['day', 'session', 'ui'],
  practice: ['day', 'run/consoles', 'session', 'standards/standardCalls', 'sync', 'ui'],
  handout: ['day', 'session', 'ui'],
  signoff: ['day', 'session', 'ui'],
  people: ['session', 'standards', 'ui'],
  insight: ['handout/usePdf', 'handout/pdfParts', 'session', 'ui'],
  standards: ['handout/usePdf', 'handout/pdfParts', 'session', 'ui', 'workers'],
  house: ['day', 'session', 'ui'],
  workers: [],
}
const WEB_PACKAGES = [
  'vue',
  'vue-router',
  'pinia',
  '@vueuse/core',
  'bootstrap-vue-next',
  'bootstrap',
  'comlink',
  'd3-scale',
  'd3-shape',
  'd3-time',
  'idb',
  'papaparse',
  'pdfmake',
  'qrcode',
  'read-excel-file',
  'uuid',
  'workbox-window',
  'write-excel-file',
  '@fontsource-variable/atkinson-hyperlegible-next',
  '@fontsource-variable/atkinson-hyperlegible-mono',
  '@fontsource/atkinson-hyperlegible-next',
]
const CLI_PACKAGES = ['papaparse']

const either = (names) => `(${names.map((name) => name.replaceAll('.', '\\.')).join('|')})`
const packages = (names) => `node_modules/${either(names)}/`
/** Only by its door: what core offers. */
const CORE_DOOR = '^core/src/(index|insight/statistics|drill/index)\\.ts$'
const PLATFORM = { dependencyTypes: ['core'] }

const core = CORE.flatMap((folder, at) => [
  { from: { path: `^core/src/${folder}/` }, to: { path: `^core/src/${either(CORE.slice(0, at + 1))}/` } },
])
const server = Object.entries(SERVER).flatMap(([folder, builds]) => [
  {
    from: { path: `^server/src/${folder}/` },
    to: { path: `^server/src/(${[`${folder}/`, ...builds, '[^/]+\\.(ts|mjs)$'].join('|')})` },
  },
  { from: { path: `^server/src/${folder}/` }, to: { path: packages(SERVER_PACKAGES[folder]) } },
])
const web = Object.entries(WEB).map(([folder, builds]) => ({
  from: { path: `^web/src/${folder}/` },
  to: {
    path: `^web/src/(${[`${folder}/`, ...builds, 'api\\.ts$', 'inWords\\.ts$', '[^/]+\\.ts$', 'style/'].join('|')})`,
  },
}))

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^~icons/|virtual:|^pdfmake/interfaces$' },
    },
  ],
  allowedSeverity: 'error',
  allowed: [
    // tests reach for what they test, and for what helps testing
    { from: { path: '\\.test\\.ts$|^(core|server|web)/testing/|^scripts/' }, to: {} },
    ...core,
    { from: { path: '^core/src/index\\.ts$' }, to: { path: '^core/src/' } },
    { from: { path: '^core/src/' }, to: { path: packages(CORE_PACKAGES) } },
    ...server,
    { from: { path: '^server/src/[^/]+$' }, to: { path: '^server/src/' } },
    { from: { path: '^server/src/[^/]+$' }, to: { path: packages(SERVER_TOP) } },
    { from: { path: '^server/src/' }, to: { path: CORE_DOOR } },
    { from: { path: '^server/src/' }, to: PLATFORM },
    ...web,
    { from: { path: '^web/src/[^/]+$' }, to: { path: '^web/src/' } },
    { from: { path: '^web/src/' }, to: { path: packages(WEB_PACKAGES) } },
    { from: { path: '^web/src/' }, to: { path: CORE_DOOR } },
    { from: { path: '^web/src/' }, to: { path: '^~icons/|^virtual:|^pdfmake/interfaces$', couldNotResolve: true } },
    { from: { path: '^cli/src/' }, to: { path: '^cli/src/' } },
    { from: { path: '^cli/src/' }, to: { path: packages(CLI_PACKAGES) } },
    { from: { path: '^cli/src/' }, to: { path: CORE_DOOR } },
    { from: { path: '^cli/src/' }, to: PLATFORM },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.js', '.vue', '.json'],
    },
  },
}
