import { object, type InferType } from 'yup';
import { BREAKER_CURVES, CONTINUOUS_MINUTES, LARGEST_BREAKER_A } from '../reference/breaker-curves.js';
import { CORD_SIZES } from '../reference/cord-ampacity.js';
import { PART_KINDS } from '../reference/kinds-of-parts.js';
import {
  choiceField,
  constantField,
  idField,
  listField,
  nameField,
  numberField,
  quantityField,
  referenceField,
  textField,
} from './fields.js';

/**
 * The field table of the rig file: the one description of what a rig is. Types, checks,
 * messages and key order all come from here.
 */
export const RIG_FORMAT = 'heliarch-rig';
export const RIG_VERSION = 1;

const MOST_W = 100_000;
const MOST_START_SECONDS = 120;
const MINUTES_OF_A_MONTH = 43_200;

const bus = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['ac', 'dc']),
  volts: numberField({ label: 'nominal volts', unit: 'V' }, { above: 0, max: 1000 }).required(
    'is missing; give its nominal volts',
  ),
  hertz: numberField({ label: 'frequency', unit: 'Hz' }, { above: 0, max: 400 }),
  poles: choiceField('poles', ['single', 'split-180', 'two-poles-in-phase']).optional(),
  sharedNeutral: choiceField('shared neutral', ['yes', 'no', 'unknown']).optional(),
}).strict();

const tier = object({
  limit: quantityField(
    {
      label: 'surge limit',
      unit: 'VA',
      role: 'rating',
      help: 'How much it carries for a short time. From its data sheet.',
    },
    { min: 1, max: MOST_W },
  ),
  unit: choiceField('unit', ['VA']),
  seconds: numberField({ label: 'seconds', unit: 's' }, { above: 0, max: 86_400 }).required(
    'is missing; give its seconds',
  ),
}).strict();

const protection = object({
  amps: numberField({ label: 'breaker size', unit: 'A' }, { above: 0, max: LARGEST_BREAKER_A }).required(
    'is missing; give the size printed on the breaker',
  ),
  curve: choiceField('breaker curve', BREAKER_CURVES),
  resetAt: textField('where it is reset'),
})
  .strict()
  .meta({ label: 'breaker' });

const cord = object({
  name: textField('name'),
  plugA: numberField(
    { label: 'plug rating', unit: 'A', help: 'The smallest plug, receptacle or adapter on this cord.' },
    { above: 0, max: LARGEST_BREAKER_A },
  ),
  awg: choiceField(
    'wire size',
    CORD_SIZES,
    'Printed on the jacket. A smaller number is a thicker wire.',
  ).optional(),
})
  .strict()
  .meta({ label: 'plug and cord' });

const continuousW = quantityField(
  {
    label: 'continuous watts',
    unit: 'W',
    role: 'rating',
    help: 'What it carries for hours. From its data sheet.',
  },
  { min: 1, max: MOST_W },
);

const continuousVA = quantityField(
  {
    label: 'continuous VA',
    unit: 'VA',
    role: 'rating',
    help: 'What it carries for hours, as apparent power.',
  },
  { min: 1, max: MOST_W },
);

const source = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inlet', 'generator', 'vehicle']),
  bus: referenceField('bus it feeds', 'buses'),
  breaker: protection.optional().default(undefined),
  continuousW: continuousW.optional().default(undefined),
  continuousVA: continuousVA.optional().default(undefined),
  tiers: listField('surge tiers', tier).optional(),
  resetAt: textField('where it is reset'),
}).strict();

const efficiency = (label: string) =>
  quantityField({ label, unit: 'W per W', role: 'rating' }, { min: 0.3, max: 0.999 })
    .optional()
    .default(undefined);

const converter = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inverter', 'inverter-charger', 'dc-dc', 'charger']),
  from: referenceField('input bus', 'buses'),
  to: referenceField('output bus', 'buses'),
  passThroughFrom: referenceField('bus passed through', 'buses').optional(),
  continuousW,
  continuousVA,
  tiers: listField('surge tiers', tier),
  recoveryS: numberField({ label: 'recovery time', unit: 's' }, { above: 0, max: 86_400 }),
  waveform: choiceField('waveform', ['sine', 'modified-sine']).optional(),
  idleW: quantityField({ label: 'idle draw', unit: 'W', role: 'rating' }, { min: 0, max: 1000 })
    .optional()
    .default(undefined),
  efficiencyPeak: efficiency('best efficiency'),
  efficiencyFull: efficiency('efficiency at full power'),
  canAssist: choiceField(
    'assist',
    ['yes', 'no'],
    'Whether it adds battery power to shore or generator while both are on.',
  ).optional(),
  passThroughA: numberField({ label: 'transfer relay rating', unit: 'A' }, { above: 0, max: 1000 }),
  outputBreaker: protection.optional().default(undefined).meta({ label: 'output breaker' }),
  chargeA: numberField({ label: 'charge current', unit: 'A' }, { above: 0, max: 5000 }),
  cutOffV: numberField({ label: 'cut-off voltage', unit: 'V' }, { above: 0, max: 1000 }),
  resetAt: textField('where it is reset'),
}).strict();

const dischargeTier = object({
  amps: numberField({ label: 'discharge limit', unit: 'A' }, { above: 0, max: 100_000 }).required(
    'is missing; give its amps',
  ),
  seconds: numberField({ label: 'seconds', unit: 's' }, { above: 0, max: 86_400 }).required(
    'is missing; give its seconds',
  ),
}).strict();

const battery = object({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('DC bus', 'buses'),
  chemistry: choiceField('chemistry', ['lfp', 'agm', 'gel', 'flooded']).optional(),
  ampHours: quantityField({ label: 'amp-hours', unit: 'Ah', role: 'rating' }, { min: 1, max: 100_000 }),
  reservePercent: numberField({ label: 'reserve', unit: '%' }, { min: 0, max: 100 }),
  dischargeA: numberField({ label: 'continuous discharge', unit: 'A' }, { above: 0, max: 100_000 }),
  tiers: listField('discharge tiers', dischargeTier).optional(),
  ohms: numberField({ label: 'internal resistance', unit: 'ohm' }, { above: 0, max: 10 }),
  cutOffV: numberField({ label: 'cut-off voltage', unit: 'V' }, { above: 0, max: 1000 }),
  resetAt: textField('where it is reset'),
}).strict();

const solar = object({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('DC bus', 'buses'),
  stcW: quantityField({ label: 'rated watts', unit: 'W', role: 'rating' }, { min: 1, max: MOST_W }),
  chargerA: numberField({ label: 'charge controller', unit: 'A' }, { above: 0, max: 5000 }),
  tiltDegrees: numberField({ label: 'tilt', unit: 'degrees' }, { min: 0, max: 90 }),
}).strict();

const circuit = object({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('bus', 'buses'),
  pole: choiceField('pole', ['l1', 'l2', 'both']).optional(),
  protection: protection.required('is missing; give its breaker'),
}).strict();

const start = object({
  va: quantityField(
    {
      label: 'start',
      unit: 'VA',
      role: 'start',
      help: 'The highest of five starts on a clamp meter, times the volts.',
    },
    { min: 1, max: MOST_W },
  ),
  seconds: quantityField(
    {
      label: 'seconds of the start',
      unit: 's',
      role: 'seconds',
      help: 'How long it draws that much.',
    },
    { min: 0.01, max: MOST_START_SECONDS },
  ),
  powerFactor: quantityField(
    { label: 'power factor at the start', unit: 'W per VA', role: 'start-power-factor' },
    { min: 0.05, max: 1 },
  )
    .optional()
    .default(undefined),
  softStarter: choiceField('soft starter', ['yes', 'no']).optional(),
})
  .strict()
  .meta({ label: 'start' });

const part = object({
  id: idField('id'),
  name: textField('name'),
  kind: choiceField('kind', PART_KINDS),
  runningW: quantityField(
    {
      label: 'running power',
      unit: 'W',
      role: 'running',
      help: 'What it draws once it runs. A plug-in meter shows it.',
    },
    { min: 0, max: MOST_W },
  ),
  powerFactor: quantityField(
    { label: 'power factor', unit: 'W per VA', role: 'power-factor' },
    { min: 0.05, max: 1 },
  )
    .optional()
    .default(undefined),
  start: start.optional().default(undefined),
}).strict();

const stateOfLoad = object({
  id: idField('id'),
  name: nameField('name'),
  parts: listField(
    'parts in this state',
    object({
      part: idField('part'),
      share: numberField({ label: 'share of its running power', unit: 'of 1' }, { min: 0, max: 1 }).required(
        'is missing; give the share of its running power, 0 to 1',
      ),
    }).strict(),
    1,
  ),
}).strict();

const stage = object({
  state: idField('state'),
  minutes: numberField({ label: 'minutes', unit: 'minutes' }, { above: 0, max: MINUTES_OF_A_MONTH }).required(
    'is missing; give its minutes',
  ),
}).strict();

const programme = object({
  stages: listField('stages', stage, 1),
  survivesBreakMinutes: numberField(
    { label: 'break it survives', unit: 'minutes' },
    { min: 0, max: MINUTES_OF_A_MONTH },
  ),
})
  .strict()
  .meta({ label: 'programme' });

const load = object({
  id: idField('id'),
  name: nameField('name'),
  circuit: referenceField('circuit', 'circuits'),
  usage: choiceField(
    'use',
    ['left-on', 'by-itself', 'during-work'],
    'Left on; starts by itself (thermostat, pressure switch); or switched again and again during work.',
  ),
  runsMinutes: numberField(
    {
      label: 'minutes it usually runs',
      unit: 'minutes',
      help: `From ${CONTINUOUS_MINUTES} minutes on it counts as continuous.`,
    },
    { above: 0, max: MINUTES_OF_A_MONTH },
  ),
  cord: cord.optional().default(undefined),
  importance: choiceField('importance', ['must', 'should', 'may']).optional(),
  isProtected: choiceField('protected', ['yes', 'no'], 'Never to be switched off to make room.').optional(),
  neverOn: listField('supplies it is kept off', referenceField('supply', 'supplies')).optional(),
  otherFuel: textField('other fuel'),
  parts: listField('parts', part, 1),
  states: listField('states', stateOfLoad).optional(),
  programme: programme.optional().default(undefined),
}).strict();

const tie = object({
  follower: referenceField('load that follows', 'loads'),
  leader: referenceField('load it starts with', 'loads'),
  delayS: numberField({ label: 'delay', unit: 's' }, { min: 0, max: 3600 }).required(
    'is missing; give its seconds',
  ),
  runOnS: numberField({ label: 'run-on', unit: 's' }, { min: 0, max: 3600 }),
}).strict();

const lock = object({
  name: nameField('name'),
  loads: listField('loads of which one runs at a time', referenceField('load', 'loads'), 2),
}).strict();

const shedder = object({
  name: nameField('name'),
  drops: referenceField('load it drops', 'loads'),
  watches: referenceField('load it watches', 'loads'),
}).strict();

const supply = object({
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
      help: 'What the same breaker feeds besides you.',
    },
    { min: 0, max: LARGEST_BREAKER_A },
  )
    .optional()
    .default(undefined),
  inputLimitA: numberField(
    {
      label: 'input limit',
      unit: 'A',
      help: 'Set on the inverter/charger: how much it takes from this source at most.',
    },
    { above: 0, max: 1000 },
  ),
  assist: choiceField('assist', ['on', 'off']).optional(),
  whoCarriesStart: choiceField(
    'who carries a start',
    ['unknown', 'inverter', 'shared'],
    'Shared only if the data sheet says so, or three starts on this hookup have shown it.',
  ).optional(),
  charging: choiceField('charging', ['on', 'off']).optional(),
}).strict();

const scene = object({
  id: idField('id'),
  name: nameField('name'),
  supply: referenceField('supply', 'supplies'),
  on: listField(
    'loads that are on',
    object({ load: referenceField('load', 'loads'), state: idField('state').optional() }).strict(),
  ),
  charge: object({
    percent: numberField({ label: 'charge', unit: '%' }, { min: 0, max: 100 }).required(
      'is missing; give the charge',
    ),
    readAt: textField('time of the reading').required('is missing; give the time of the reading'),
  })
    .strict()
    .optional()
    .default(undefined)
    .meta({ label: 'charge reading' }),
}).strict();

export const rigSchema = object({
  format: constantField('format', RIG_FORMAT),
  version: constantField('version', RIG_VERSION),
  id: idField('id'),
  name: nameField('name'),
  note: textField('note'),
  savedBy: textField('saved by'),
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
})
  .strict()
  .typeError('must be a rig: an object in curly brackets');

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
