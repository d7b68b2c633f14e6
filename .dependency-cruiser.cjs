/** Who may import whom; see docs/architecture.md. */

/** Floors of a room, from the ground up: a folder knows its own floor's other folders only where `sideways` says so. */
const rooms = {
  core: {
    path: 'packages/core/src',
    sideways: true,
    floors: [
      ['units', 'errors', 'numerics', 'statistics', 'figure', 'line', 'recording'],
      ['air', 'label', 'propeller', 'sound', 'powertrain', 'craft', 'rack'],
      ['stand', 'pick', 'balance', 'fit', 'care', 'flight', 'listen'],
      ['ready', 'verdict'],
      ['simulate'],
    ],
  },
  server: {
    path: 'apps/server/src',
    sideways: true,
    floors: [
      ['common', 'database'],
      ['event', 'line'],
      ['workshop', 'blob', 'recording', 'rack'],
      ['craft'],
      ['stand', 'balance', 'ready'],
      ['live', 'pick', 'fit', 'care'],
      ['fly'],
      ['listen'],
      ['judge'],
      ['finder', 'today', 'docs', 'demo'],
    ],
  },
  web: {
    path: 'apps/web/src',
    sideways: false,
    floors: [
      ['shared'],
      [
        'today',
        'craft',
        'rack',
        'pick',
        'balance',
        'fit',
        'care',
        'stand',
        'fly',
        'listen',
        'judge',
        'settings',
        'finder',
      ],
      ['app'],
    ],
  },
};

/** No arrow runs up. Tables are the ground that every floor of the server stands on: a row may point at any row. */
function noArrowUp([room, { path, floors, sideways }]) {
  const files = (names) => `^${path}/(${names.join('|')})/`;
  const tables = room === 'server' ? ['\\.table\\.ts$', '^apps/server/src/database/schema\\.ts$'] : [];
  const up = floors.slice(0, -1).map((floor, i) => ({
    name: `${room}-floor-${i}-knows-none-above`,
    severity: 'error',
    from: { path: files(floor), pathNot: ['\\.test\\.tsx?$', ...tables] },
    to: { path: files(floors.slice(i + 1).flat()), pathNot: tables },
  }));
  const across = sideways
    ? []
    : floors.slice(1, -1).map((floor, i) => ({
        name: `${room}-floor-${i + 1}-apart`,
        severity: 'error',
        from: { path: `^${path}/(${floor.join('|')})/` },
        to: { path: files(floor), pathNot: `^${path}/$1/` },
      }));
  return [...up, ...across];
}

module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(apps|packages/(?!core))|node_modules/(react|@mantine|echarts|@nestjs|drizzle-orm)' },
    },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^packages/contract/src' },
      to: { path: '^(apps|packages/words)' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^apps/web/src' },
      to: { path: '^apps/server|node_modules/(@nestjs|drizzle-orm|@electric-sql|pg/)' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^apps/server/src' },
      to: { path: '^apps/web|node_modules/(react|@mantine|echarts)' },
    },
    {
      name: 'one-door-to-charts',
      severity: 'error',
      from: { path: '^apps/web/src/(?!shared/charts)' },
      to: { path: 'node_modules/echarts', dependencyTypesNot: ['type-only'] },
    },
    ...Object.entries(rooms).flatMap(noArrowUp),
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|\\.d\\.ts$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tests.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['source', 'import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.css'],
    },
  },
};
