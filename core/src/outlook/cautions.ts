import { LFP_NO_CHARGE_BELOW_C } from '../reference/batteries.js';
import { CONTINUOUS_MINUTES } from '../reference/breaker-curves.js';
import type { CautionId } from '../reference/cautions.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import { HIGH_VOLTAGE, LOW_VOLTAGE } from '../reference/voltage-quality.js';
import type { Consumer } from '../loads/consumer.js';
import { mayCharge } from '../rig/charging-loads.js';
import type { Rig } from '../rig-file/schema.js';
import type { CheckResult } from '../check/check.js';
import { batteryClockOf } from './battery-clock.js';
import { runningThrough } from '../check/wiring/flow.js';
import { RunningSet } from '../check/wiring/running-set.js';

const HIGH_DC_A = 100;
const COMFORT_W = 1000;
const TWELVE_VOLTS_UP_TO = 16;
const WARM_PLUG_SHARE = 0.7;

/** The facts that cautions are about. */
interface Facts {
  readonly rig: Rig;
  readonly result: CheckResult;
  readonly running: readonly Consumer[];
}

/** When each caution appears. */
const TRIGGERS: Record<CautionId, (facts: Facts) => boolean> = {
  medical: ({ running }) => running.some(({ load }) => load.dependsOnIt === 'medical'),
  animals: ({ running }) => running.some(({ load }) => load.dependsOnIt === 'animals'),
  'low-voltage': ({ rig, result }) => volts(rig, result) < LOW_VOLTAGE,
  'high-voltage': ({ rig, result }) => volts(rig, result) > HIGH_VOLTAGE,
  'shared-neutral': (facts) => isOnePoleOnBothLegs(facts) && mayShareNeutral(facts),
  'two-legs-240': ({ rig, result }) =>
    rig.circuits.some(({ pole }) => pole === 'both') &&
    result.supply.legs !== undefined &&
    result.supply.legs !== 'opposed',
  'carbon-monoxide': ({ rig, result }) => isOnGenerator(rig, result),
  'eco-throttle': ({ rig, result, running }) =>
    isOnGenerator(rig, result) &&
    running.some(hasMotor) &&
    rig.sources.some((source) => source.ecoThrottle === 'yes' && result.supply.sources.includes(source.id)),
  'cold-charging': ({ rig, result }) =>
    rig.batteries.some(({ chemistry }) => chemistry === 'lfp') &&
    mayCharge(result.supply) &&
    (rig.conditions?.batteryC ?? Infinity) < LFP_NO_CHARGE_BELOW_C,
  'battery-matching': ({ rig }) =>
    rig.batteries.some((battery, index) => rig.batteries.findIndex(({ bus }) => bus === battery.bus) < index),
  'high-dc-current': (facts) => batteryAmps(facts) >= HIGH_DC_A,
  'twelve-volts': (facts) =>
    facts.rig.practice?.twelveVoltAdvice !== 'leave-out' && twelveVoltWatts(facts) > COMFORT_W,
  'plug-heat': (facts) => isPlugWarmForHours(facts),
  'unattended-heat': ({ running }) => running.some(isHeatLeftAlone),
  adapter: ({ rig, result }) => hasAdapter(rig, result),
  transfer: ({ rig, result }) => rig.sources.length > 1 && result.supply.sources.length > 0,
  bond: ({ rig, result }) => isOnGenerator(rig, result) || result.supply.sources.length === 0,
  'modified-sine': ({ result }) =>
    result.elements.some(
      (element) => element.kind === 'inverter' && element.converter.waveform === 'modified-sine',
    ),
};

/**
 * The cautions that a set on a supply calls for, the gravest first, by their ids; CAUTION_TEXTS has the words.
 * They defer to the code in force and to licensed practice. Source: methods.md 12.
 */
export function cautionsOf(rig: Rig, result: CheckResult): readonly CautionId[] {
  const running = [...result.selfStarting, ...result.order];
  if (running.length === 0) return [];
  const facts = { rig, result, running };
  return (Object.keys(TRIGGERS) as readonly CautionId[]).filter((id) => TRIGGERS[id](facts));
}

function isOnGenerator(rig: Rig, { supply }: CheckResult): boolean {
  return rig.sources.some(({ id, kind }) => kind === 'generator' && supply.sources.includes(id));
}

function volts(rig: Rig, { supply }: CheckResult): number {
  const bus = rig.buses.find(({ id }) =>
    rig.sources.some((source) => source.bus === id && supply.sources.includes(source.id)),
  );
  return supply.volts && bus ? supply.volts.value / bus.volts : 1;
}

function isOnePoleOnBothLegs({ rig, result }: Facts): boolean {
  const inverting =
    rig.buses.some((bus) => bus.poles === 'two-poles-in-phase') && result.supply.sources.length === 0;
  return inverting || (result.supply.sources.length > 0 && result.supply.legs === 'in-phase');
}

function mayShareNeutral({ rig }: Facts): boolean {
  const paired = rig.circuits.some((circuit) => circuit.sharesNeutralWith !== undefined);
  return paired || rig.buses.some((bus) => bus.sharedNeutral === 'yes' || bus.sharedNeutral === 'unknown');
}

function batteryAmps({ result }: Facts): number {
  return batteryClockOf({ charge: undefined }, result)?.amps.hi ?? 0;
}

function twelveVoltWatts({ result }: Facts): number {
  const clock = batteryClockOf({ charge: undefined }, result);
  return clock && clock.element.volts < TWELVE_VOLTS_UP_TO ? clock.watts : 0;
}

function isPlugWarmForHours({ result, running }: Facts): boolean {
  return result.elements.some((element) => {
    if (element.kind !== 'plug-and-cord') return false;
    const lasting = running.filter(({ load }) => (load.runsMinutes ?? 0) >= CONTINUOUS_MINUTES);
    return (
      runningThrough(element, new RunningSet(lasting)).va.hi / element.volts > WARM_PLUG_SHARE * element.amps
    );
  });
}

function isHeatLeftAlone({ load, parts }: Consumer): boolean {
  const isHeat = parts.some(({ part }) => kindOfPart(part.kind).family === 'Heating');
  return isHeat && (load.usage === 'by-itself' || (load.runsMinutes ?? 0) >= CONTINUOUS_MINUTES);
}

function hasMotor({ parts }: Consumer): boolean {
  return parts.some(({ part }) => kindOfPart(part.kind).startTorqueShare !== undefined);
}

/** The plug that meets the post is not that of the rig's own inlet, or plugs of the chain differ. */
function hasAdapter(rig: Rig, { supply }: CheckResult): boolean {
  const plugs = (supply.cords ?? []).flatMap(({ plugA }) => plugA ?? []);
  const inlets = rig.sources.filter(({ id, kind }) => kind === 'inlet' && supply.sources.includes(id));
  const own = inlets.flatMap(({ breaker }) => breaker?.amps ?? []);
  return plugs.length > 0 && new Set([...plugs, ...own]).size > 1;
}
