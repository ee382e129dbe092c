/** Arrows point inward: interface and server know the core, the core knows neither, nor any framework. */
module.exports = {
  forbidden: [
    { name: 'core-stands-alone', severity: 'error', comment: 'The core is plain TypeScript: it runs in a worker and on the server alike.', from: { path: '^core/' }, to: { pathNot: ['^core/', '^node_modules/yup/'] } },
    { name: 'draw-on-the-core-alone', severity: 'error', comment: 'Drawings are made of the core\'s figures, for screen, paper and files alike.', from: { path: '^draw/' }, to: { pathNot: ['^draw/', '^core/', '^node_modules/(@types/)?d3-'] } },
    { name: 'app-not-into-server', severity: 'error', comment: 'The interface knows the server by its addresses (types aside).', from: { path: '^app/' }, to: { path: '^(server|cli|scripts)/', dependencyTypesNot: ['type-only'] } },
    { name: 'server-not-into-app', severity: 'error', from: { path: '^(server|cli)/' }, to: { path: '^app/' } },
    { name: 'no-circles', severity: 'error', comment: 'Types may know each other; code runs in one direction.', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'resolvable', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^#' } }
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: 'specify', tsConfig: { fileName: 'tsconfig.core.json' }, enhancedResolveOptions: { extensions: ['.ts', '.mjs', '.vue', '.js', '.json'], exportsFields: ['exports'], conditionNames: ['import', 'default'] } }
}
