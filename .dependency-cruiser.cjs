/** Imports run downwards only: web, server and cli -> core; core imports none of them, and nothing from Node. */
module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(server|web|cli|demo|e2e|scripts|core/testing)/' },
    },
    {
      name: 'core-knows-no-platform',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-knows-no-framework',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: 'node_modules/(vue|pinia|express|pg|bootstrap|d3-)' },
    },
    { name: 'server-apart', severity: 'error', from: { path: '^server/src' }, to: { path: '^(web|cli)/' } },
    { name: 'web-apart', severity: 'error', from: { path: '^web/src' }, to: { path: '^(server|cli)/' } },
    { name: 'cli-apart', severity: 'error', from: { path: '^cli/src' }, to: { path: '^(web|server)/' } },
    {
      name: 'core-by-its-door',
      severity: 'error',
      from: { path: '^(server|web|cli)/src' },
      to: { path: '^core/src/(?!index\\.ts$)' },
    },
    {
      name: 'sql-in-stores-only',
      severity: 'error',
      from: { path: '^server/src/(routes|live)/' },
      to: { path: 'node_modules/pg/' },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^~icons/|virtual:|^pdfmake/interfaces$' },
    },
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
