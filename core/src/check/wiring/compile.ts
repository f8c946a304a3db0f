import type { Consumer } from '../../loads/consumer.js';
import { chargingLoads, mayCharge } from '../../rig/charging-loads.js';
import { supplyOf } from '../../rig/lookup.js';
import type { Load, Rig, Supply } from '../../rig-file/schema.js';
import { fedConsumer } from './consumers.js';
import type { FedLoad, NotFed } from './fed-loads.js';
import { charges, type SeriesElement } from './series-elements.js';
import { wiringOf } from './wiring.js';

/**
 * A rig on one supply with its wiring followed once: every set of its loads is judged by the same elements,
 * each of which knows every load whose current can pass through it, and the share of it that does.
 */
export interface System {
  readonly rig: Rig;
  readonly supply: Supply;
  /** What the current of any load passes through. */
  readonly elements: readonly SeriesElement[];
  /** What charges on this supply, as loads: on whatever else is. */
  readonly charging: readonly Load[];
  /** How each load that is fed hangs on what feeds it, by its id. */
  readonly fed: ReadonlyMap<string, FedLoad>;
  /** Why a load runs on nothing here; undefined where it is fed. */
  readonly whyNotFed: (loadId: string) => NotFed | undefined;
  /** A load in some state, or in full, as what feeds it makes it; undefined where nothing does. */
  readonly consumerOf: (loadId: string, stateId?: string) => Consumer | undefined;
}

/** A rig whose wiring is followed once for each supply that is asked about. */
export interface CompiledRig {
  readonly rig: Rig;
  /** @throws RangeError where the rig has no such supply. */
  readonly on: (supplyId: string) => System;
  /** The same supply with its sources gone. */
  readonly without: (supplyId: string) => System;
  /** The same wiring with other numbers of one load. */
  readonly withNumbersOf: (load: Load) => CompiledRig;
}

/** Compiles a rig, each of its supplies when it is first asked about. */
export function compile(rig: Rig): CompiledRig {
  const systemOn = once((supplyId) => compileOn(rig, supplyOf(rig, supplyId)));
  const systemWithout = once((supplyId) => compileOn(rig, { ...supplyOf(rig, supplyId), sources: [] }));
  return compiledOf(rig, systemOn, systemWithout);
}

type SystemOfSupply = (supplyId: string) => System;

function compiledOf(rig: Rig, on: SystemOfSupply, without: SystemOfSupply): CompiledRig {
  return {
    rig,
    on,
    without,
    withNumbersOf: (load) => {
      const changed = {
        ...rig,
        loads: rig.loads.map((each) => (each.id === load.id ? load : each)),
      };
      return compiledOf(
        changed,
        once((supplyId) => withLoad(on(supplyId), changed, load)),
        once((supplyId) => withLoad(without(supplyId), changed, load)),
      );
    },
  };
}

function compileOn(rig: Rig, supply: Supply): System {
  const chargers = mayCharge(supply) ? chargingLoads(rig).map(({ load }) => load) : [];
  const { elements, fed, notFed } = wiringOf(rig, supply, [...rig.loads, ...chargers]);
  const fedById: System['fed'] = new Map(fed.map((entry) => [entry.load.id, entry]));
  const notFedById = new Map(notFed.map((entry) => [entry.load.id, entry]));
  const consumerOf = consumersOf(rig, supply, fedById);
  const charging = chargers.filter(({ id }) => fedById.has(id));
  const chargingAlone = charging.flatMap(({ id }) => consumerOf(id) ?? []);
  const isCharged = ({ members }: SeriesElement) => charging.some(({ id }) => members.has(id));
  return {
    rig,
    supply,
    elements: elements.map((element) =>
      charges(element) || isCharged(element) ? { ...element, chargingAlone } : element,
    ),
    charging,
    fed: fedById,
    whyNotFed: (loadId) => notFedById.get(loadId),
    consumerOf,
  };
}

/** What a load is connected to does not depend on its numbers. */
function withLoad(system: System, rig: Rig, load: Load): System {
  const entry = system.fed.get(load.id);
  if (!entry) return { ...system, rig };
  const fed = new Map(system.fed).set(load.id, { ...entry, load });
  const own = consumersOf(rig, system.supply, fed);
  return {
    ...system,
    rig,
    fed,
    consumerOf: (loadId, stateId) =>
      loadId === load.id ? own(loadId, stateId) : system.consumerOf(loadId, stateId),
  };
}

function consumersOf(rig: Rig, supply: Supply, fed: System['fed']): System['consumerOf'] {
  const known = new Map<string, Map<string | undefined, Consumer>>();
  return (loadId, stateId) => {
    const entry = fed.get(loadId);
    if (!entry) return undefined;
    const states = known.get(loadId) ?? new Map<string | undefined, Consumer>();
    known.set(loadId, states);
    const consumer = states.get(stateId) ?? fedConsumer(rig, supply, entry, stateId);
    states.set(stateId, consumer);
    return consumer;
  };
}

function once(ask: SystemOfSupply): SystemOfSupply {
  const known = new Map<string, System>();
  return (supplyId) => {
    const system = known.get(supplyId) ?? ask(supplyId);
    known.set(supplyId, system);
    return system;
  };
}
