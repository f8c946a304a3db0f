import { cableOhmsAtEdges } from '../../protection/cable.js';
import { inverterOhms, type Impedance } from '../../supply/voltage-dip.js';
import type { Interval } from '../../units/quantity.js';
import type { UsualRange } from '../../reference/kinds-of-parts.js';
import {
  GENERATOR_REACTANCE,
  INVERTER_IMPEDANCE,
  PEDESTAL_OHMS,
  REFERENCE_IMPEDANCE_230V,
} from '../../reference/voltage-quality.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Rig, Supply } from '../../rig-file/schema.js';
import { voltageShare } from './consumers.js';
import { busOf, type FedLoad } from './fed-loads.js';
import type {
  GeneratorElement,
  InverterElement,
  LoadVoltsElement,
  Members,
  PathImpedance,
  SeriesElement,
  StartCarrier,
} from './series-elements.js';
import { magnitude } from '../../units/magnitude.js';

/** Systems above this have the reference impedance of IEC 60725. */
const REFERENCE_FROM_V = 200;

/**
 * What lies between what feeds a load and the load's own terminals, as impedances in a row: inverter, generator or pedestal
 * with its cords, the branch cable, and the load's own lead; each with the loads whose current flows there.
 *
 * A cord counts the same whether it is entered at the supply or at the load.
 *
 * Source: physics; impedances by reference/voltage-quality.ts where not entered (low).
 */
export function loadVoltsElement(
  rig: Rig,
  supply: Supply,
  entry: FedLoad,
  fed: readonly FedLoad[],
  elements: readonly SeriesElement[],
): readonly LoadVoltsElement[] {
  const { load, bus, poles, circuit } = entry;
  if (bus.kind === 'dc') return [];
  const volts = bus.volts * poles.length;
  const members: Members = new Map([[load.id, 1]]);
  const onCircuit: Members = new Map(
    fed.filter((other) => other.circuit.id === circuit.id).map((other) => [other.load.id, 1]),
  );
  const { cable } = circuit;
  const branch: readonly PathImpedance[] = cable
    ? [{ what: 'circuit-cable', ohms: cableOhmsAtEdges(cable), members: onCircuit }]
    : [];
  const lead: readonly PathImpedance[] = load.cord
    ? [{ what: 'cord', ohms: cableOhmsAtEdges(load.cord), members }]
    : [];
  const [feed] = entry.feeds;
  const share = feed.by === 'source' ? voltageShare(supply, entry) : NOMINAL;
  return [
    {
      kind: 'load-volts',
      id: `${load.id}:volts`,
      name: `Volts at ${load.name}`,
      members,
      volts,
      openShare: share,
      path: [...sourcePath(rig, supply, entry, { fed, elements, volts }), ...branch, ...lead],
    },
  ];
}

const NOMINAL: Interval = { lo: 1, stated: 1, hi: 1 };

/** The impedances in a row at one edge; a generator's is a reactance. */
export function impedanceOf(path: readonly PathImpedance[], edge: keyof Interval): Impedance {
  const sum = (isReactance: boolean): number =>
    path
      .filter(({ what }) => (what === 'generator') === isReactance)
      .reduce((all, { ohms }) => all + ohms[edge], 0);
  return { ohms: sum(false), reactanceOhms: sum(true) };
}

interface Beside {
  readonly fed: readonly FedLoad[];
  readonly elements: readonly SeriesElement[];
  readonly volts: number;
}

function sourcePath(rig: Rig, supply: Supply, entry: FedLoad, beside: Beside): readonly PathImpedance[] {
  const { load, feeds } = entry;
  const inverter = beside.elements.find(
    (element): element is InverterElement => element.kind === 'inverter' && element.members.has(load.id),
  );
  const own: readonly PathImpedance[] = inverter
    ? [
        {
          what: 'inverter',
          // Heat takes of its rating, not of what it is made of.
          ohms: ofBase(
            INVERTER_IMPEDANCE,
            beside.volts,
            inverter.converter.continuousVA.value * inverter.units,
          ),
          members: inverter.members,
        },
      ]
    : [];
  const { assists } = inverter ?? {};
  if (feeds[0].by !== 'source' || assists?.startCarrier === 'inverter') return own;
  const source = behindSource(rig, supply, entry, beside);
  return assists ? sideBySide(source, own, assists.startCarrier) : source;
}

/** A start that a source and an inverter share dips both of them; where that is not known, the source alone at worst. */
function sideBySide(
  source: readonly PathImpedance[],
  inverter: readonly PathImpedance[],
  carrier: StartCarrier,
): readonly PathImpedance[] {
  const sizeOf = (path: readonly PathImpedance[], edge: keyof Interval): number => {
    const { ohms, reactanceOhms } = impedanceOf(path, edge);
    return magnitude(ohms, reactanceOhms);
  };
  const share = (edge: keyof Interval): number => {
    const [one, other] = [sizeOf(source, edge), sizeOf(inverter, edge)];
    return one + other > 0 ? other / (one + other) : 0;
  };
  const shares = { lo: share('lo'), stated: share('stated'), hi: carrier === 'shared' ? share('hi') : 1 };
  return source.map(({ ohms, ...each }) => ({
    ...each,
    ohms: {
      lo: ohms.lo * shares.lo,
      stated: ohms.stated * shares.stated,
      hi: ohms.hi * shares.hi,
    },
  }));
}

function behindSource(
  rig: Rig,
  supply: Supply,
  { load, feeds: [feed] }: FedLoad,
  { fed, elements, volts }: Beside,
): readonly PathImpedance[] {
  if (feed.by !== 'source') return [];
  const set = elements.find(
    (element): element is GeneratorElement =>
      element.kind === 'generator' && element.source.kind !== 'inlet' && element.members.has(load.id),
  );
  if (set)
    return [
      {
        what: 'generator',
        ohms: ofBase(GENERATOR_REACTANCE, volts, set.rating.continuousVA.value),
        members: set.members,
      },
    ];
  const isOneConductor = feed.phase === 'in-phase';
  const members: Members = new Map(
    fed.flatMap(({ load: { id }, feeds }) =>
      feeds[0].by === 'source' && (isOneConductor || feeds[0].sourcePole === feed.sourcePole)
        ? [[id, 1] as const]
        : [],
    ),
  );
  // The arrival test measures pedestal and cords together.
  if (supply.sourceOhms)
    return [{ what: 'pedestal', ohms: intervalOf(supply.sourceOhms, 'running'), members }];
  return [
    { what: 'pedestal', ohms: pedestalOhms(busOf(rig, feed.source.bus).volts), members },
    ...(supply.cords ?? []).map((cord): PathImpedance => ({
      what: 'cord',
      ohms: cableOhmsAtEdges(cord),
      members,
    })),
  ];
}

const ofBase = ({ low, usual, high }: UsualRange, volts: number, va: number): Interval => ({
  lo: inverterOhms(low, volts, va),
  stated: inverterOhms(usual, volts, va),
  hi: inverterOhms(high, volts, va),
});

function pedestalOhms(volts: number): Interval {
  const { low, usual, high } = PEDESTAL_OHMS;
  if (volts < REFERENCE_FROM_V) return { lo: low, stated: usual, hi: high };
  const { ohms } = REFERENCE_IMPEDANCE_230V;
  return { lo: ohms / 2, stated: ohms, hi: ohms };
}
