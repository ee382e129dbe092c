/** The layers of the core, each of which knows only those before it. `check` stands beside `math`: it holds what comes from outside to its rules. */
const LAYERS = [
  'math',
  'check',
  'money',
  'sheet',
  'drive',
  'picture',
  'trace',
  'sound',
  'readings',
  'estimate',
  'calls',
  'paths',
  'record',
  'views'
]

const layers = LAYERS.slice(0, -1).map((layer, i) => ({
  name: `core-${layer}-knows-what-is-below`,
  severity: 'error',
  comment: 'Layers of the core know only those before them, by value and by type.',
  from: { path: `^core/${layer}/` },
  to: { path: `^core/(${LAYERS.slice(i + 1).join('|')})/` }
}))

/** Packages that only the layers which measure on pictures know, and the one that the layer which listens does. */
const SENSED = ['^node_modules/ml-matrix/', '^node_modules/js-aruco2/']
const HEARD = ['^node_modules/fft\\.js/']

/** A layer, and each of the views, is entered by its door. */
const doors = [
  {
    name: 'core-by-the-door',
    severity: 'error',
    comment: 'A layer is entered by its index.',
    from: { path: '^core/([^/]+)/' },
    to: { path: '^core/', pathNot: ['^core/$1/', '^core/[^/]+/index\\.ts$', '^core/views/[^/]+/index\\.ts$'] }
  },
  {
    name: 'views-by-the-door',
    severity: 'error',
    comment: 'A view is entered by its index.',
    from: { path: '^core/views/([^/]+)/' },
    to: { path: '^core/views/', pathNot: ['^core/views/$1/', '^core/views/[^/]+/index\\.ts$'] }
  },
  {
    name: 'outside-by-the-door',
    severity: 'error',
    comment: 'The core is entered by the doors of its layers.',
    from: { pathNot: '^core/' },
    to: { path: '^core/', pathNot: ['^core/[^/]+/index\\.ts$', '^core/views/[^/]+/index\\.ts$'] }
  }
]

/** Arrows point inward: interface and server know the core, the core knows neither, nor any framework. */
module.exports = {
  forbidden: [
    ...layers,
    ...doors,
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'The core is plain TypeScript: it runs in a worker and on the server alike.',
      from: { path: '^core/' },
      to: { pathNot: ['^core/', '^node_modules/yup/', '^node_modules/(@types/)?big\\.js/', ...SENSED, ...HEARD] }
    },
    {
      name: 'sensing-packages-where-it-senses',
      severity: 'error',
      comment: 'Linear algebra and the reader of codes stay where pictures are measured.',
      from: { path: '^core/', pathNot: '^core/picture/' },
      to: { path: SENSED }
    },
    {
      name: 'listening-packages-where-it-listens',
      severity: 'error',
      comment: 'Spectra stay where recordings are heard.',
      from: { path: '^core/', pathNot: '^core/sound/' },
      to: { path: HEARD }
    },
    {
      name: 'words-on-the-core-alone',
      severity: 'error',
      comment: 'Words are put to the codes and figures of the core; nothing in the core knows them.',
      from: { path: '^words/' },
      to: { pathNot: ['^words/', '^core/'] }
    },
    {
      name: 'draw-on-the-core-alone',
      severity: 'error',
      comment: "Drawings are made of the core's figures, for screen, paper and files alike.",
      from: { path: '^draw/' },
      to: { pathNot: ['^draw/', '^core/', '^words/', '^node_modules/(@types/)?d3-'] }
    },
    {
      name: 'app-not-into-server',
      severity: 'error',
      comment: 'The interface knows the server by its addresses (types aside).',
      from: { path: '^app/' },
      to: { path: '^(server|cli|scripts)/', dependencyTypesNot: ['type-only'] }
    },
    { name: 'server-not-into-app', severity: 'error', from: { path: '^(server|cli)/' }, to: { path: '^app/' } },
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'Outside the core types may know each other; code runs in one direction.',
      from: { pathNot: '^core/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } }
    },
    {
      name: 'core-no-circles',
      severity: 'error',
      comment: 'In the core types run in one direction too.',
      from: { path: '^core/' },
      to: { circular: true }
    },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^#' } }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: 'specify',
    tsConfig: { fileName: 'tsconfig.core.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.mjs', '.vue', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'default']
    }
  }
}
