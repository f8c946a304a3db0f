import { intervalOf } from '../../rig-file/half-widths.js';
import type { Converter, Rig, Supply } from '../../rig-file/schema.js';
import type { CheckResult } from '../../check/check.js';
import { runningSum } from '../../check/wiring/running-set.js';

/** What a supply carries for hours, VA, before any load is looked at. */
export interface SupplyCarries {
  /** From the source alone, its other loads taken off at their most; 0 on battery, Infinity where nothing is entered. */
  readonly sourceVA: number;
  /** Behind the inverters: what they pass on, and what they add where they assist. */
  readonly behindVA: number;
  /** Of that from the battery. */
  readonly batteryVA: number;
}

/**
 * What each supply carries for hours: the smallest of breaker, plug, relay and input limit at nominal
 * volts, and what inverters add to it. Both legs of a 120/240 V service count.
 *
 * Source: physics; rules 10 and 11 of methods.md. A planning figure: legs, power factor and starts may
 * decide earlier, and `check` knows them.
 */
export function supplyCarries(rig: Rig, supply: Supply): SupplyCarries {
  const amps = chainAmps(rig, supply);
  const legs = legsOf(rig, supply);
  const volts = voltsOf(rig, supply);
  const sourceVA = Math.min(amps * volts * legs, generatorVA(rig, supply));
  const inverters = rig.converters.filter(({ kind }) => kind.startsWith('inverter'));
  const parts = inverters.map((converter) => behind(rig, supply, converter, { sourceVA, volts, legs }));
  return {
    sourceVA,
    behindVA:
      Math.min(
        parts.reduce((sum, part) => sum + part.passedVA, 0),
        sourceVA,
      ) + parts.reduce((sum, part) => sum + part.addedVA, 0),
    batteryVA: parts.reduce((sum, part) => sum + part.addedVA, 0),
  };
}

function chainAmps(rig: Rig, supply: Supply): number {
  const sources = rig.sources.filter(({ id }) => supply.sources.includes(id));
  if (sources.length === 0) return 0;
  const least = Math.min(
    supply.breaker?.amps ?? Infinity,
    ...(supply.cords ?? []).flatMap(({ plugA }) => plugA ?? []),
    ...sources.flatMap(({ breaker }) => breaker?.amps ?? []),
  );
  const others = supply.otherLoadsA ? intervalOf(supply.otherLoadsA, 'running').hi : 0;
  return Math.max(0, least - others);
}

function generatorVA(rig: Rig, supply: Supply): number {
  const ratings = rig.sources
    .filter(({ id }) => supply.sources.includes(id))
    .flatMap(({ continuousVA, continuousW }) => continuousVA?.value ?? continuousW?.value ?? []);
  return Math.min(Infinity, ...ratings);
}

const busOf = (rig: Rig, supply: Supply) => {
  const source = rig.sources.find(({ id }) => supply.sources.includes(id));
  return rig.buses.find(({ id }) => id === source?.bus);
};

const voltsOf = (rig: Rig, supply: Supply): number => busOf(rig, supply)?.volts ?? 0;

/** Conductors that carry for themselves: two where the legs oppose each other. */
function legsOf(rig: Rig, supply: Supply): number {
  const poles = busOf(rig, supply)?.poles;
  return poles === undefined || poles === 'single' || supply.legs === 'in-phase' ? 1 : 2;
}

interface OnSource {
  readonly sourceVA: number;
  readonly volts: number;
  readonly legs: number;
}

function behind(
  rig: Rig,
  supply: Supply,
  converter: Converter,
  { sourceVA, volts, legs }: OnSource,
): { readonly passedVA: number; readonly addedVA: number } {
  const own = converter.continuousVA.value * (converter.unitsInParallel ?? 1);
  const isPassed = rig.sources.some(
    ({ id, bus }) => supply.sources.includes(id) && bus === converter.passThroughFrom,
  );
  if (!isPassed) return { passedVA: 0, addedVA: own };
  const conductors = converter.pole === 'l1' || converter.pole === 'l2' ? 1 : legs;
  const limitA = Math.min(supply.inputLimitA ?? Infinity, converter.passThroughA ?? Infinity);
  const passedVA = Math.min(sourceVA, limitA * volts * conductors);
  const assists = supply.assist === 'on' && converter.canAssist === 'yes';
  return { passedVA, addedVA: assists ? own : 0 };
}

/**
 * What is left for hours beside a set, VA: what its supply carries behind the inverters less what the set
 * draws there with every doubt against it. A planning figure like the rest here; less than 0 where it is too much.
 */
export function leftBeside(rig: Rig, result: CheckResult): number {
  const outputs = rig.converters.filter(({ kind }) => kind.startsWith('inverter')).map(({ to }) => to);
  const behindIds = rig.circuits.filter(({ bus }) => outputs.includes(bus)).map(({ id }) => id);
  const running = [...result.selfStarting, ...result.order].filter(({ load }) =>
    behindIds.includes(load.circuit),
  );
  return supplyCarries(rig, result.supply).behindVA - runningSum(running).va.hi;
}
