/** Who may import whom. A layer sees only the layers listed for it. */
const MAY_SEE = {
  core: [],
  contracts: ['core'],
  server: ['core', 'contracts'],
  ui: ['core', 'workers'],
  features: ['ui', 'core', 'contracts'],
  workers: ['core'],
  app: ['features', 'server', 'contracts', 'ui', 'core'],
};
const layers = Object.keys(MAY_SEE);

/** The rooms of core from the ground up. A room sees those of the floors below its own; types count. */
const FLOORS = [
  ['answer'],
  ['units', 'materials'],
  ['threads', 'drills'],
  ['cutting'],
  ['tap-drill'],
  ['tapping'],
  ['shop', 'layout'],
  ['operation'],
  ['hole'],
  ['job'],
  ['route'],
  ['gauging'],
  ['run'],
  ['learning'],
  ['rehearsal'],
  ['practice'],
  ['formats'],
];
const rooms = FLOORS.flatMap((floor, level) =>
  floor.map((room) => ({ room, sees: [room, ...FLOORS.slice(0, level).flat()] })),
);
/** The floors of the server from the ground up: rooms, and files that stand on a floor by themselves. */
const SERVER_FLOORS = [
  [
    ...['refusal', 'schema', 'sound-text', 'bad-rows', 'starting', 'database-faults', 'backup', 'database'],
    ...['built-once', 'writing', 'in-slices', 'restore'],
  ],
  ['repositories'],
  ['access'],
  ['sheets', 'services'],
  ['http'],
  ['demo'],
  ['start'],
];
const serverRooms = SERVER_FLOORS.flatMap((floor, level) =>
  floor.map((room) => ({ room, sees: [...floor, ...SERVER_FLOORS.slice(0, level).flat()] })),
);
const PURE_PACKAGES = [
  'rbush',
  '@types/rbush',
  'fastest-levenshtein',
  'papaparse',
  '@types/papaparse',
  'dxf-parser',
  '@tarikjabiri/dxf',
  '@stdlib/stats-base-dists-t-quantile',
  'pure-rand',
  'ts-fsrs',
];

module.exports = {
  forbidden: [
    ...layers.map((layer) => ({
      name: `${layer}-sees-only-its-layers`,
      severity: 'error',
      from: { path: `^src/${layer}/` },
      to: { path: '^src/', pathNot: `^src/(${[layer, ...MAY_SEE[layer]].join('|')})/` },
    })),
    ...rooms.map(({ room, sees }) => ({
      name: `core-${room}-does-not-climb`,
      comment: 'In core a room sees only the rooms below it. Tests stand outside the house.',
      severity: 'error',
      from: { path: `^src/core/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/', pathNot: `^src/core/(${sees.join('|')})/` },
    })),
    ...serverRooms.map(({ room, sees }) => ({
      name: `server-${room}-does-not-climb`,
      comment: 'In the server a room sees only those on its own floor and below. Tests stand outside the house.',
      severity: 'error',
      from: { path: `^src/server/${room}(/|\\.ts$)`, pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/', pathNot: `^src/server/(${sees.join('|')})(/|\\.ts$)` },
    })),
    {
      name: 'queries-only-in-repositories',
      severity: 'error',
      from: {
        path: '^src/server/',
        pathNot: '^src/server/(repositories/|schema\\.ts$|bad-rows\\.ts$|database\\.ts$|.*\\.test\\.ts$)',
      },
      to: { path: 'node_modules/drizzle-orm/' },
    },
    {
      name: 'core-has-no-other-rooms',
      severity: 'error',
      from: { path: '^src/core/', pathNot: `^src/core/(${[...rooms.map((r) => r.room), 'tests'].join('|')})/` },
      to: {},
    },
    {
      name: 'core-is-pure',
      comment: 'The core knows no screen, framework, database or platform; only small pure packages.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '(\\.test\\.ts$|^src/core/tests/)' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core', 'unknown'],
        pathNot: PURE_PACKAGES.map((p) => `node_modules/${p}/`),
      },
    },
    {
      name: 'features-keep-apart',
      comment:
        'A view does not reach into another view. The job in hand and its run at the bench are shared by the views and see none of them.',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/' },
      to: { path: '^src/features/([^/]+)/', pathNot: '^src/features/($1|job-store|run)/' },
    },
    {
      name: 'what-views-share-sees-no-view',
      severity: 'error',
      from: { path: '^src/features/job-store/' },
      to: { path: '^src/features/', pathNot: '^src/features/job-store/' },
    },
    {
      name: 'database-only-in-server',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/server/' },
      to: { path: 'node_modules/(drizzle-orm|@libsql)/' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types', 'style'],
    },
  },
};
