import type { Basis, Quantity } from '../../units/quantity.js';
import { partNumber } from '../../loads/part-numbers.js';
import { PERCENT } from '../../units/conversion-factors.js';
import { withArrivalTest, withPartNumber } from '../../rig/edits.js';
import type { Converter, Load, Rig } from '../../rig-file/schema.js';
import type { GivenNumber } from './given-numbers.js';

/** The rig with a measured number in the place of what it had. */
export function withGiven(rig: Rig, given: GivenNumber): Rig {
  switch (given.kind) {
    case 'running':
      return withPartNumber(rig, given.load, given.part, 'running', given.quantity);
    case 'start': {
      const started = withPartNumber(rig, given.load, given.part, 'start', given.quantity);
      return given.seconds
        ? withPartNumber(started, given.load, given.part, 'seconds', given.seconds)
        : started;
    }
    case 'cycling': {
      const { onMinutes, offMinutes } = given;
      return withLoadChanged(rig, given.load, (load) => ({ ...load, cycling: { onMinutes, offMinutes } }));
    }
    case 'minutes':
      return withLoadChanged(rig, given.load, (load) => ({ ...load, runsMinutes: given.minutes }));
    case 'efficiency':
      return withConverterChanged(rig, given.converter, (converter) => ({
        ...converter,
        efficiencyPeak: given.peak,
        ...(given.full && { efficiencyFull: given.full }),
      }));
    case 'capacity':
      return {
        ...rig,
        batteries: rig.batteries.map((battery) =>
          battery.id === given.battery ? { ...battery, ampHours: given.quantity } : battery,
        ),
      };
    case 'idle':
      return withConverterChanged(rig, given.converter, (converter) => ({
        ...converter,
        idleW: given.quantity,
      }));
    case 'source':
      return withArrivalTest(rig, given.supply, given);
  }
}

/** What one test can be used for, told apart from all others: the same for every test of that number. */
export function targetOf(given: GivenNumber): string {
  switch (given.kind) {
    case 'running':
    case 'start':
      return `loads/${given.load}/${given.part}/${given.kind}`;
    case 'cycling':
    case 'minutes':
      return `loads/${given.load}/${given.kind}`;
    case 'efficiency':
    case 'idle':
      return `converters/${given.converter}/${given.kind}`;
    case 'capacity':
      return `batteries/${given.battery}/capacity`;
    case 'source':
      return sourceTarget(given.supply);
  }
}

export const sourceTarget = (supply: string): string => `supplies/${supply}/source`;

/** A number before it is replaced, and what it would be. */
export interface NumberChange {
  readonly before: { readonly value: number; readonly basis: Basis | undefined } | undefined;
  readonly after: { readonly value: number; readonly half: number | undefined };
  readonly unit: 'W' | 'VA' | 'Ah' | '%' | 'ohm' | 'minutes';
}

/** What using a number changes: for a list of two columns. Of a cycle the share of the time it runs. */
export function changeOf(rig: Rig, given: GivenNumber): NumberChange {
  switch (given.kind) {
    case 'running':
      return { ...runningBefore(rig, given), after: measured(given.quantity), unit: 'W' };
    case 'start':
      return { ...startBefore(rig, given), after: measured(given.quantity), unit: 'VA' };
    case 'cycling':
      return { before: cyclingBefore(rig, given.load), after: plain(share(given)), unit: '%' };
    case 'minutes':
      return { before: minutesBefore(rig, given.load), after: plain(given.minutes), unit: 'minutes' };
    case 'efficiency':
      return efficiencyChange(rig, given);
    case 'idle': {
      const before = rig.converters.find(({ id }) => id === given.converter)?.idleW;
      return { before: known(before), after: measured(given.quantity), unit: 'W' };
    }
    case 'capacity': {
      const before = rig.batteries.find(({ id }) => id === given.battery)?.ampHours;
      return { before: known(before), after: measured(given.quantity), unit: 'Ah' };
    }
    case 'source': {
      const before = rig.supplies.find(({ id }) => id === given.supply)?.sourceOhms;
      return { before: known(before), after: plain(given.ohms), unit: 'ohm' };
    }
  }
}

/** A number that says nothing of how it is known. */
const plain = (value: number) => ({ value, basis: undefined, half: undefined });

function cyclingBefore(rig: Rig, load: string): NumberChange['before'] {
  const before = loadIn(rig, load)?.cycling;
  return before && plain(share(before));
}

function minutesBefore(rig: Rig, load: string): NumberChange['before'] {
  const before = loadIn(rig, load)?.runsMinutes;
  return before === undefined ? undefined : plain(before);
}

function startBefore(
  rig: Rig,
  { load: loadId, part: partId }: { readonly load: string; readonly part: string },
): Pick<NumberChange, 'before'> {
  const load = loadIn(rig, loadId);
  const part = load?.parts.find(({ id }) => id === partId);
  return { before: load && part ? known(partNumber(rig, load, part, 'start')) : undefined };
}

function efficiencyChange(
  rig: Rig,
  { converter, peak }: { readonly converter: string; readonly peak: Quantity },
): NumberChange {
  const before = rig.converters.find(({ id }) => id === converter)?.efficiencyPeak;
  return {
    before: before && { value: PERCENT * before.value, basis: before.basis },
    after: { value: PERCENT * peak.value, half: peak.plus === undefined ? undefined : PERCENT * peak.plus },
    unit: '%',
  };
}

function runningBefore(
  rig: Rig,
  { load: loadId, part: partId }: { readonly load: string; readonly part: string },
): Pick<NumberChange, 'before'> {
  const load = loadIn(rig, loadId);
  const part = load?.parts.find(({ id }) => id === partId);
  return { before: load && part ? known(partNumber(rig, load, part, 'running')) : undefined };
}

const loadIn = (rig: Rig, id: string): Load | undefined => rig.loads.find((load) => load.id === id);

const known = (quantity: Quantity | undefined): NumberChange['before'] =>
  quantity && { value: quantity.value, basis: quantity.basis };

const measured = ({ value, plus }: Quantity): NumberChange['after'] => ({ value, half: plus });

function share({
  onMinutes,
  offMinutes,
}: {
  readonly onMinutes: number;
  readonly offMinutes: number;
}): number {
  return (PERCENT * onMinutes) / (onMinutes + offMinutes);
}

function withLoadChanged(rig: Rig, id: string, change: (load: Load) => Load): Rig {
  return { ...rig, loads: rig.loads.map((load) => (load.id === id ? change(load) : load)) };
}

function withConverterChanged(rig: Rig, id: string, change: (converter: Converter) => Converter): Rig {
  return {
    ...rig,
    converters: rig.converters.map((converter) => (converter.id === id ? change(converter) : converter)),
  };
}
