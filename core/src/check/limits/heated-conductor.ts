import type { Demand } from '../../loads/apparent-power.js';
import { heatingSeconds, shortTimeFactor } from '../../protection/heating-time.js';
import type { Consumer } from '../../loads/consumer.js';
import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import type { Edge } from '../../units/quantity.js';
import { SHORT_OVERLOAD_S } from '../../reference/conductor-heating.js';
import { demandAt, exactCapacity, type CapacityWithDoubt } from './limit.js';

/** What flows in a conductor for at least so long, A. */
export interface LastingAmps {
  readonly seconds: number;
  readonly amps: Demand;
}

/**
 * What a conductor has to carry and what it carries: what is over for less than ten minutes is judged by how fast it heats,
 * warm from what lasts. At each edge what fills it most counts.
 *
 * @param endlessA What it carries for ever.
 * @param mm2 Its section.
 * @param lasting At least what runs for ever, under `Infinity`.
 * Source: methods.md, rule 49.
 */
export function heatedConductor(
  endlessA: number,
  mm2: number,
  lasting: readonly LastingAmps[],
): { readonly demand: Demand; readonly capacity: CapacityWithDoubt } {
  const tau = heatingSeconds(mm2);
  const endless = lasting.find(({ seconds }) => seconds === Infinity);
  const fullest = (edge: Edge): { readonly asked: number; readonly carries: number } => {
    const before = endless ? demandAt(endless.amps, edge) / endlessA : 0;
    return lasting
      .map(({ seconds, amps }) => ({
        asked: demandAt(amps, edge),
        carries: endlessA * shortTimeFactor(seconds, tau[edge], before),
      }))
      .reduce((worst, each) => (each.asked / each.carries > worst.asked / worst.carries ? each : worst));
  };
  const [worst, stated, best] = [fullest('pessimistic'), fullest('stated'), fullest('optimistic')];
  const whole = lasting.reduce((most, each) => (each.amps.hi > most.amps.hi ? each : most)).amps;
  return {
    demand: { ...whole, lo: best.asked, stated: stated.asked, hi: worst.asked },
    capacity: exactCapacity(worst.carries, stated.carries, best.carries),
  };
}

/** For how long a load asks a conductor, s: less than ten minutes where it is switched by hand and known to be over by then. */
export function secondsOfHeat({ load }: Consumer): number {
  const { usage, cycling, runsMinutes } = load;
  if (usage === 'by-itself' || cycling !== undefined || runsMinutes === undefined) return Infinity;
  const seconds = runsMinutes * SECONDS_PER_MINUTE;
  return seconds < SHORT_OVERLOAD_S ? seconds : Infinity;
}

/** The lengths of heat among loads, the endless one always among them. */
export function lengthsOfHeat(consumers: readonly Consumer[]): readonly number[] {
  return [...new Set([...consumers.map(secondsOfHeat), Infinity])];
}
