import { plainDemand } from '../../supply/assist.js';
import type { Consumer, ConsumerPart, StartOfPart } from '../../loads/consumer.js';
import { dipShare } from '../../supply/voltage-dip.js';
import type { Interval } from '../../units/quantity.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { START_VOLTAGE } from '../../reference/voltage-quality.js';
import { onMembers, runningSum } from '../wiring/running-set.js';
import type { LoadVoltsElement } from '../wiring/series-elements.js';
import { impedanceOf } from '../wiring/supply-path.js';
import { exactCapacity, judge, type Limit } from './limit.js';

interface StartingMotor {
  readonly consumer: Consumer;
  readonly part: ConsumerPart;
  readonly start: StartOfPart;
}

/**
 * The volts that are lost on the way to a motor as it starts, its own dip included, against what it can do without.
 *
 * Torque goes with the square of the volts: where v² falls to the share that the load asks for, the motor does not start,
 * and fails at that edge. Below 0.80 of its rated volts it is not counted on: at worst alone.
 *
 * @param running What runs meanwhile, the load itself left out.
 * @returns Volts; nothing for what has no rotor. Source: physics (methods.md, rule 40); 0.80 common practice.
 *
 * @example
 * // 6,900 VA at the end of 60 m of 14 AWG (1.2 ohm): 40 of 120 V are lost, where 24 V may be
 */
export function loadVoltsLimit(
  element: LoadVoltsElement,
  { consumer, part, start }: StartingMotor,
  running: readonly Consumer[],
): readonly Limit[] {
  const { startTorqueShare } = kindOfPart(part.part.kind);
  if (startTorqueShare === undefined) return [];
  const lost = lostVolts(element, start, running);
  const least = Math.sqrt(startTorqueShare);
  const turns = element.volts * (1 - least);
  const { lo, stated, hi } = start.seconds;
  return [
    judge({
      id: `${element.id}:start:${part.part.id}`,
      kind: 'load-volts-start',
      element,
      unit: 'V',
      start: {
        loadId: consumer.load.id,
        partId: part.part.id,
        seconds: start.seconds,
        ceilingSeconds: { pessimistic: hi, stated, optimistic: lo },
        again: false,
        cause: 'start',
        straddles: false,
      },
      running: beforeTheStart(element, running),
      demand: plainDemand(lost.lo, lost.stated, lost.hi),
      capacity: exactCapacity(element.volts * (1 - Math.max(START_VOLTAGE, least)), turns, turns),
      weighed: {
        running: [],
        starting: { consumer, part },
        perWatt: impedanceOf(element.path, 'stated').ohms / element.volts,
      },
    }),
  ];
}

function lostVolts(element: LoadVoltsElement, start: StartOfPart, running: readonly Consumer[]): Interval {
  const { volts, path, openShare } = element;
  const before = beforeTheStart(element, running);
  const { value, minus, plus } = start.va;
  // The start is known at the volts of what feeds it: a locked rotor takes as many amps less as there are volts less.
  const amps = { lo: value - minus, stated: value, hi: value + plus };
  const at = (edge: keyof Interval, powerFactors: readonly number[]): number => {
    const rated = amps[edge] / openShare.stated / volts;
    const dips = powerFactors.map((pf) => dipShare(impedanceOf(path, edge), volts, rated, pf));
    const dip = edge === 'lo' ? Math.min(...dips) : Math.max(...dips);
    return volts - (volts - before[edge]) * (1 - dip);
  };
  const { lo, stated, hi } = start.powerFactor;
  return { lo: at('lo', [lo, hi]), stated: at('stated', [stated]), hi: at('hi', [lo, hi]) };
}

/**
 * Volts that are missing before the start: what feeds it has fewer, and what runs takes its share of the way. An inverter and
 * a generator keep their volts while nothing changes.
 */
function beforeTheStart(
  { volts, path, openShare }: LoadVoltsElement,
  running: readonly Consumer[],
): Interval {
  const wires = path.filter(({ what }) => what !== 'inverter' && what !== 'generator');
  const dropped = wires.map(({ ohms, members }) => {
    const { va } = runningSum(onMembers(members, running));
    return {
      lo: (ohms.lo * va.lo) / volts,
      stated: (ohms.stated * va.stated) / volts,
      hi: (ohms.hi * va.hi) / volts,
    };
  });
  const sum = (edge: keyof Interval): number => dropped.reduce((all, each) => all + each[edge], 0);
  return {
    lo: Math.max(0, volts * (1 - openShare.hi)) + sum('lo'),
    stated: Math.max(0, volts * (1 - openShare.stated)) + sum('stated'),
    hi: Math.max(0, volts * (1 - openShare.lo)) + sum('hi'),
  };
}
