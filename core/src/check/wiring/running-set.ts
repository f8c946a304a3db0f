import type { AcSum, AcTerm } from '../../loads/apparent-power.js';
import { onConductor } from '../../loads/at-volts.js';
import { addOnLeg } from '../../supply/between-phases.js';
import type { Consumer } from '../../loads/consumer.js';
import type { Members } from './series-elements.js';

/**
 * Loads that run together. The conductors of one path have the same members, and every one of their limits asks
 * for the same sum: each is added up once.
 */
export class RunningSet {
  private readonly flows = new Map<Members, Flow>();

  constructor(readonly consumers: readonly Consumer[]) {}

  /** The loads on a conductor, each with the share of it that flows there. */
  through(members: Members): readonly Consumer[] {
    return this.flowOn(members).through;
  }

  /** The running sum on a conductor. */
  sum(members: Members): AcSum {
    const flow = this.flowOn(members);
    return (flow.sum ??= runningSum(flow.through));
  }

  private flowOn(members: Members): Flow {
    const flow = this.flows.get(members) ?? { through: onMembers(members, this.consumers) };
    this.flows.set(members, flow);
    return flow;
  }
}

interface Flow {
  readonly through: readonly Consumer[];
  sum?: AcSum;
}

/** The consumers on a conductor, each with the share of it that flows there. */
export function onMembers(members: Members, consumers: readonly Consumer[]): readonly Consumer[] {
  const there: Consumer[] = [];
  for (const consumer of consumers) {
    const share = members.get(consumer.load.id);
    if (share !== undefined) there.push(onConductor(consumer, share));
  }
  return there;
}

/** The consumers of a set of loads. */
export function among(
  loads: { has(id: string): boolean },
  consumers: readonly Consumer[],
): readonly Consumer[] {
  return consumers.filter((consumer) => loads.has(consumer.load.id));
}

/** What consumers draw running, as terms of a sum. */
export function runningTerms(consumers: readonly Consumer[]): readonly AcTerm[] {
  const terms: AcTerm[] = [];
  for (const { parts } of consumers) for (const { running } of parts) terms.push(running);
  return terms;
}

/** The running sum of consumers. */
export function runningSum(consumers: readonly Consumer[]): AcSum {
  return addOnLeg(runningTerms(consumers));
}
