/** The rules of dependency of the house: core at the bottom, rooms side by side. */
const LAYERS = [
  'quantity',
  'reference',
  'rig',
  'electrical',
  'first-run',
  'sun',
  'heat',
  'system',
  'verdict',
  'answers',
  'sets',
  'fit',
  'sizes',
  'energy',
  'day',
  'now',
  'instruments',
  'card',
  'rehearse',
  'logbook',
  'wording',
  'formats',
];
const ROOMS = ['rig', 'loads', 'together', 'day', 'rehearse', 'now', 'logbook', 'card'];

const upwards = LAYERS.slice(0, -1).map((layer, index) => ({
  name: `core-layer-${layer}`,
  comment: `core/src/${layer} must not know the layers above it`,
  severity: 'error',
  from: { path: `^core/src/${layer}/` },
  to: { path: `^core/src/(${LAYERS.slice(index + 1).join('|')})/` },
}));

const betweenRooms = ROOMS.map((room) => ({
  name: `room-${room}`,
  comment: `Rooms do not import each other: what two need goes to components/ or storage/`,
  severity: 'error',
  from: { path: `^app/src/${room}/` },
  to: { path: `^app/src/(${ROOMS.filter((other) => other !== room).join('|')}|shell)/` },
}));

module.exports = {
  forbidden: [
    ...upwards,
    ...betweenRooms,
    {
      name: 'no-room-below-the-rooms',
      comment: 'What rooms share knows no room: it is used by them',
      severity: 'error',
      from: { path: '^app/src/(components|storage|answers|workers)/' },
      to: { path: `^app/src/(${ROOMS.join('|')}|shell)/` },
    },
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
        pathNot:
          '^core/src/(index|editing|estimating|carding|explaining|exporting|logging|metering|planning|plates|scheduling|switching)\\.ts$',
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
