import { USUAL_UNPLANNED_W, withSomethingMore } from '../outlook/unplanned-load.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { Limit } from '../check/limits/limit.js';
import { compareVerdicts, type Verdict } from '../check/verdict.js';
import { SLOT_MINUTES } from './clock.js';
import { momentsOfPlan } from './moments.js';
import type { Timetable } from './plan/timetable.js';

/** What one thing more on any free outlet does to a plan. */
export interface Surprise {
  readonly watts: number;
  /** Minutes of the plan in which it does no harm, whichever outlet it is on. */
  readonly harmlessMinutes: number;
  readonly ofMinutes: number;
  /** Stretches in which it trips or may, with what decides, the worst first. */
  readonly harm: readonly SurpriseHarm[];
}

interface SurpriseHarm {
  /** Minutes from the beginning of the plan. */
  readonly from: number;
  readonly until: number;
  readonly verdict: Exclude<Verdict, 'holds'>;
  /** The circuit on which it is worst. */
  readonly circuit: string;
  readonly limit: Limit;
}

/**
 * Whether a plan survives one surprise: a guest switches on a hair dryer, at any moment, on any free outlet.
 *
 * @param watts At the plug, W, without a start of its own.
 * @returns Source: the limits of the check, as unplannedLoadsOf.
 */
export function surpriseIn(timetable: Timetable, watts = USUAL_UNPLANNED_W): Surprise {
  const { rig } = timetable.system.compiled;
  const { circuitsOn, limitsWith } = withSomethingMore(rig);
  const moments = momentsOfPlan(timetable).filter(({ supply }) => supply !== undefined);
  const judged = moments.map(({ from, until, supply = '', on }) => {
    const own = circuitsOn(supply).flatMap((circuit) => {
      const limit = decidingLimit(limitsWith({ supply, on }, circuit, watts));
      return limit ? [{ circuit: circuit.name, limit }] : [];
    });
    const decider = decidingLimit(own.map(({ limit }) => limit));
    const worst = own.find(({ limit }) => limit === decider);
    const verdict = decider?.verdict ?? 'holds';
    return { from: from * SLOT_MINUTES, until: until * SLOT_MINUTES, verdict, worst };
  });
  const minutes = (all: readonly { readonly from: number; readonly until: number }[]): number =>
    all.reduce((sum, { from, until }) => sum + until - from, 0);
  return {
    watts,
    harmlessMinutes: minutes(judged.filter(({ verdict }) => verdict === 'holds')),
    ofMinutes: minutes(judged),
    harm: [
      ...joined(
        judged.flatMap(({ verdict, worst, ...span }) =>
          verdict === 'holds' || !worst ? [] : [{ ...span, verdict, ...worst }],
        ),
      ),
    ].sort((a, b) => compareVerdicts(b.verdict, a.verdict) || a.from - b.from),
  };
}

/** Neighbours in which the same limit decides on the same circuit, as one stretch. */
function joined(harms: readonly SurpriseHarm[]): readonly SurpriseHarm[] {
  return harms.reduce<readonly SurpriseHarm[]>((all, harm) => {
    const last = all.at(-1);
    const isSame =
      last?.until === harm.from &&
      last.verdict === harm.verdict &&
      last.circuit === harm.circuit &&
      last.limit.element.id === harm.limit.element.id;
    return isSame ? [...all.slice(0, -1), { ...last, until: harm.until }] : [...all, harm];
  }, []);
}
