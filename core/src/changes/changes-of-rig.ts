import { isSoftStarted } from '../loads/start/soft-starter.js';
import { AWG_SIZES } from '../reference/copper-awg.js';
import { METRIC_SIZES } from '../reference/copper-metric.js';
import { INVERTER_FULL_UP_TO_C } from '../reference/heat.js';
import { SUITS_SOFT_STARTER } from '../reference/soft-starters.js';
import { loadOf } from '../rig/lookup.js';
import type { Cable, Circuit, Load, Rig } from '../rig-file/schema.js';
import type { Limit } from '../check/limits/limit.js';
import type { AskedSet, CableSize, ChangeOfRig, Purchase } from './change.js';

/** What can be plugged in elsewhere, taken apart or cooled. */
export function changesOfRig({ rig, scene }: AskedSet, failing: readonly Limit[]): readonly ChangeOfRig[] {
  const on = scene.on.map(({ load }) => loadOf(rig, load));
  const isOn = (id: string): boolean => on.some((load) => load.id === id);
  const counts = on.filter(({ id }) => failing.some(({ element }) => element.members.has(id)));
  return [
    ...counts.flatMap((load) => otherCircuits(rig, load, failing)),
    ...(rig.ties ?? [])
      .filter(({ follower, leader }) => isOn(follower) && isOn(leader))
      .map(({ follower, leader }) => ({
        by: 'untie' as const,
        followerId: follower,
        leaderId: leader,
      })),
    ...coolerInverter(rig),
  ];
}

/**
 * Circuits of the same volts with free outlets: another one on the same conductor only where its own breaker or
 * cable is what fails.
 */
function otherCircuits(rig: Rig, load: Load, failing: readonly Limit[]): readonly ChangeOfRig[] {
  const own = rig.circuits.find(({ id }) => id === load.circuit);
  if (!own) return [];
  const volts = (circuit: Circuit) => rig.buses.find(({ id }) => id === circuit.bus)?.volts;
  const isPair = (circuit: Circuit): boolean => circuit.pole === 'both';
  const isOwnTroubled = failing.some(({ element }) => element.id.startsWith(own.id));
  return rig.circuits
    .filter((circuit) => circuit !== own && circuit.hasFreeOutlets !== 'no')
    .filter((circuit) => volts(circuit) === volts(own) && isPair(circuit) === isPair(own))
    .filter((circuit) => isOwnTroubled || circuit.bus !== own.bus || circuit.pole !== own.pole)
    .map((circuit) => ({ by: 'circuit', loadId: load.id, circuitId: circuit.id }));
}

/** The inverter no warmer than it is rated for in full. */
export function coolerInverter({ conditions, converters }: Rig): readonly ChangeOfRig[] {
  const celsius = Math.min(...converters.map(({ ratedUpToC = INVERTER_FULL_UP_TO_C }) => ratedUpToC));
  return conditions?.inverterC !== undefined && conditions.inverterC > celsius
    ? [{ by: 'cool-inverter', celsius }]
    : [];
}

/** What can be bought and fitted, of whatever stands in the way of some set; the least of each that may do. */
export function purchases({ rig, scene }: AskedSet, failing: readonly Limit[]): readonly Purchase[] {
  const on = scene.on.map(({ load }) => loadOf(rig, load));
  return [
    ...on.flatMap(easierStarts),
    ...failing.flatMap((limit) => heavierCables(rig, limit)),
    ...rig.batteries.map(({ id }): Purchase => ({ by: 'more-battery', batteryId: id })),
  ];
}

/** A soft starter or an unloader for each part of a load that suits one. */
export function easierStarts(load: Load): readonly Purchase[] {
  return load.parts.flatMap((part): readonly Purchase[] => {
    const at = { loadId: load.id, partId: part.id };
    if (part.kind === 'air-compressor-under-pressure') return [{ by: 'unloader', ...at }];
    return SUITS_SOFT_STARTER.includes(part.kind) && !isSoftStarted(part)
      ? [{ by: 'soft-starter', ...at }]
      : [];
  });
}

function heavierCables(rig: Rig, { kind, element }: Limit): readonly Purchase[] {
  if (element.kind === 'battery' && (kind.startsWith('dc-volts') || kind === 'dc-cable'))
    return rig.batteries
      .filter(({ bus, cable }) => bus === element.bus.id && cable)
      .flatMap(({ id, cable }) =>
        largerSizes(cable).map((size): Purchase => ({ by: 'battery-cable', batteryId: id, cable: size })),
      );
  const circuit = kind === 'cable' ? rig.circuits.find(({ id }) => element.id.startsWith(id)) : undefined;
  return largerSizes(circuit?.cable).map((size) => ({
    by: 'circuit-cable',
    circuitId: circuit?.id ?? '',
    cable: size,
  }));
}

/** The sizes above that of a cable, on its own scale, rising. */
function largerSizes(cable: Cable | undefined): readonly CableSize[] {
  if (cable?.awg) return AWG_SIZES.slice(AWG_SIZES.indexOf(cable.awg) + 1).map((awg) => ({ awg }));
  const { mm2 } = cable ?? {};
  return mm2 === undefined ? [] : METRIC_SIZES.filter((size) => size > mm2).map((size) => ({ mm2: size }));
}
