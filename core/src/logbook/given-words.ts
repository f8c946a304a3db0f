import type { GivenNumber } from './give/given-numbers.js';
import type { NumberChange } from './give/use-number.js';
import { formatNumber } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import type { Rig } from '../rig-file/schema.js';

/** A number that a test gives, as two columns: what the rig has, and what was measured. */
export interface GivenWords {
  readonly what: string;
  readonly before: string;
  readonly after: string;
  readonly half: string;
  readonly unit: string;
  /** What is missing before it counts. */
  readonly provisional: string;
}

const DECIMALS: Readonly<Record<NumberChange['unit'], number>> = {
  W: 0,
  VA: 0,
  Ah: 0,
  '%': 1,
  ohm: 3,
  minutes: 0,
};

const PROVISIONAL: Readonly<Record<NonNullable<GivenNumber['provisional']>, string>> = {
  'base-after': 'Provisional until the base after is read.',
  'more-cycles': 'Provisional until three whole cycles are read.',
  'more-starts': 'Provisional until three starts agree.',
};

export function givenWords(
  style: NumberStyle,
  rig: Rig,
  given: GivenNumber,
  { before, after, unit }: NumberChange,
): GivenWords {
  const number = (value: number): string => formatNumber(style, value, DECIMALS[unit]);
  return {
    what: whatOf(rig, given),
    before: before ? number(before.value) : '–',
    after: number(after.value),
    half: after.half === undefined ? '' : `± ${number(after.half)}`,
    unit,
    provisional: given.provisional ? PROVISIONAL[given.provisional] : '',
  };
}

function whatOf(rig: Rig, given: GivenNumber): string {
  const nameOf = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
    list.find((each) => each.id === id)?.name ?? id;
  switch (given.kind) {
    case 'running':
      return `${nameOf(rig.loads, given.load)}, running${partOf(rig, given)}`;
    case 'start':
      return `${nameOf(rig.loads, given.load)}, start${partOf(rig, given)}`;
    case 'cycling':
      return `${nameOf(rig.loads, given.load)}, share of the time it runs`;
    case 'minutes':
      return `${nameOf(rig.loads, given.load)}, minutes it usually runs`;
    case 'efficiency':
      return `${nameOf(rig.converters, given.converter)}, best efficiency`;
    case 'capacity':
      return `${nameOf(rig.batteries, given.battery)}, amp-hours`;
    case 'idle':
      return `${nameOf(rig.converters, given.converter)}, idle draw`;
    case 'source':
      return `${nameOf(rig.supplies, given.supply)}, source resistance`;
  }
}

function partOf(rig: Rig, { load, part }: { readonly load: string; readonly part: string }): string {
  const parts = rig.loads.find(({ id }) => id === load)?.parts ?? [];
  return parts.length > 1 ? `, ${parts.find(({ id }) => id === part)?.name ?? part}` : '';
}
