/** Who may import whom; see docs/architecture.md. */

/** The lower floors of the core know nothing of the upper ones. */
function floorsOfCore(floors) {
  return floors.slice(0, -1).map((floor, i) => ({
    name: `floor-${floor[0]}-of-core`,
    severity: 'error',
    from: { path: `^packages/core/src/(${floor.join('|')})/`, pathNot: '\\.test\\.ts$' },
    to: { path: `^packages/core/src/(${floors.slice(i + 1).flat().join('|')})/` },
  }));
}

module.exports = {
  forbidden: [
    { name: 'core-is-pure', severity: 'error', from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' }, to: { path: '^(apps|packages/(?!core))|node_modules/(react|@mantine|echarts|@nestjs|drizzle-orm)' } },
    { name: 'contract-knows-core-only', severity: 'error', from: { path: '^packages/contract/src' }, to: { path: '^(apps|packages/words)' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^apps/web/src' }, to: { path: '^apps/server|node_modules/(@nestjs|drizzle-orm|@electric-sql|pg/)' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^apps/server/src' }, to: { path: '^apps/web|node_modules/(react|@mantine|echarts)' } },
    { name: 'features-apart', severity: 'error', comment: 'a page or shared/ joins web features', from: { path: '^apps/web/src/(craft|rack|pick|balance|fit|care|stand|settings|finder)/' }, to: { path: '^apps/web/src/(craft|rack|pick|balance|fit|care|stand|settings|finder)/', pathNot: '^apps/web/src/$1/' } },
    { name: 'shared-knows-no-feature', severity: 'error', from: { path: '^apps/web/src/shared/' }, to: { path: '^apps/web/src/(app|craft|rack|pick|balance|fit|care|stand|settings|finder)/' } },
    { name: 'one-door-to-charts', severity: 'error', from: { path: '^apps/web/src/(?!shared/charts)' }, to: { path: 'node_modules/echarts', dependencyTypesNot: ['type-only'] } },
    ...floorsOfCore([['units', 'errors', 'numerics', 'statistics', 'figure'], ['air', 'label', 'propeller', 'sound', 'powertrain', 'craft', 'rack'], ['stand', 'pick', 'balance', 'layout', 'care'], ['line'], ['simulate']]),
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|\\.d\\.ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['source', 'import', 'types', 'default'], extensions: ['.ts', '.tsx', '.js', '.mjs', '.css'] },
  },
};
