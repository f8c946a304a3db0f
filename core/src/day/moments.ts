import { bitsOf } from '../sets/bits.js';
import { check, type CheckResult } from '../check/check.js';
import type { Limit } from '../check/limits/limit.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { LoadOn } from '../check/situation.js';
import { worstVerdict, type Verdict } from '../check/verdict.js';
import type { DaySystem } from './day-system.js';
import type { Timetable } from './plan/timetable.js';

/** A stretch of a plan in which the same loads run on the same supply, as the check judges it. */
export interface Moment {
  /** In steps, the end left out. */
  readonly from: number;
  readonly until: number;
  /** Undefined where nothing feeds anything. */
  readonly supply: string | undefined;
  /** What is to run, in the order in which it was started; what of it nothing feeds is said of its piece. */
  readonly on: readonly LoadOn[];
  readonly verdict: Verdict;
  readonly decider: Limit | undefined;
  /** How full the fullest limit is while it runs and at a start, 1 being the limit. */
  readonly runningShare: number;
  readonly startShare: number;
}

/** The stretches of a plan, each judged by the check itself: what runs already has been started before. */
export function momentsOfPlan(timetable: Timetable): readonly Moment[] {
  const { system, supplies } = timetable;
  const judged = judgements(system);
  const moments: Moment[] = [];
  let order: readonly number[] = [];
  for (let slot = 0; slot < system.slots; slot += 1) {
    const [mask, starting] = [timetable.runningAt(slot), timetable.startingAt(slot)];
    const isOn = new Set(bitsOf(mask));
    // Where no order does, any shows it.
    const begun = timetable.setsAt(slot)?.startOrder(starting, mask) ?? bitsOf(starting);
    order = [...order.filter((state) => isOn.has(state) && !begun.includes(state)), ...begun];
    const last = moments.at(-1);
    const supply = supplies[slot];
    if (last && starting === 0 && last.supply === supply && last.on.length === isOn.size)
      moments[moments.length - 1] = { ...last, until: slot + 1 };
    else moments.push({ ...judged(supply, order, begun), supply, from: slot, until: slot + 1 });
  }
  return moments;
}

type Judgement = Omit<Moment, 'from' | 'until' | 'supply'>;

const NOTHING_FEEDS: Omit<Judgement, 'on'> = {
  verdict: 'holds',
  decider: undefined,
  runningShare: 0,
  startShare: 0,
};

function judgements({ compiled, states }: DaySystem) {
  const known = new Map<string, Judgement>();
  return (supply: string | undefined, order: readonly number[], begun: readonly number[]): Judgement => {
    const on = order.flatMap((state): readonly LoadOn[] => {
      const asked = states[state];
      return asked ? [{ load: asked.loadId, state: asked.stateId }] : [];
    });
    const starting = new Set(begun.map((state) => states[state]?.loadId));
    const key = `${supply ?? ''} ${order.join(' ')} / ${begun.join(' ')}`;
    const judgement =
      known.get(key) ??
      (supply === undefined
        ? { on, ...NOTHING_FEEDS }
        : judge(on, starting, check(compiled, { supply, on }, 'given')));
    known.set(key, judgement);
    return judgement;
  };
}

function judge(
  on: readonly LoadOn[],
  starting: ReadonlySet<string | undefined>,
  { limits, starts, restarts }: CheckResult,
): Judgement {
  const running = limits.filter(({ start }) => !start);
  const now = starts.filter(
    ({ moment, consumer }) => moment !== 'in-order' || starting.has(consumer.load.id),
  );
  const counted = [...running, ...now.flatMap((start) => start.limits)];
  const restarted = restarts.map(({ limit }) => limit);
  const all = [...counted, ...restarted];
  return {
    on,
    verdict: worstVerdict(all.map(({ verdict }) => verdict)),
    decider: decidingLimit(all),
    runningShare: fullest(running),
    startShare: fullest(counted.filter(({ start }) => start)),
  };
}

const fullest = (limits: readonly Limit[]): number => Math.max(0, ...limits.map(({ loading }) => loading));
