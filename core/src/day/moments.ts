import { bitsOf } from '../sets/bits.js';
import { check, type CheckResult } from '../verdict/check.js';
import type { Limit } from '../verdict/limit.js';
import type { LoadOn } from '../verdict/situation.js';
import { worstVerdict, type Verdict } from '../verdict/verdict.js';
import type { DaySystem } from './day-system.js';
import type { Timetable } from './timetable.js';

/** A stretch of a plan in which the same loads run on the same supply, as the check judges it. */
export interface Moment {
  /** In steps, the end left out. */
  readonly from: number;
  readonly until: number;
  /** Undefined where nothing feeds anything. */
  readonly supply: string | undefined;
  /** What runs, in the order in which it was started. */
  readonly on: readonly LoadOn[];
  readonly verdict: Verdict;
  readonly decider: Limit | undefined;
  /** How full the fullest limit is while it runs and at a start, 1 being the limit. */
  readonly runningShare: number;
  readonly startShare: number;
}

/** The stretches of a plan, each judged by the check itself in the order in which its loads were started. */
export function momentsOfPlan(timetable: Timetable): readonly Moment[] {
  const { system, supplies } = timetable;
  const judged = judgements(system);
  const moments: Moment[] = [];
  let order: readonly number[] = [];
  for (let slot = 0; slot < system.slots; slot += 1) {
    const [mask, starting] = [timetable.runningAt(slot), timetable.startingAt(slot)];
    const isOn = new Set(bitsOf(mask));
    const begun = new Set(bitsOf(starting));
    order = [...order.filter((state) => isOn.has(state) && !begun.has(state)), ...begun];
    const last = moments.at(-1);
    const supply = supplies[slot];
    if (last && starting === 0 && last.supply === supply && last.on.length === isOn.size)
      moments[moments.length - 1] = { ...last, until: slot + 1 };
    else moments.push({ ...judged(supply, order), supply, from: slot, until: slot + 1 });
  }
  return moments;
}

type Judgement = Omit<Moment, 'from' | 'until' | 'supply'>;

function judgements({ compiled, states }: DaySystem) {
  const known = new Map<string, Judgement>();
  return (supply: string | undefined, order: readonly number[]): Judgement => {
    const on = order.flatMap((state): readonly LoadOn[] => {
      const asked = states[state];
      return asked ? [{ load: asked.loadId, state: asked.stateId }] : [];
    });
    const key = `${supply ?? ''} ${order.join(' ')}`;
    const judgement =
      known.get(key) ??
      (supply === undefined
        ? { on, verdict: 'holds' as const, decider: undefined, runningShare: 0, startShare: 0 }
        : judge(on, check(compiled, { supply, on }, 'given')));
    known.set(key, judgement);
    return judgement;
  };
}

function judge(on: readonly LoadOn[], { verdict, decider, limits, restarts }: CheckResult): Judgement {
  return {
    on,
    verdict: worstVerdict([verdict, ...restarts.map(({ limit }) => limit.verdict)]),
    decider,
    runningShare: fullest(limits.filter(({ start }) => !start)),
    startShare: fullest(limits.filter(({ start }) => start)),
  };
}

const fullest = (limits: readonly Limit[]): number => Math.max(0, ...limits.map(({ loading }) => loading));
