const { readdirSync } = require('node:fs');
const { join } = require('node:path');

/** The rules of dependency of the house: core at the bottom, rooms side by side. */
const foldersIn = (path) =>
  readdirSync(join(__dirname, path), { withFileTypes: true })
    .filter((each) => each.isDirectory() && readdirSync(join(__dirname, path, each.name)).length > 0)
    .map(({ name }) => name);

/** From the bottom up: a folder knows those before it. */
const LAYERS = [
  'units',
  'reference',
  'rig-file',
  'rig',
  'loads',
  'protection',
  'supply',
  'battery',
  'solar',
  'check',
  'words',
  'outlook',
  'sets',
  'changes',
  'day',
  'now',
  'rehearse',
  'practice',
  'logbook',
  'card',
  'plate',
  'first-run',
  'formats',
  'api',
];
const homeless = foldersIn('core/src').filter((folder) => !LAYERS.includes(folder));
if (homeless.length > 0) throw new Error(`No layer is named for core/src/${homeless.join(', ')}`);

/** What rooms share, from the bottom up; every other folder of the application is a room. */
const SHARED = ['ui', 'storage', 'compute', 'parts', 'plate'];
const OUTSIDE = ['assets', 'styles', 'shell'];
const ROOMS = foldersIn('app/src').filter((folder) => ![...SHARED, ...OUTSIDE].includes(folder));

const upwards = LAYERS.slice(0, -1).map((layer, index) => ({
  name: `core-layer-${layer}`,
  comment: `core/src/${layer} must not know the layers above it`,
  severity: 'error',
  from: { path: `^core/src/${layer}/` },
  to: { path: `^core/src/(${LAYERS.slice(index + 1).join('|')})/` },
}));

const betweenRooms = ROOMS.map((room) => ({
  name: `room-${room}`,
  comment: `Rooms do not import each other: what two need goes to parts/, compute/ or storage/`,
  severity: 'error',
  from: { path: `^app/src/${room}/` },
  to: { path: `^app/src/(${[...ROOMS.filter((other) => other !== room), 'shell'].join('|')})/` },
}));

module.exports = {
  forbidden: [
    ...upwards,
    ...betweenRooms,
    ...SHARED.map((folder, index) => ({
      name: `shared-${folder}`,
      comment: `app/src/${folder} must not know what stands above it: it is used by that`,
      severity: 'error',
      from: { path: `^app/src/${folder}/`, pathNot: '\\.(spec|testing)\\.ts$' },
      to: { path: `^app/src/(${[...SHARED.slice(index + 1), ...ROOMS, 'shell'].join('|')})/` },
    })),
    {
      name: 'core-is-pure',
      comment:
        'core knows no DOM, Angular, Dexie or Node: of packages, only Yup, what tells where the sun stands, what writes calendars, and what knows the distributions of statistics',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { pathNot: ['^core/src/', '(^|/)node_modules/(yup|suncalc|ical\.js|jstat)/'] },
    },
    {
      name: 'nothing-reaches-into-core',
      comment: 'core is used by its public surfaces only',
      severity: 'error',
      from: { pathNot: '^core/' },
      to: {
        path: '^core/src/',
        pathNot: '^core/src/api/',
      },
    },
    {
      name: 'dexie-behind-storage',
      comment: 'Only storage knows how rigs are kept',
      severity: 'error',
      from: { path: '^app/src/', pathNot: '^app/src/storage/' },
      to: { path: '(^|/)node_modules/dexie/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-orphans',
      comment: 'A file that nothing uses is dead',
      severity: 'error',
      from: { orphan: true, pathNot: ['\\.spec\\.ts$', '\\.d\\.ts$', 'main\\.ts$'] },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
      extensions: ['.ts', '.js', '.mjs'],
    },
  },
};
