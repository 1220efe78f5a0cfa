// Imports go one way: core ← server, workers, cli, screens; ui ← screens ← app; within core by layer.
const LAYERS = [
  'geometry',
  'findings',
  '(?:planar|outline|text)',
  'raster',
  'drawing',
  'rules',
  'set',
  '(?:snap|proof|formats|picture|checks|saving)',
  'targets',
]

/** No layer of the core may import one that comes after it. */
const within = LAYERS.slice(0, -1).map((layer, i) => ({
  name: `core-${i}`,
  comment: `src/core/${layer} may not import what builds on it.`,
  severity: 'error',
  from: { path: `^src/core/${layer}/` },
  to: { path: `^src/core/(?:${LAYERS.slice(i + 1).join('|')})/` },
}))

/** The floors of `core/drawing`: values, what kinds draw with, kinds, any object, its picture, its editing. */
const DRAWING = ['model', 'scene', 'kinds', 'objects', 'evaluate', 'edit']

const drawing = DRAWING.slice(0, -1).map((floor, i) => ({
  name: `drawing-${floor}`,
  comment: `src/core/drawing/${floor} may not import what stands on it.`,
  severity: 'error',
  from: { path: `^src/core/drawing/${floor}/` },
  to: { path: `^src/core/drawing/(?:${DRAWING.slice(i + 1).join('|')})/` },
}))

/** The facets of a kind that stand on its geometry, and so are not known to it. */
const FACETS = '(?:ledger|grips|fitting|references)'

/** The floors of the bench; each may be looked down on only by those after it. */
const FLOORS = ['state', 'operations', 'cells', 'tools', 'commands', 'square', 'panels']

const downwards = FLOORS.map((floor, i) => ({
  name: `bench-${floor}`,
  comment: `src/screens/bench/${floor} may not import what stands on it.`,
  severity: 'error',
  from: { path: `^src/screens/bench/${floor}/` },
  to: { path: `^src/screens/bench/(?:(?:${[...FLOORS.slice(i + 1), '-'].join('|')})/|[^/]+$)` },
}))

export default {
  forbidden: [
    ...within,
    ...drawing,
    {
      name: 'kind-geometry',
      comment: 'The geometry of a kind knows nothing of its ledger, its grips, its fitting or its references.',
      severity: 'error',
      from: { path: '^src/core/drawing/kinds/[^/]+/geometry\\.ts$' },
      to: { path: `^src/core/drawing/kinds/[^/]+/${FACETS}\\.ts$` },
    },
    ...downwards,
    {
      name: 'bench-side-by-side',
      comment: 'The square and the panels share through operations, cells or ui.',
      severity: 'error',
      from: { path: '^src/screens/bench/panels/' },
      to: { path: '^src/screens/bench/square/' },
    },
    {
      name: 'core-alone',
      comment: 'The core knows nothing of screens, servers, files or the browser.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: {
        path: '^(?:src/(?:server|workers|cli|screens|ui)|app)/|^(?:fs|path|os|url|crypto|child_process|worker_threads)$|node_modules/(?:react|next|zustand|kysely|libsql|@resvg)',
      },
    },
    {
      name: 'server-below-screens',
      severity: 'error',
      from: { path: '^src/(?:server|cli)/' },
      to: { path: '^(?:src/(?:screens|ui|workers)|app)/' },
    },
    { name: 'server-not-cli', severity: 'error', from: { path: '^src/server/' }, to: { path: '^src/cli/' } },
    {
      name: 'workers-on-core',
      severity: 'error',
      from: { path: '^src/workers/' },
      to: { path: '^(?:src/(?:server|cli|screens|ui)|app)/' },
    },
    {
      name: 'ui-below-screens',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^(?:src/(?:screens|server|cli)|app)/' },
    },
    {
      name: 'session-below-screens',
      comment: 'The session of a set knows no widget and no screen.',
      severity: 'error',
      from: { path: '^src/screens/session/' },
      to: { path: '^src/screens/(?!session/)' },
    },
    {
      name: 'screens-without-server',
      severity: 'error',
      from: { path: '^src/screens/' },
      to: { path: '^(?:src/(?:server|cli)|app)/' },
    },
    {
      name: 'testing-apart',
      comment: 'Generators, hands and oracles are for tests and tools only.',
      severity: 'error',
      from: { path: '^(?:src|app)/', pathNot: '^src/testing/' },
      to: { path: '^src/testing/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
  },
}
