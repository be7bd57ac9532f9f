/** Arrows go down only. One rule a layer: what it must not know. */
const layer = (name, from, forbidden) => ({
  name,
  severity: 'error',
  from: { path: `^src/${from}/` },
  to: { path: `^(src/(${forbidden.join('|')})/|scripts/|bin/)` },
})
module.exports = {
  forbidden: [
    layer('core-knows-nothing-of-ours', 'core', ['records', 'services', 'server', 'pages', 'islands', 'ui', 'workers', 'demo']),
    layer('records-know-core-only', 'records', ['services', 'server', 'pages', 'islands', 'ui', 'workers', 'demo']),
    layer('services-know-records-and-core', 'services', ['server', 'pages', 'islands', 'ui', 'workers', 'demo']),
    layer('islands-never-touch-records', 'islands', ['records', 'services', 'server', 'pages', 'demo']),
    layer('ui-stands-alone', 'ui', ['records', 'services', 'server', 'pages', 'islands', 'workers', 'demo']),
    layer('demo-uses-services', 'demo', ['server', 'pages', 'islands', 'ui', 'workers']),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'No node: module, framework or database in the reckoning.',
      from: { path: '^src/core/' },
      to: { dependencyTypes: ['core'], pathNot: '^src/' },
    },
    {
      name: 'core-packages',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/', pathNot: 'node_modules/(yup|date-fns)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'no-strays', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^(astro:|\\.\\./dist)' } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
