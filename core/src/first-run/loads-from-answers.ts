import { runningPowerOf } from '../loads/running-power.js';
import { standardSizeFor } from '../protection/standard-size.js';
import { systemOfLoad } from '../loads/voltage-of-load.js';
import type { Amount } from '../units/parse-amount.js';
import type { Quantity } from '../units/quantity.js';
import type { TypicalLoad } from '../reference/typical-loads.js';
import { freeId } from '../rig-file/free-names.js';
import { loadFromKind } from '../rig/new-entries.js';
import type { Circuit, Load, Part, Rig } from '../rig-file/schema.js';
import { LARGEST_BREAKER_A } from '../reference/breaker-curves.js';
import type { FirstAnswers, FirstLoad } from './answers.js';
import { MAINS } from './mains.js';
import { suggestedCircuit } from './suggested-circuit.js';

/** A rig with the loads of the first answers on their circuits, and the breakers some of them bring. */
export function withFirstLoads(rig: Rig, answers: FirstAnswers): Rig {
  return answers.loads.reduce<Rig>((before, asked) => {
    const once = (so: Rig): Rig => withLoadOn(so, asked, answers);
    return Array.from({ length: asked.count ?? 1 }).reduce<Rig>(once, before);
  }, rig);
}

function withLoadOn(rig: Rig, asked: FirstLoad, answers: FirstAnswers): Rig {
  const { circuit: place = suggestedPlace(answers, asked) } = asked;
  if (typeof place === 'number') {
    const id = (rig.circuits[place] ?? rig.circuits[0])?.id ?? '';
    return { ...rig, loads: [...rig.loads, stated(loadFromKind(rig, asked.kind, id), asked.stated)] };
  }
  const name = loadFromKind(rig, asked.kind, '').name;
  const own: Circuit = {
    ...ownCircuit(rig, name, answers),
    ...(place === 'own-pair' && MAINS[answers.mains].poles === 'split-180' && { pole: 'both' as const }),
  };
  const withOwn = { ...rig, circuits: [...rig.circuits, own] };
  const load = stated(loadFromKind(withOwn, asked.kind, own.id), asked.stated);
  const withLoad = { ...withOwn, loads: [...rig.loads, load] };
  return { ...withLoad, circuits: [...rig.circuits, sizedFor(withLoad, own, load)] };
}

/** A load of a kind on the circuit that its kind usually is on, with what its plate says where that was read. */
export function loadOfKind(rig: Rig, kind: TypicalLoad, plate: Amount | undefined): Load {
  const place = suggestedCircuit(
    rig.circuits.map(({ name }) => name),
    kind,
  );
  return stated(loadFromKind(rig, kind, rig.circuits[place]?.id ?? ''), plate);
}

/** Where a load hangs of which nothing is said. */
export function suggestedPlace({ circuits }: FirstAnswers, { kind }: FirstLoad): number {
  return suggestedCircuit(
    circuits.map(({ name }) => name),
    kind,
  );
}

function ownCircuit({ circuits }: Rig, name: string, { mains }: FirstAnswers): Circuit {
  const ids = circuits.map(({ id }) => id);
  const first = circuits[0];
  return {
    id: freeId(name, ids),
    name,
    bus: first?.bus ?? '',
    ...(first?.pole && { pole: first.pole }),
    protection: { amps: MAINS[mains].amps, curve: MAINS[mains].breaker },
  };
}

/** A breaker of the next standard size above 1.25 times what runs, and no less than the usual one (NEC 240.6, 430.22). */
function sizedFor(rig: Rig, circuit: Circuit, load: Load): Circuit {
  const system = systemOfLoad(rig, load);
  const amps = load.parts.reduce((sum, part) => {
    const { watts, va } = runningPowerOf(part, system);
    return sum + (va ?? watts).value / system.volts;
  }, 0);
  const size = Math.max(circuit.protection.amps, standardSizeFor(amps) ?? LARGEST_BREAKER_A);
  const inFile = Math.min(size, LARGEST_BREAKER_A);
  return { ...circuit, protection: { ...circuit.protection, amps: inFile } };
}

/** A load whose plate was read: what it says takes the place of what is usual for its main part. */
function stated(load: Load, amount: Amount | undefined): Load {
  const [main, ...rest] = load.parts;
  return amount && main ? { ...load, parts: [partStating(main, amount), ...rest] } : load;
}

function partStating({ runningW: _usual, ...part }: Part, { value, unit }: Amount): Part {
  const plate: Quantity = { value, basis: 'nameplate' };
  if (unit === 'hp') return { ...part, runningFrom: { horsepower: value } };
  if (unit === 'A') return { ...part, runningFrom: { amps: plate } };
  if (unit === 'VA') return { ...part, runningFrom: { va: plate } };
  return { ...part, runningW: plate };
}
