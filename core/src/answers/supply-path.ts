import { cableOhmsAtEdges } from '../electrical/cable.js';
import { systemOfLoad } from '../electrical/voltage-of-load.js';
import { inverterOhms, type Impedance } from '../electrical/voltage-dip.js';
import type { Interval } from '../quantity/quantity.js';
import type { UsualRange } from '../reference/kinds-of-parts.js';
import {
  GENERATOR_REACTANCE,
  INVERTER_IMPEDANCE,
  PEDESTAL_OHMS,
  REFERENCE_IMPEDANCE_230V,
} from '../reference/voltage-quality.js';
import { intervalOf } from '../rig/half-widths.js';
import type { Cord, Load, Rig, Supply } from '../rig/schema.js';
import type { CheckResult } from '../verdict/check.js';
import type { InverterElement } from '../system/series-elements.js';

/** One impedance on the way from what feeds a load to the load, ohm; a generator's is a reactance. */
export interface Piece {
  readonly what: 'inverter' | 'pedestal' | 'generator' | 'cord' | 'circuit-cable';
  readonly ohms: Interval;
}

/** What lies between what feeds a load and the load, as impedances in a row. */
export interface WayToLoad {
  readonly volts: number;
  readonly inverter: InverterElement | undefined;
  readonly pieces: readonly Piece[];
}

/** Systems above this have the reference impedance of IEC 60725. */
const REFERENCE_FROM_V = 200;

/** The way to a load on the supply of a result: its inverter, or the source with its cords; then its circuit. */
export function wayTo(rig: Rig, result: CheckResult, load: Load): WayToLoad {
  const circuit = rig.circuits.find((each) => each.id === load.circuit);
  const { volts } = systemOfLoad(rig, load);
  const inverter = result.elements.find(
    (element): element is InverterElement =>
      element.kind === 'inverter' && element.members.has(load.id) && !element.assists,
  );
  const cable = circuit?.cable;
  const branch: readonly Piece[] = cable ? [{ what: 'circuit-cable', ohms: cableOhmsAtEdges(cable) }] : [];
  return {
    volts,
    inverter,
    pieces: [...(inverter ? [inverterPiece(inverter, volts)] : sourcePieces(rig, result, volts)), ...branch],
  };
}

/** The pieces in a row at one edge. */
export function impedanceOf(pieces: readonly Piece[], edge: keyof Interval): Impedance {
  const sum = (isReactance: boolean): number =>
    pieces
      .filter(({ what }) => (what === 'generator') === isReactance)
      .reduce((all, { ohms }) => all + ohms[edge], 0);
  return { ohms: sum(false), reactanceOhms: sum(true) };
}

function inverterPiece({ rating }: InverterElement, volts: number): Piece {
  return { what: 'inverter', ohms: ofBase(INVERTER_IMPEDANCE, volts, rating.continuousVA.value) };
}

const ofBase = ({ low, usual, high }: UsualRange, volts: number, va: number): Interval => ({
  lo: inverterOhms(low, volts, va),
  stated: inverterOhms(usual, volts, va),
  hi: inverterOhms(high, volts, va),
});

/** A generator, or pedestal and cord: the pedestal by its arrival test, else usual for the voltage. */
function sourcePieces(rig: Rig, { supply, elements }: CheckResult, volts: number): readonly Piece[] {
  const set = elements.find((element) => element.kind === 'generator');
  if (set?.kind === 'generator')
    return [{ what: 'generator', ohms: ofBase(GENERATOR_REACTANCE, volts, set.rating.continuousVA.value) }];
  // The arrival test measures pedestal and cord together.
  if (supply.sourceOhms) return [{ what: 'pedestal', ohms: intervalOf(supply.sourceOhms, 'running') }];
  const { cords = [] } = supply;
  return [{ what: 'pedestal', ohms: pedestalOhms(rig, supply) }, ...cords.map(cordPiece)];
}

function pedestalOhms(rig: Rig, supply: Supply): Interval {
  const source = rig.sources.find(({ id }) => supply.sources.includes(id));
  const bus = rig.buses.find(({ id }) => id === source?.bus);
  const { low, usual, high } = PEDESTAL_OHMS;
  if (!bus || bus.volts < REFERENCE_FROM_V) return { lo: low, stated: usual, hi: high };
  const { ohms } = REFERENCE_IMPEDANCE_230V;
  return { lo: ohms / 2, stated: ohms, hi: ohms };
}

function cordPiece({ awg, mm2, metres }: Cord): Piece {
  return { what: 'cord', ohms: cableOhmsAtEdges({ awg, mm2, metres }) };
}
