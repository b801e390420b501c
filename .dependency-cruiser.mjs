/** Dependencies run in one direction: core <- contracts <- cli, server, web. Inside core, a folder imports only folders above it. */
const CORE = ['text', 'color', 'selector', 'source', 'ledger', 'pages', 'cluster', 'palette', 'plan', 'rewrite']

/** Folders of core that a folder may not reach: those that come after it. */
const coreLayers = CORE.slice(0, -1).map((folder, i) => ({
  name: `core-${folder}-looks-up-only`,
  severity: 'error',
  from: { path: `^core/src/${folder}/` },
  to: { path: `^core/src/(?:${CORE.slice(i + 1).join('|')})/` },
}))

/** Rooms of core/src/source that a room may not reach, in the same way. */
const ROOMS = ['scan', 'value', 'sheet', 'template', 'settings', 'script', 'markup']
const rooms = ROOMS.slice(0, -1).map((room, i) => ({
  name: `source-${room}-looks-up-only`,
  severity: 'error',
  from: { path: `^core/src/source/${room}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/src/source/(?:${ROOMS.slice(i + 1).join('|')})/` },
}))

export default {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-imports-nobody',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(?:contracts|server|web|cli|demo|e2e)/' },
    },
    {
      name: 'core-has-no-platform',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'contracts-import-core-only',
      severity: 'error',
      from: { path: '^contracts/' },
      to: { path: '^(?:server|web|cli|demo|e2e)/' },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(?:web|cli|e2e)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(?:server|cli|e2e)/' } },
    { name: 'cli-alone', severity: 'error', from: { path: '^cli/' }, to: { path: '^(?:server|web|e2e)/' } },
    ...coreLayers,
    ...rooms,
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(?:^|/)dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      conditionNames: ['import', 'default'],
      exportsFields: ['exports'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
}
