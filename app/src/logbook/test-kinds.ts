import { TEST_KINDS, type ReadingRole, type TestKind } from '@heliarch/core/logbook';

/** What is read in a test of a kind, and what single readings may stand for. */
export interface KindOfTest {
  readonly name: string;
  /** What it answers, for whoever chooses. */
  readonly answers: string;
  readonly columns: readonly ReadingColumn[];
  readonly roles: readonly ReadingRole[];
  readonly needsLoad: boolean;
  readonly needsSupply: boolean;
}

export type ReadingColumn = 'watts' | 'percent' | 'wattHours' | 'volts' | 'amps' | 'seconds' | 'celsius';

const BASES: readonly ReadingRole[] = ['base-before', 'base-after'];

export const KINDS: Readonly<Record<TestKind, KindOfTest>> = {
  'run-down': {
    name: 'Run-down',
    answers: 'How long does the battery carry it?',
    columns: ['watts', 'percent', 'wattHours', 'volts', 'amps'],
    roles: BASES,
    needsLoad: true,
    needsSupply: true,
  },
  cycling: {
    name: 'Cycling load',
    answers: 'How often and how long does it run?',
    columns: ['watts', 'wattHours', 'celsius'],
    roles: BASES,
    needsLoad: true,
    needsSupply: false,
  },
  start: {
    name: 'Start with a clamp',
    answers: 'How large is its start?',
    columns: ['amps', 'seconds', 'watts'],
    roles: ['base-before', 'start', 'base-after'],
    needsLoad: true,
    needsSupply: false,
  },
  charge: {
    name: 'Charge',
    answers: 'When is the battery full?',
    columns: ['percent', 'amps', 'volts'],
    roles: [],
    needsLoad: false,
    needsSupply: true,
  },
  efficiency: {
    name: 'Efficiency',
    answers: 'What does the inverter lose?',
    columns: ['watts', 'volts', 'amps'],
    roles: [],
    needsLoad: true,
    needsSupply: false,
  },
  arrival: {
    name: 'Arrival',
    answers: 'How strong is the hookup?',
    columns: ['volts', 'amps'],
    roles: ['little-on', 'much-on', 'warm'],
    needsLoad: false,
    needsSupply: true,
  },
  dish: {
    name: 'One dish',
    answers: 'What does it take to cook it?',
    columns: ['wattHours', 'watts', 'celsius'],
    roles: BASES,
    needsLoad: true,
    needsSupply: false,
  },
  trip: {
    name: 'Trip',
    answers: 'Why did it go dark?',
    columns: [],
    roles: [],
    needsLoad: false,
    needsSupply: true,
  },
};

/** Kinds that a meter's log can be of. */
export const LOG_KINDS = TEST_KINDS.filter((id) => KINDS[id].columns.includes('watts') || id === 'charge');

export const ROLE_NAMES: Readonly<Record<ReadingRole, string>> = {
  'base-before': 'Base before',
  'base-after': 'Base after',
  start: 'A start',
  'little-on': 'Little on',
  'much-on': 'Much on',
  warm: 'Warm',
};

interface ColumnWords {
  readonly name: string;
  readonly unit: string;
}

/** What is written in a column, by the meter it is read on. */
export function columnWords(column: ReadingColumn, kind: TestKind): ColumnWords {
  const place = kind === 'arrival' ? 'inlet' : kind === 'start' ? 'clamp' : 'battery';
  const words: Readonly<Record<ReadingColumn, ColumnWords>> = {
    watts: { name: 'Watts, meter', unit: 'W' },
    percent: { name: 'Charge as shown', unit: '%' },
    wattHours: { name: 'Counter', unit: 'Wh' },
    volts: { name: `Volts, ${place}`, unit: 'V' },
    amps: { name: `Amps, ${place}`, unit: 'A' },
    seconds: { name: 'It lasted', unit: 's' },
    celsius: { name: 'Temperature', unit: '°C' },
  };
  return words[column];
}
