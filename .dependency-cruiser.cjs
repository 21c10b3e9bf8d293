/**
 * Who may know whom. Each list goes from the bottom up: a part knows those before it and itself, never those after it. `npm run
 * lint` fails otherwise; there is no list of exceptions.
 */

/** Packages. */
const PACKAGES = ['words', 'core', 'sentences', 'contract', 'demo', 'server', 'web']

/** Parts of the computation. */
const CORE = [
  'maths',
  'time',
  'scale',
  'effects (catalogue)',
  'kernels',
  'envelope',
  'onsets',
  'song',
  'mix',
  'engine',
  'loudness',
  'instant',
  'moves',
  'effective',
  'saying',
  'pass',
  'heard',
  'assess',
  'evidence',
  'mistakes',
  'checks',
  'brief',
  'compare',
  'rubric',
  'term',
  'remarks',
  'analysis',
  'midi',
  'musicxml',
  'score',
  'roster',
  'surface',
  'flac',
  'exchange',
  'grades',
  'players',
  'stored',
  'validate',
]

/** Layers of the web application. */
const WEB = [
  'browser',
  'words',
  'api',
  'engine',
  'document',
  'ui',
  'shell',
  'editor',
  'charts',
  'desk',
  'features',
  'app',
]

/** Rooms of the web application: none knows another one. */
const ROOMS = 'packages/web/src/features/'

const TESTS = '\\.test\\.ts$'

/** A rule for each part but the last: it knows nothing of those after it. */
const upwards = (name, list, folderOf, to = folderOf) =>
  list.slice(0, -1).map((part, i) => ({
    name: `${name}-order`,
    comment: `${part} lies below ${list.slice(i + 1).join(', ')}`,
    severity: 'error',
    from: { path: `^${folderOf(part)}`, pathNot: TESTS },
    to: { path: list.slice(i + 1).map((later) => `^${to(later)}`) },
  }))

/**
 * Files of a part. An effect is one folder with two sides: its entry in the catalogue, which knows scales alone, and its sound,
 * which is a piece of the engine.
 */
const coreOf = (part) =>
  ({
    'effects (catalogue)': 'packages/core/src/effects/(index|catalogue|entry|[^/]+/entry)\\.ts',
    engine: 'packages/core/src/(engine/|effects/(sound|pictures|processors?|parts/.+|[^/]+/processor)\\.ts)',
  })[part] ?? `packages/core/src/${part}/`
const webOf = (layer) => `packages/web/src/${layer}/`

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Whoever knows somebody is not known by them, by whatever way.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...upwards(
      'package',
      PACKAGES.filter((p) => p !== 'web'),
      (p) => `packages/${p}/`,
    ),
    {
      name: 'web-knows-types-of-the-server',
      comment: 'The browser has the types of the routes, and nothing that runs.',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^packages/(server|demo)/', pathNot: '^packages/server/types/' },
    },
    {
      name: 'nobody-knows-the-web',
      severity: 'error',
      from: { path: '^packages/(core|contract|demo|server)/' },
      to: { path: '^packages/web/' },
    },
    ...upwards('core', CORE, coreOf),
    ...upwards('web', WEB, webOf),
    {
      name: 'rooms-apart',
      comment: 'What two rooms need lies in a layer below them.',
      severity: 'error',
      from: { path: `^${ROOMS}([^/]+)/`, pathNot: TESTS },
      to: { path: `^${ROOMS}`, pathNot: `^${ROOMS}$1/` },
    },
    {
      name: 'routes-only-route',
      comment: 'A route asks a service: no SQL and no rule of its own.',
      severity: 'error',
      from: { path: '^packages/server/src/[^/]+/routes\\.ts$' },
      to: { path: ['/(entities|queries)\\.ts$', 'node_modules/typeorm', 'node_modules/class-validator'] },
    },
    {
      name: 'views-only-show',
      severity: 'error',
      from: { path: '^packages/server/src/[^/]+/views\\.ts$' },
      to: { path: ['/(service|routes)\\.ts$'] },
    },
    {
      name: 'core-only-computes',
      comment: 'What is computed is the same in every host.',
      severity: 'error',
      from: { path: '^packages/(core|demo)/src', pathNot: TESTS },
      to: { dependencyTypes: ['core'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
    },
  },
}
