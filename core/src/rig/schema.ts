import { object, type InferType } from 'yup';
import { BREAKER_CURVES, CONTINUOUS_MINUTES, LARGEST_BREAKER_A } from '../reference/breaker-curves.js';
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
 * The field table of the rig file, version 0: the one description of what a rig is. Types, checks,
 * messages and key order all come from here.
 */
export const RIG_FORMAT = 'heliarch-rig';
export const RIG_VERSION = 0;

const MOST_W = 100_000;
const MOST_START_SECONDS = 120;
const MINUTES_OF_A_MONTH = 43_200;

const bus = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['ac', 'dc']),
  volts: numberField({ label: 'nominal volts', unit: 'V' }, 0, 1000).required(
    'is missing; give its nominal volts',
  ),
  hertz: numberField({ label: 'frequency', unit: 'Hz' }, 0, 400),
}).strict();

const source = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inlet', 'generator']),
  bus: referenceField('bus it feeds', 'buses'),
}).strict();

const tier = object({
  limit: quantityField(
    {
      label: 'surge limit',
      unit: 'VA',
      role: 'rating',
      help: 'How much the inverter carries for a short time. From its data sheet.',
    },
    { min: 1, max: MOST_W },
  ),
  unit: choiceField('unit', ['VA']),
  seconds: numberField({ label: 'seconds', unit: 's' }, 0, 86_400).required('is missing; give its seconds'),
}).strict();

const converter = object({
  id: idField('id'),
  name: nameField('name'),
  kind: choiceField('kind', ['inverter', 'inverter-charger']),
  from: referenceField('DC bus', 'buses'),
  to: referenceField('output bus', 'buses'),
  passThroughFrom: referenceField('bus passed through', 'buses').notRequired(),
  continuousW: quantityField(
    {
      label: 'continuous watts',
      unit: 'W',
      role: 'rating',
      help: 'What it carries for hours. From its data sheet.',
    },
    { min: 1, max: MOST_W },
  ),
  continuousVA: quantityField(
    {
      label: 'continuous VA',
      unit: 'VA',
      role: 'rating',
      help: 'What it carries for hours, as apparent power.',
    },
    { min: 1, max: MOST_W },
  ),
  tiers: listField('surge tiers', tier),
  recoveryS: numberField({ label: 'recovery time', unit: 's' }, 0, 86_400),
  resetAt: textField('where it is reset'),
}).strict();

const battery = object({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('DC bus', 'buses'),
  ampHours: quantityField({ label: 'amp-hours', unit: 'Ah', role: 'rating' }, { min: 1, max: 100_000 }),
}).strict();

const protection = object({
  amps: numberField({ label: 'breaker size', unit: 'A' }, 0, LARGEST_BREAKER_A).required(
    'is missing; give the size printed on the breaker',
  ),
  curve: choiceField('breaker curve', BREAKER_CURVES),
  resetAt: textField('where it is reset'),
})
  .strict()
  .meta({ label: 'breaker' });

const circuit = object({
  id: idField('id'),
  name: nameField('name'),
  bus: referenceField('bus', 'buses'),
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
    { label: 'seconds of the start', unit: 's', role: 'seconds', help: 'How long it draws that much.' },
    { min: 0.01, max: MOST_START_SECONDS },
  ),
  powerFactor: quantityField(
    { label: 'power factor at the start', unit: 'W per VA', role: 'start-power-factor' },
    { min: 0.05, max: 1 },
  )
    .optional()
    .default(undefined),
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
    0,
    MINUTES_OF_A_MONTH,
  ),
  parts: listField('parts', part, 1),
}).strict();

const supply = object({
  id: idField('id'),
  name: nameField('name'),
  sources: listField('connected sources', referenceField('source', 'sources')),
  breaker: protection.optional().default(undefined).meta({ label: 'source breaker' }),
}).strict();

const scene = object({
  id: idField('id'),
  name: nameField('name'),
  supply: referenceField('supply', 'supplies'),
  on: listField('loads that are on', object({ load: referenceField('load', 'loads') }).strict()),
}).strict();

export const rigSchema = object({
  format: constantField('format', RIG_FORMAT),
  version: constantField('version', RIG_VERSION),
  id: idField('id'),
  name: nameField('name'),
  note: textField('note'),
  buses: listField('buses', bus, 1),
  sources: listField('sources', source),
  converters: listField('inverters', converter),
  batteries: listField('batteries', battery),
  circuits: listField('circuits', circuit, 1),
  loads: listField('loads', load),
  supplies: listField('supplies', supply, 1),
  scenes: listField('scenes', scene, 1),
})
  .strict()
  .typeError('must be a rig: an object in curly brackets');

export type Rig = InferType<typeof rigSchema>;
export type Bus = Rig['buses'][number];
export type Source = Rig['sources'][number];
export type Converter = Rig['converters'][number];
export type Circuit = Rig['circuits'][number];
export type Protection = Circuit['protection'];
export type Load = Rig['loads'][number];
export type Part = Load['parts'][number];
export type Start = NonNullable<Part['start']>;
export type Supply = Rig['supplies'][number];
export type Scene = Rig['scenes'][number];
