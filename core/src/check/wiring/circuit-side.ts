import { ampacity, sectionOf } from '../../protection/cable.js';
import { METRIC_AMPACITY } from '../../reference/copper-metric.js';
import { BOAT_AMPACITY, WIRE_AMPACITY } from '../../reference/copper-awg.js';
import { sourceWords } from '../../reference/provenance.js';
import type { Cable, Circuit, Rig } from '../../rig-file/schema.js';
import { busOf, type FedLoad } from './fed-loads.js';
import { heatAt } from './heat-at.js';
import { withAmps } from './names-of-elements.js';
import { hasContinuousRule } from '../../protection/continuous-rule.js';
import { cordElements, unknownCord } from './source-side.js';
import type {
  BreakerElement,
  CableElement,
  CordElement,
  Members,
  NeutralElement,
  UnknownRatingElement,
} from './series-elements.js';

const AMPACITY_SOURCES = { nec: WIRE_AMPACITY, abyc: BOAT_AMPACITY, iec: METRIC_AMPACITY } as const;

/** Breaker, cable and receptacle of a circuit. */
export function circuitElements(
  rig: Rig,
  circuit: Circuit,
  fed: readonly FedLoad[],
): readonly (BreakerElement | CableElement | CordElement | UnknownRatingElement)[] {
  const { id, name, protection, cable, receptacleA } = circuit;
  const members = membersOn(circuit, fed);
  const volts = busOf(rig, circuit.bus).volts * (circuit.pole === 'both' ? 2 : 1);
  const isAc = busOf(rig, circuit.bus).kind === 'ac';
  const breaker: BreakerElement = {
    kind: 'branch-breaker',
    id,
    name: withAmps(name, protection),
    protection,
    ...heatAt(rig, 'panelC'),
    hasContinuousRule: isAc && hasContinuousRule(rig, protection),
    volts,
    members,
    behindLimits: [],
  };
  const school = schoolOf(rig, cable);
  return [
    breaker,
    ...(cable
      ? cableElements(circuit, cable, { volts, members, school, panelC: rig.conditions?.panelC })
      : []),
    ...cordElements(
      `${id}:receptacle`,
      `Receptacle of ${name}`,
      { plugA: receptacleA },
      {
        members,
        volts,
        behindLimits: [],
        hasContinuousRule: isAc && hasContinuousRule(rig, protection),
      },
    ),
  ];
}

/** The cable of a circuit; one thinner than the table of its school says nothing of what it carries. */
function cableElements(
  { id, name }: Circuit,
  cable: Cable,
  {
    volts,
    members,
    school,
    panelC,
  }: Pick<CableElement, 'volts' | 'members'> & {
    readonly school: keyof typeof AMPACITY_SOURCES;
    readonly panelC: number | undefined;
  },
): readonly (CableElement | UnknownRatingElement)[] {
  const carries = ampacity(cable, school, panelC);
  const own = { id: `${id}:cable`, name: `Cable of ${name}`, members };
  if (carries !== undefined) {
    const source = sourceWords(AMPACITY_SOURCES[school]);
    return [{ kind: 'cable', ...own, amps: carries, volts, mm2: sectionOf(cable), source }];
  }
  const isThin = cable.mm2 !== undefined || cable.awg !== undefined;
  return isThin ? [unknownCord(own.id, own.name, { members, behindLimits: [] })] : [];
}

/** A metric cable is read from the metric table, whichever school the rig follows. */
function schoolOf(rig: Rig, cable: Circuit['cable']): 'nec' | 'abyc' | 'iec' {
  return cable?.awg === undefined ? 'iec' : rig.practice?.ampacity === 'abyc' ? 'abyc' : 'nec';
}

function membersOn(circuit: Circuit, fed: readonly FedLoad[]): Members {
  return new Map(fed.filter((entry) => entry.circuit.id === circuit.id).map((entry) => [entry.load.id, 1]));
}

/** Neutrals that two circuits share, where their legs do not oppose: then the breakers see less than it carries. */
export function neutralElements(rig: Rig, fed: readonly FedLoad[]): readonly NeutralElement[] {
  return rig.circuits.flatMap((circuit) => {
    const other = rig.circuits.find((each) => each.id === circuit.sharesNeutralWith);
    if (!other || !isFirstOfPair(rig, circuit, other)) return [];
    const phase = fed.find((entry) => entry.circuit === circuit || entry.circuit === other)?.feeds[0].phase;
    if (phase === undefined || phase === 'opposed') return [];
    const [one, two] = [membersOn(circuit, fed), membersOn(other, fed)];
    const amps = Math.min(circuit.protection.amps, other.protection.amps);
    return [
      {
        kind: 'neutral' as const,
        id: `${circuit.id}:neutral`,
        name: withAmps(`Neutral of ${circuit.name} and ${other.name}`, { amps }),
        amps,
        volts: busOf(rig, circuit.bus).volts,
        legs: phase === 'wye-208' ? 'wye-208' : 'in-phase',
        sides: [new Set(one.keys()), new Set(two.keys())] as const,
        members: new Map([...one, ...two]),
      },
    ];
  });
}

/** Both of a pair may name each other; it is one neutral. */
function isFirstOfPair(rig: Rig, circuit: Circuit, other: Circuit): boolean {
  return (
    other.sharesNeutralWith !== circuit.id || rig.circuits.indexOf(circuit) < rig.circuits.indexOf(other)
  );
}
