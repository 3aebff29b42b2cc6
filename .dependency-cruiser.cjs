/** Which folder may import which: dependencies point one way. */
const only = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from },
  to: { path: '^src/', pathNot: to },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^src/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    only('core-alone', '^src/core/', '^src/core/'),
    {
      name: 'core-pure',
      comment: 'core knows no interface, no server, no Node',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^(node:|react|next|pg|fs|path|crypto)|node_modules/(?!zod/)',
        dependencyTypesNot: ['local'],
      },
    },
    only('units-alone', '^src/core/units/', '^src/core/units/'),
    only('food-below', '^src/core/food/', '^src/core/(food|units)/'),
    only('heat-below', '^src/core/heat/', '^src/core/(heat|food|units)/'),
    only('flow-below', '^src/core/flow/', '^src/core/(flow|food|units)/'),
    only('thicken-below', '^src/core/thicken/', '^src/core/(thicken|flow|heat|food|units)/'),
    only('pot-below', '^src/core/pot/', '^src/core/(pot|thicken|flow|heat|dairy|season|safety|food|units)/'),
    only('ui-on-core', '^src/ui/', '^src/(ui|core|workers)/'),
    only('server-on-core', '^src/server/', '^src/(server|core)/'),
    only('workers-on-core', '^src/workers/', '^src/(workers|core)/'),
    {
      name: 'nothing-on-app',
      severity: 'error',
      from: { path: '^src/(core|ui|server|workers)/' },
      to: { path: '^src/app/' },
    },
  ],
  options: {
    parser: 'swc',
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
