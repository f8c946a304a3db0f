import { flowsOf } from '../../outlook/supply/power-flows.js';
import { consumerOf } from '../../loads/consumer.js';
import { dcAmps } from '../../battery/dc-side.js';
import { systemOfLoad } from '../../loads/voltage-of-load.js';
import { PERCENT, SECONDS_PER_HOUR, SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import { OUTPUT_IMPEDANCE_SHARE, USUAL_CYCLE_S } from '../../reference/instruments.js';
import { loadOf } from '../../rig/lookup.js';
import type { Load, Rig } from '../../rig-file/schema.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { RunningSet, runningSum } from '../../check/wiring/running-set.js';
import type { BatteryElement, InverterElement } from '../../check/wiring/series-elements.js';
import { dcPathOf } from '../../check/limits/dc-path.js';
import { situationOf } from '../../check/situation.js';
import type { Scenario } from './scenarios.js';

/** A thermostat is met in the middle of what it does. */
const FIRST_TURN_S = 30;

/** What truly flows in one second. */
export interface TrueSecond {
  readonly isConnected: boolean;
  readonly batteryW: number;
  readonly batteryV: number;
  readonly percent: number;
  readonly outputW: number;
  readonly outputVA: number;
  readonly outputV: number;
  readonly peakVA: number;
  readonly inletW: number;
  readonly inletV: number;
}

/**
 * A rig that lives through a scenario, one second after the other, without end: thermostats cycle, starts dip, the battery
 * sags with what it gives and with its charge.
 *
 * @param percent Charge at the beginning. Source: physics; impedances by reference/voltage-quality.ts and instruments.ts.
 */
export function* simulatedRig(
  compiled: CompiledRig,
  scenario: Scenario,
  percent: number,
): Generator<TrueSecond, never> {
  const wattHours = wattHoursOf(compiled.rig);
  let charge = percent;
  for (let second = 0; ; second += 1) {
    const now = secondOf(compiled, scenario, second, charge);
    yield now;
    charge = Math.min(PERCENT, Math.max(0, charge - (PERCENT * now.batteryW) / SECONDS_PER_HOUR / wattHours));
  }
}

/** Watt-hours of all batteries, at their nominal volts. */
export function wattHoursOf({ batteries, buses }: Rig): number {
  return batteries.reduce(
    (sum, { ampHours, bus }) => sum + ampHours.value * (buses.find(({ id }) => id === bus)?.volts ?? 0),
    0,
  );
}

function secondOf(compiled: CompiledRig, scenario: Scenario, second: number, percent: number): TrueSecond {
  const { rig } = compiled;
  const isLost = isWithin(scenario.sourceLost, second);
  const supply = isLost ? scenario.without : scenario.supply;
  const on = loadsOn(rig, scenario, second).map((load) => ({ load: load.id }));
  // No clock in a simulation: the charge is of this very second.
  const situation = situationOf(compiled.on(supply), { on, charge: { percent, readAt: '' } });
  const running = new RunningSet(situation.consumers);
  const { fromBatteryW, fromSourceW } = flowsOf(situation.elements, running);
  const inverters = situation.elements.filter((each): each is InverterElement => each.kind === 'inverter');
  const behind = runningSum(
    situation.consumers.filter(({ load }) => inverters.some(({ members }) => members.has(load.id))),
  );
  const start = startIn(rig, scenario, second);
  const isCarried = fromSourceW > 0;
  const bank = situation.elements.find((each): each is BatteryElement => each.kind === 'battery');
  const batteryW = fromBatteryW.stated + (isCarried ? 0 : start.watts);
  const mains = rig.buses.find(({ id }) => id === rig.converters[0]?.to)?.volts ?? 0;
  const ratedVA = inverters.reduce((sum, { rating }) => sum + rating.continuousVA.value, 0);
  const sag = ratedVA > 0 ? (OUTPUT_IMPEDANCE_SHARE * (behind.va.stated + start.va)) / ratedVA : 0;
  return {
    isConnected: !isLost && compiled.on(supply).supply.sources.length > 0,
    batteryW,
    batteryV: bank ? terminalVolts(bank, batteryW) : 0,
    percent,
    outputW: behind.watts.stated + start.watts,
    outputVA: behind.va.stated + start.va * start.seconds,
    outputV: mains * (1 - sag),
    peakVA: behind.va.stated + start.va,
    inletW: fromSourceW + (isCarried ? start.watts : 0),
    inletV: mains,
  };
}

function terminalVolts(bank: BatteryElement, watts: number): number {
  const { openV, wholeOhms } = dcPathOf(bank);
  const path = { openV: openV.stated, ohms: wholeOhms.stated };
  return openV.stated - (dcAmps(path, Math.max(0, watts)) ?? 0) * path.ohms;
}

function loadsOn(rig: Rig, { on, cycling, starts }: Scenario, second: number): readonly Load[] {
  return [
    ...on.map((id) => loadOf(rig, id)),
    ...cycling.map((id) => loadOf(rig, id)).filter((load) => isOnNow(load, second)),
    ...(starts && second >= starts.atS ? [loadOf(rig, starts.load)] : []),
  ];
}

/** Where a thermostat stands: it turns on for the first time after half a minute. */
function isOnNow({ cycling }: Load, second: number): boolean {
  const onS = cycling ? cycling.onMinutes * SECONDS_PER_MINUTE : USUAL_CYCLE_S.on;
  const offS = cycling ? cycling.offMinutes * SECONDS_PER_MINUTE : USUAL_CYCLE_S.off;
  return second >= FIRST_TURN_S && (second - FIRST_TURN_S) % (onS + offS) < onS;
}

interface StartNow {
  readonly va: number;
  /** On the average of the second. */
  readonly watts: number;
  readonly seconds: number;
}

const NO_START: StartNow = { va: 0, watts: 0, seconds: 0 };

/** The start that happens in a second, above what the load draws running. */
function startIn(rig: Rig, scenario: Scenario, second: number): StartNow {
  const before = new Set(loadsOn(rig, scenario, second - 1).map(({ id }) => id));
  const starting = second === 0 ? [] : loadsOn(rig, scenario, second).filter(({ id }) => !before.has(id));
  return starting.reduce((sum, load) => {
    const { parts } = consumerOf(load, systemOfLoad(rig, load));
    const [largest] = parts
      .flatMap(({ start, running }) => (start ? [{ start, runs: running.watts.value }] : []))
      .sort((a, b) => b.start.va.value - a.start.va.value);
    if (!largest) return sum;
    const { va, powerFactor, seconds } = largest.start;
    const lasts = Math.min(1, seconds.stated);
    const more = Math.max(0, va.value * powerFactor.stated - largest.runs);
    return { va: sum.va + va.value, watts: sum.watts + more * lasts, seconds: lasts };
  }, NO_START);
}

function isWithin(stretch: Scenario['stuck'], second: number): boolean {
  return stretch !== undefined && stretch.fromS <= second && second < stretch.untilS;
}
