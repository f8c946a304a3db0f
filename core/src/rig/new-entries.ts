import type { Quantity } from '../units/quantity.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { TypicalLoad, TypicalPart } from '../reference/typical-loads.js';
import { entriesOf, type Entry, type EntryList } from './entry-lists.js';
import { freeId, freeName } from '../rig-file/free-names.js';
import type { Bus, Circuit, Load, Part, Rig } from '../rig-file/schema.js';
import { typical } from './typical-quantity.js';

/** Of a new part nothing is known yet: what is filled in says that it is a guess. */
const guess = (value: number): Quantity => ({ value, basis: 'guess' });

/**
 * A load of a kind with usual numbers, to be corrected.
 *
 * @param circuit The circuit it hangs on.
 */
export function loadFromKind(rig: Rig, kind: TypicalLoad, circuit: string): Load {
  const name = freeName(
    kind.name,
    rig.loads.map((load) => load.name),
  );
  const { parts, states, restartWaitS, hasLowerLevels } = kind;
  const ids = parts.map((part, index) => (part.name ? freeId(part.name, []) : `part-${index + 1}`));
  return {
    id: freeId(
      name,
      rig.loads.map((load) => load.id),
    ),
    name,
    circuit,
    usage: kind.use,
    ...(restartWaitS !== undefined && { restartWaitS }),
    parts: parts.map((part, index) => partFromKind(part, ids[index] ?? 'main')),
    ...(states && {
      states: states.map(([stateName, ...shares]) => ({
        id: freeId(stateName, []),
        name: stateName,
        ...(hasLowerLevels && { works: 'lower' as const }),
        parts: ids.map((part, index) => ({ part, share: shares[index] ?? 0 })),
      })),
    }),
  };
}

function partFromKind({ name, kind, watts, startVA }: TypicalPart, id: string): Part {
  return {
    id,
    ...(name !== undefined && { name }),
    kind,
    runningW: typical(watts),
    ...(kindOfPart(kind).startMultiple && { start: startVA ? { va: typical(startVA) } : {} }),
  };
}

/** A load of which only the name is known. */
export function plainLoad(rig: Rig, name: string, circuit: string): Load {
  const free = freeName(
    name,
    rig.loads.map((load) => load.name),
  );
  return {
    id: freeId(
      free,
      rig.loads.map((load) => load.id),
    ),
    name: free,
    circuit,
    usage: 'left-on',
    parts: [{ id: 'main', kind: 'resistance-heater', runningW: guess(USUAL_LOAD_W) }],
  };
}

const USUAL_LOAD_W = 500;
const USUAL_VA = 2000;
const USUAL_AMP_HOURS = 100;
const USUAL_ARRAY_W = 400;
const USUAL_BREAKER_A = { ul: 15, iec: 16 } as const;
const FREQUENCY_OF_IEC = 50;

/**
 * A new entry of a list, complete enough to compute with and marked as a guess where it states a number.
 *
 * @param list Any list but loads, which come from a kind, and days, which have a date.
 */
export function newEntry<L extends Exclude<EntryList, 'loads' | 'days'>>(rig: Rig, list: L): Entry<L> {
  const name = freeName(
    NEW_NAMES[list],
    entriesOf(rig, list).map((entry) => entry.name),
  );
  const id = freeId(
    name,
    entriesOf(rig, list).map((entry) => entry.id),
  );
  return { id, name, ...MAKERS[list](rig) } as Entry<L>;
}

const NEW_NAMES: Readonly<Record<Exclude<EntryList, 'loads' | 'days'>, string>> = {
  sources: 'Generator',
  converters: 'Inverter',
  batteries: 'Battery',
  solar: 'Solar array',
  buses: 'Busbar',
  circuits: 'Circuit',
  supplies: 'Supply',
};

const firstBus = (rig: Rig, kind: Bus['kind']): Bus | undefined => rig.buses.find((bus) => bus.kind === kind);
const busId = (rig: Rig, kind: Bus['kind']): string => (firstBus(rig, kind) ?? rig.buses[0])?.id ?? '';

/** The bus most circuits are on: where a new one belongs. */
function usualBusOfCircuits(rig: Rig): string {
  const count = (bus: Bus): number => rig.circuits.filter((circuit) => circuit.bus === bus.id).length;
  const [most] = [...rig.buses].sort((a, b) => count(b) - count(a));
  return most?.id ?? '';
}

/** The inlet's side: what a converter passes on, else the first AC bus. */
function inletBus(rig: Rig): string {
  return rig.converters.find((each) => each.passThroughFrom)?.passThroughFrom ?? busId(rig, 'ac');
}

const isIec = (rig: Rig): boolean => firstBus(rig, 'ac')?.hertz === FREQUENCY_OF_IEC;

/**
 * The curve of a breaker of which only the size is read: that of UL 489 at 60 Hz, C at 50 Hz, as posts and inverters
 * have it. Source: common practice, no published source.
 */
export function usualCurve(rig: Rig): Circuit['protection']['curve'] {
  return isIec(rig) ? 'iec-60898-c' : 'ul-489';
}

/** A circuit's own is of the quicker curve where the curve is not known: the careful reading. */
function usualBreaker(rig: Rig): Circuit['protection'] {
  return isIec(rig)
    ? { amps: USUAL_BREAKER_A.iec, curve: 'iec-60898-b' }
    : { amps: USUAL_BREAKER_A.ul, curve: 'ul-489' };
}

const MAKERS: Readonly<Record<Exclude<EntryList, 'loads' | 'days'>, (rig: Rig) => object>> = {
  sources: (rig) => ({ kind: 'generator', bus: inletBus(rig) }),
  converters: (rig) => ({
    kind: 'inverter',
    from: busId(rig, 'dc'),
    to: rig.converters[0]?.to ?? busId(rig, 'ac'),
    continuousW: guess(USUAL_VA),
    continuousVA: guess(USUAL_VA),
    tiers: [],
  }),
  batteries: (rig) => ({ bus: busId(rig, 'dc'), ampHours: guess(USUAL_AMP_HOURS) }),
  solar: (rig) => ({ bus: busId(rig, 'dc'), stcW: guess(USUAL_ARRAY_W) }),
  buses: (rig) => ({
    kind: 'ac',
    volts: firstBus(rig, 'ac')?.volts ?? 120,
    hertz: firstBus(rig, 'ac')?.hertz ?? 60,
  }),
  circuits: (rig) => ({ bus: usualBusOfCircuits(rig), protection: usualBreaker(rig) }),
  supplies: (rig) => ({ sources: rig.sources.slice(0, 1).map((source) => source.id) }),
};
