import type { InferType } from 'yup';
import { BREAKER_CURVES, LARGEST_BREAKER_A } from '../reference/breaker-curves.js';
import { CHEMISTRIES } from '../reference/batteries.js';
import { AWG_SIZES } from '../reference/copper-awg.js';
import { CORD_SIZES } from '../reference/cord-ampacity.js';
import { FUSE_KINDS } from '../reference/fuse-curves.js';
import { PART_KINDS } from '../reference/kinds-of-parts.js';
import { CODE_LETTERS } from '../reference/nec-430-code-letters.js';
import {
  choiceField,
  constantField,
  groupField,
  idField,
  listField,
  nameField,
  ownReferenceField,
  timeField,
  numberField,
  quantityField,
  referenceField,
  textField,
  yesOrNo,
} from './fields.js';
import { dayFields } from './day-fields.js';
import type { QuantityRole } from './half-widths.js';

/**
 * The field table of the rig file: the one description of what a rig is. Types, checks,
 * messages and key order all come from here.
 */
export const RIG_FORMAT = 'heliarch-rig';
export const RIG_VERSION = 2;

const MOST_W = 100_000;
const MOST_START_SECONDS = 120;
const MINUTES_OF_A_MONTH = 43_200;

const bus = groupField({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['ac', 'dc']),
  volts: numberField({ label: 'nominal volts', unit: 'V' }, { above: 0, max: 1000 }).required(
    'is missing; give its nominal volts',
  ),
  hertz: numberField({ label: 'frequency', unit: 'Hz' }, { above: 0, max: 400 }),
  poles: choiceField('poles', ['single', 'split-180', 'two-poles-in-phase']).optional(),
  sharedNeutral: choiceField('shared neutral', ['yes', 'no', 'unknown']).optional(),
});

const tier = groupField({
  limit: quantityField(
    {
      label: 'surge limit',
      unit: 'VA',
      role: 'rating',
    },
    { min: 1, max: MOST_W },
  ),
  unit: choiceField('unit', ['VA']),
  seconds: numberField({ label: 'seconds', unit: 's' }, { above: 0, max: 86_400 }).required(
    'is missing; give its seconds',
  ),
});

const protection = groupField({
  amps: numberField({ label: 'breaker size', unit: 'A' }, { above: 0, max: LARGEST_BREAKER_A }).required(
    'is missing; give the size printed on the breaker',
  ),
  curve: choiceField('breaker curve', BREAKER_CURVES),
  resetAt: textField('where it is reset'),
}).meta({ label: 'breaker' });

/** A cable by its size on either scale, and its length. */
const cable = groupField({
  awg: choiceField('wire size, AWG', AWG_SIZES).optional(),
  mm2: numberField({ label: 'wire size', unit: 'mm²' }, { above: 0, max: 400 }),
  metres: numberField({ label: 'length one way', unit: 'm' }, { above: 0, max: 200 }),
  bundles: numberField({ label: 'cables side by side', unit: 'cables' }, { above: 0, max: 8 }),
}).meta({ label: 'cable' });

const fuse = groupField({
  amps: numberField({ label: 'fuse size', unit: 'A' }, { above: 0, max: 2000 }).required(
    'is missing; give the size printed on the fuse',
  ),
  kind: choiceField('kind of fuse', FUSE_KINDS),
}).meta({ label: 'fuse' });

const cord = groupField({
  name: textField('name'),
  plugA: numberField({ label: 'plug rating', unit: 'A' }, { above: 0, max: LARGEST_BREAKER_A }),
  awg: choiceField('wire size', CORD_SIZES).optional(),
  mm2: numberField({ label: 'wire size', unit: 'mm²' }, { above: 0, max: 50 }),
  metres: numberField({ label: 'length', unit: 'm' }, { above: 0, max: 200 }),
}).meta({ label: 'plug and cord' });

const continuousW = quantityField(
  {
    label: 'continuous watts',
    unit: 'W',
    role: 'rating',
  },
  { min: 1, max: MOST_W },
);

const continuousVA = quantityField(
  {
    label: 'continuous VA',
    unit: 'VA',
    role: 'rating',
  },
  { min: 1, max: MOST_W },
);

const source = groupField({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inlet', 'generator', 'vehicle']),
  bus: referenceField('what it feeds', 'buses'),
  breaker: protection.optional().default(undefined),
  continuousW: continuousW.optional().default(undefined),
  continuousVA: continuousVA.optional().default(undefined),
  tiers: listField('surge tiers', tier).optional(),
  fuel: choiceField('fuel', ['petrol', 'diesel', 'lp-gas']).optional(),
  ecoThrottle: yesOrNo('eco throttle'),
  resetAt: textField('where it is reset'),
});

const efficiency = (label: string) =>
  quantityField({ label, unit: 'W per W', role: 'rating' }, { min: 0.3, max: 0.999 })
    .optional()
    .default(undefined);

const converter = groupField({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inverter', 'inverter-charger', 'dc-dc', 'charger']),
  from: referenceField('fed from', 'buses'),
  to: referenceField('feeds', 'buses'),
  passThroughFrom: referenceField('passes on from', 'buses').optional(),
  pole: choiceField('leg it feeds', ['l1', 'l2', 'both']).optional(),
  unitsInParallel: numberField({ label: 'units side by side', unit: 'units' }, { above: 0, max: 12 }),
  continuousW,
  continuousVA,
  tiers: listField('surge tiers', tier),
  recoveryS: numberField({ label: 'recovery time', unit: 's' }, { above: 0, max: 86_400 }),
  aboveTopTier: choiceField('above its highest tier', ['trips', 'folds-back', 'unknown']).optional(),
  ratedUpToC: numberField({ label: 'full rating up to', unit: '°C' }, { min: -20, max: 80 }),
  waveform: choiceField('waveform', ['sine', 'modified-sine']).optional(),
  idleW: quantityField({ label: 'idle draw', unit: 'W', role: 'rating' }, { min: 0, max: 1000 })
    .optional()
    .default(undefined),
  efficiencyPeak: efficiency('best efficiency'),
  efficiencyFull: efficiency('efficiency at full power'),
  canAssist: choiceField('assist', ['yes', 'no']).optional(),
  passThroughA: numberField({ label: 'transfer relay rating', unit: 'A' }, { above: 0, max: 1000 }),
  outputBreaker: protection.optional().default(undefined).meta({ label: 'output breaker' }),
  chargeA: numberField({ label: 'charge current', unit: 'A' }, { above: 0, max: 5000 }),
  cutOffV: numberField({ label: 'cut-off voltage', unit: 'V' }, { above: 0, max: 1000 }),
  resetAt: textField('where it is reset'),
});

const dischargeTier = groupField({
  amps: numberField({ label: 'discharge limit', unit: 'A' }, { above: 0, max: 100_000 }).required(
    'is missing; give its amps',
  ),
  seconds: numberField({ label: 'seconds', unit: 's' }, { above: 0, max: 86_400 }).required(
    'is missing; give its seconds',
  ),
});

const battery = groupField({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('connected to', 'buses'),
  chemistry: choiceField('chemistry', CHEMISTRIES).optional(),
  ampHours: quantityField({ label: 'amp-hours', unit: 'Ah', role: 'rating' }, { min: 1, max: 100_000 }),
  ratedHours: numberField(
    {
      label: 'hours of the rating',
      unit: 'h',
    },
    { min: 1, max: 200 },
  ),
  reservePercent: numberField({ label: 'reserve', unit: '%' }, { min: 0, max: 100 }),
  dischargeA: numberField({ label: 'continuous discharge', unit: 'A' }, { above: 0, max: 100_000 }),
  tiers: listField('discharge tiers', dischargeTier).optional(),
  ohms: numberField({ label: 'internal resistance', unit: 'ohm' }, { above: 0, max: 10 }),
  restV: quantityField(
    {
      label: 'open-circuit volts',
      unit: 'V',
      role: 'rating',
    },
    { min: 1, max: 1000 },
  )
    .optional()
    .default(undefined),
  cable: cable.optional().default(undefined).meta({ label: 'cable to the inverter' }),
  fuse: fuse.optional().default(undefined),
  sharesEvenly: yesOrNo('shares evenly'),
  cutOffV: numberField({ label: 'cut-off voltage', unit: 'V' }, { above: 0, max: 1000 }),
  resetAt: textField('where it is reset'),
});

const solar = groupField({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('connected to', 'buses'),
  stcW: quantityField({ label: 'rated watts', unit: 'W', role: 'rating' }, { min: 1, max: MOST_W }),
  chargerA: numberField({ label: 'charge controller', unit: 'A' }, { above: 0, max: 5000 }),
  tiltDegrees: numberField({ label: 'tilt', unit: 'degrees' }, { min: 0, max: 90 }),
});

const circuit = groupField({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('fed from', 'buses'),
  pole: choiceField('pole', ['l1', 'l2', 'both']).optional(),
  protection: protection.required('is missing; give its breaker'),
  cable: cable.optional().default(undefined),
  receptacleA: numberField({ label: 'receptacle rating', unit: 'A' }, { above: 0, max: LARGEST_BREAKER_A }),
  hasFreeOutlets: yesOrNo('free outlets'),
  sharesNeutralWith: referenceField('circuit it shares a neutral with', 'circuits').optional(),
});

const amps = (label: string, role: QuantityRole) =>
  quantityField({ label, unit: 'A', role }, { min: 0, max: 2000 }).optional().default(undefined);

const volts = numberField({ label: 'volts it was stated at', unit: 'V' }, { above: 0, max: 1000 });

const horsepower = numberField({ label: 'horsepower', unit: 'hp' }, { above: 0, max: 20 });

/** What a start follows from where its VA are not entered; the first that is given counts. */
const startFrom = groupField({
  inrushA: amps('inrush on the clamp', 'start'),
  baseA: amps('base load meanwhile', 'running'),
  lockedRotorA: amps('locked-rotor amps', 'start'),
  ratedLoadA: amps('rated-load amps', 'running'),
  codeLetter: choiceField('code letter', CODE_LETTERS).optional(),
  horsepower,
  volts,
}).meta({ label: 'what the start follows from' });

const softStarterFitted = groupField({
  remaining: quantityField(
    { label: 'start current that remains', unit: 'of 1', role: 'start' },
    { min: 0.1, max: 1 },
  )
    .optional()
    .default(undefined),
  rampS: quantityField({ label: 'ramp', unit: 's', role: 'seconds' }, { min: 0.1, max: 10 })
    .optional()
    .default(undefined),
  isLearning: yesOrNo('still learning'),
  isBypassed: yesOrNo('bypassed'),
}).meta({ label: 'soft starter' });

const start = groupField({
  va: quantityField(
    {
      label: 'start',
      unit: 'VA',
      role: 'start',
    },
    { min: 1, max: MOST_W },
  )
    .optional()
    .default(undefined),
  from: startFrom.optional().default(undefined),
  soft: softStarterFitted.optional().default(undefined),
  seconds: quantityField(
    {
      label: 'seconds of the start',
      unit: 's',
      role: 'seconds',
    },
    { min: 0.01, max: MOST_START_SECONDS },
  )
    .optional()
    .default(undefined),
  powerFactor: quantityField(
    { label: 'power factor at the start', unit: 'W per VA', role: 'start-power-factor' },
    { min: 0.05, max: 1 },
  )
    .optional()
    .default(undefined),
  softStarter: choiceField('soft starter', ['yes', 'no']).optional(),
  none: yesOrNo('no start at all'),
}).meta({ label: 'start' });

/** What running watts follow from where they are not entered; the first that is given counts. */
const runningFrom = groupField({
  amps: amps('running amps', 'running'),
  va: quantityField({ label: 'running VA', unit: 'VA', role: 'running' }, { min: 0, max: MOST_W })
    .optional()
    .default(undefined),
  horsepower,
  coolingW: quantityField(
    {
      label: 'cooling capacity',
      unit: 'W of heat',
      role: 'running',
    },
    { min: 1, max: MOST_W },
  )
    .optional()
    .default(undefined),
  coolingPerWatt: numberField({ label: 'cooling per watt', unit: 'heat per W' }, { above: 0.5, max: 10 }),
  cookingW: quantityField(
    {
      label: 'cooking power',
      unit: 'W',
      role: 'running',
    },
    { min: 1, max: MOST_W },
  )
    .optional()
    .default(undefined),
  chargeA: amps('charge current', 'running'),
  volts,
}).meta({ label: 'what the running power follows from' });

const part = groupField({
  id: idField('id'),
  name: textField('name'),
  kind: choiceField('kind', PART_KINDS),
  runningW: quantityField(
    {
      label: 'running power',
      unit: 'W',
      role: 'running',
    },
    { min: 0, max: MOST_W },
  )
    .optional()
    .default(undefined),
  runningFrom: runningFrom.optional().default(undefined),
  powerFactor: quantityField(
    { label: 'power factor', unit: 'W per VA', role: 'power-factor' },
    { min: 0.05, max: 1 },
  )
    .optional()
    .default(undefined),
  start: start.optional().default(undefined),
  bogs: yesOrNo('bogs down'),
});

const stateOfLoad = groupField({
  id: idField('id'),
  name: nameField('name'),
  works: choiceField('how it draws less', ['lower', 'pulses', 'unknown']).optional(),
  parts: listField(
    'parts in this state',
    groupField({
      part: ownReferenceField('part', 'parts'),
      share: numberField({ label: 'share of its running power', unit: 'of 1' }, { min: 0, max: 1 }).required(
        'is missing; give the share of its running power, 0 to 1',
      ),
    }),
    1,
  ),
});

const stage = groupField({
  state: ownReferenceField('state', 'states'),
  minutes: numberField({ label: 'minutes', unit: 'minutes' }, { above: 0, max: MINUTES_OF_A_MONTH }).required(
    'is missing; give its minutes',
  ),
});

const programme = groupField({
  stages: listField('stages', stage, 1),
  survivesBreakMinutes: numberField(
    { label: 'break it survives', unit: 'minutes' },
    { min: 0, max: MINUTES_OF_A_MONTH },
  ),
}).meta({ label: 'programme' });

const minutesOfACycle = (label: string) =>
  numberField({ label, unit: 'minutes' }, { above: 0, max: MINUTES_OF_A_MONTH }).required(
    'is missing; give its minutes',
  );

const cycling = groupField({
  onMinutes: minutesOfACycle('minutes it runs'),
  offMinutes: minutesOfACycle('minutes it rests'),
}).meta({ label: 'cycling' });

const quietHours = groupField({
  from: timeField('from'),
  to: timeField('to'),
}).meta({ label: 'quiet hours' });

const load = groupField({
  id: idField('id'),
  name: nameField('name'),
  circuit: referenceField('circuit', 'circuits'),
  usage: choiceField('use', ['left-on', 'by-itself', 'during-work']),
  runsMinutes: numberField(
    {
      label: 'minutes it usually runs',
      unit: 'minutes',
    },
    { above: 0, max: MINUTES_OF_A_MONTH },
  ),
  startsPerHour: numberField({ label: 'starts an hour', unit: 'starts' }, { min: 0, max: 600 }),
  cycling: cycling.optional().default(undefined),
  quietHours: quietHours.optional().default(undefined),
  cord: cord.optional().default(undefined),
  importance: choiceField('importance', ['must', 'should', 'may']).optional(),
  isProtected: choiceField('protected', ['yes', 'no']).optional(),
  neverOn: listField('supplies it is kept off', referenceField('supply', 'supplies')).optional(),
  otherFuel: textField('other fuel'),
  afterOutage: choiceField('when power comes back', ['restarts', 'stays-off']).optional(),
  restartWaitS: numberField({ label: 'restart wait', unit: 's' }, { min: 0, max: 3600 }),
  ratedHertz: numberField({ label: 'frequency on its nameplate', unit: 'Hz' }, { above: 0, max: 400 }),
  dependsOnIt: choiceField('who depends on it', ['medical', 'animals']).optional(),
  parts: listField('parts', part, 1),
  states: listField('states', stateOfLoad).optional(),
  programme: programme.optional().default(undefined),
});

const tie = groupField({
  follower: referenceField('load that follows', 'loads'),
  leader: referenceField('load it starts with', 'loads'),
  delayS: numberField({ label: 'delay', unit: 's' }, { min: 0, max: 3600 }).required(
    'is missing; give its seconds',
  ),
  runOnS: numberField({ label: 'run-on', unit: 's' }, { min: 0, max: 3600 }),
});

const lock = groupField({
  name: nameField('name'),
  loads: listField('loads of which one runs at a time', referenceField('load', 'loads'), 2),
});

const shedder = groupField({
  name: nameField('name'),
  drops: referenceField('load it drops', 'loads'),
  watches: referenceField('load it watches', 'loads'),
  leadsStart: yesOrNo('drops it before the start'),
});

/** Of a kWh, in whatever currency. */
const LARGEST_PRICE = 1_000_000;

const supply = groupField({
  id: idField('id'),
  name: nameField('name'),
  sources: listField('connected sources', referenceField('source', 'sources')),
  breaker: protection.optional().default(undefined).meta({ label: 'source breaker' }),
  cords: listField('cords and adapters', cord).optional(),
  otherLoadsA: quantityField(
    {
      label: 'other loads on that breaker',
      unit: 'A',
      role: 'running',
    },
    { min: 0, max: LARGEST_BREAKER_A },
  )
    .optional()
    .default(undefined),
  pricePerKWh: numberField({ label: 'price', unit: 'per kWh' }, { min: 0, max: LARGEST_PRICE }),
  inputLimitA: numberField(
    {
      label: 'input limit',
      unit: 'A',
    },
    { above: 0, max: 1000 },
  ),
  assist: choiceField('assist', ['on', 'off']).optional(),
  whoCarriesStart: choiceField('who carries a start', ['unknown', 'inverter', 'shared']).optional(),
  charging: choiceField('charging', ['on', 'off']).optional(),
  legs: choiceField('legs', ['opposed', 'in-phase', 'wye-208']).optional(),
  volts: quantityField(
    {
      label: 'volts at the inlet',
      unit: 'V',
      role: 'running',
    },
    { min: 50, max: 300 },
  )
    .optional()
    .default(undefined),
  sourceOhms: quantityField(
    {
      label: 'source resistance',
      unit: 'ohm',
      role: 'running',
    },
    { min: 0, max: 10 },
  )
    .optional()
    .default(undefined),
});

const scene = groupField({
  id: idField('id'),
  name: nameField('name'),
  supply: referenceField('supply', 'supplies'),
  startOrder: choiceField('order of the starts', ['best', 'given', 'any']).optional(),
  on: listField(
    'loads that are on',
    groupField({
      load: referenceField('load', 'loads'),
      state: idField('state').optional(),
      heldOff: yesOrNo('held off until it is its turn'),
      offAtRestartOf: listField(
        'tools before whose restart it is off',
        referenceField('tool', 'loads'),
      ).optional(),
    }),
  ),
  charge: groupField({
    percent: numberField({ label: 'charge', unit: '%' }, { min: 0, max: 100 }).required(
      'is missing; give the charge',
    ),
    readAt: textField('time of the reading').required('is missing; give the time of the reading'),
  })
    .optional()
    .default(undefined)
    .meta({ label: 'charge reading' }),
});

const conditions = groupField({
  inverterC: numberField({ label: 'where the inverter is', unit: '°C' }, { min: -40, max: 90 }),
  panelC: numberField({ label: 'where the breakers are', unit: '°C' }, { min: -40, max: 90 }),
  batteryC: numberField({ label: 'where the battery is', unit: '°C' }, { min: -40, max: 90 }),
  outdoorC: numberField({ label: 'outdoors', unit: '°C' }, { min: -40, max: 60 }),
  altitudeM: numberField({ label: 'altitude', unit: 'm' }, { min: -450, max: 6000 }),
}).meta({ label: 'surroundings' });

/** Where practitioners differ, and which school this rig follows. */
const practice = groupField({
  continuousRule: choiceField('80 % for three hours and more', ['kept', 'left-out']).optional(),
  ampacity: choiceField('cable ampacity by', ['nec', 'abyc', 'iec']).optional(),
  twelveVoltAdvice: choiceField('12 V and 1 kW', ['advise', 'leave-out']).optional(),
  losses: choiceField('conversion losses', ['on-the-battery', 'on-the-inverter-too']).optional(),
}).meta({ label: 'practice' });

export const rigSchema = groupField({
  format: constantField('format', RIG_FORMAT),
  version: constantField('version', RIG_VERSION),
  id: idField('id'),
  name: nameField('name'),
  note: textField('note'),
  savedBy: textField('saved by'),
  currency: textField('currency'),
  conditions: conditions.optional().default(undefined),
  practice: practice.optional().default(undefined),
  known: listField('contradictions you know of', textField('contradiction').defined()).optional(),
  buses: listField('buses', bus, 1),
  sources: listField('sources', source),
  converters: listField('inverters', converter),
  batteries: listField('batteries', battery),
  solar: listField('solar', solar).optional(),
  circuits: listField('circuits', circuit, 1),
  loads: listField('loads', load),
  ties: listField('ties', tie).optional(),
  locks: listField('locks', lock).optional(),
  shedders: listField('shedders', shedder).optional(),
  supplies: listField('supplies', supply, 1),
  scenes: listField('scenes', scene, 1),
  days: listField('days', dayFields).optional(),
  /** As it lies in the file: the logbook reads it, test by test (logbook/log-test.ts). */
  logbook: listField('tests', groupField({ id: idField('id') })).optional(),
}).typeError('must be a rig: an object in curly brackets');

export type Rig = InferType<typeof rigSchema>;
export type Bus = Rig['buses'][number];
export type Source = Rig['sources'][number];
export type Tier = Rig['converters'][number]['tiers'][number];
export type Converter = Rig['converters'][number];
export type Battery = Rig['batteries'][number];
export type Circuit = Rig['circuits'][number];
export type Protection = Circuit['protection'];
export type Load = Rig['loads'][number];
export type Part = Load['parts'][number];
export type Cord = NonNullable<Load['cord']>;
export type Start = NonNullable<Part['start']>;
export type Supply = Rig['supplies'][number];
export type Scene = Rig['scenes'][number];
export type Day = NonNullable<Rig['days']>[number];
export type Job = Day['jobs'][number];
export type Placement = NonNullable<Day['plan']>[number];
export type Cable = NonNullable<Circuit['cable']>;
export type RunningFrom = NonNullable<Part['runningFrom']>;
export type StartFrom = NonNullable<Start['from']>;
export type SoftStarter = NonNullable<Start['soft']>;
export type Conditions = NonNullable<Rig['conditions']>;
