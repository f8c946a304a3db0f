import { withFollowersOf } from '../rig/followers.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { check } from '../check/check.js';
import type { Limit } from '../check/limits/limit.js';
import { compareLimits } from '../check/limits/limit-order.js';
import { compareVerdicts, type Verdict } from '../check/verdict.js';
import { setsOf, type CardItem, type CardLine, type CardPlan } from './card-plan.js';

/** Whether a line of a card may be printed: what the check says of every set that it allows. */
export interface LineProof {
  readonly isProved: boolean;
  /** The worst verdict of those sets, restarts included. */
  readonly verdict: Verdict;
  /** How many sets were checked, each in any order. */
  readonly sets: number;
  /** The set that comes closest to a limit, and that limit; undefined where nothing is tested. */
  readonly hardest: { readonly on: readonly CardItem[]; readonly limit: Limit } | undefined;
  /** What nothing feeds of the sets: a line that counts on it says nothing. */
  readonly notFed: readonly { readonly load: string; readonly because: string }[];
}

/**
 * Proves a line of a card: every set that it allows, with all that starts with it, holds at the pessimistic edge, whatever the order of the starts, and
 * whatever is restarted while all of it runs. A line of an order is proved in that order alone. What is Tight is not proved.
 *
 * Source: methods.md, rules 1 to 14; the check itself.
 */
export function proofOfLine(compiled: CompiledRig, plan: CardPlan, line: CardLine): LineProof {
  const results = setsOf(plan, line).map((on) => ({ on, ...judged(compiled, plan.supply, on, line.kind) }));
  const hardest = results
    .flatMap(({ on, limit }) => (limit ? [{ on, limit }] : []))
    .reduce<LineProof['hardest']>(
      (worst, each) => (worst && compareLimits(worst.limit, each.limit) <= 0 ? worst : each),
      undefined,
    );
  const verdict = results
    .map((each) => each.verdict)
    .reduce<Verdict>((worst, each) => (compareVerdicts(each, worst) > 0 ? each : worst), 'holds');
  const notFed = [
    ...new Map(results.flatMap((each) => each.notFed).map((each) => [each.load, each])).values(),
  ];
  return {
    isProved: verdict === 'holds' && notFed.length === 0,
    verdict,
    sets: results.length,
    hardest,
    notFed,
  };
}

interface Judged {
  readonly verdict: Verdict;
  readonly limit: Limit | undefined;
  readonly notFed: LineProof['notFed'];
}

function judged(
  compiled: CompiledRig,
  supply: string,
  on: readonly CardItem[],
  kind: CardLine['kind'],
): Judged {
  const { rig } = compiled;
  const state = new Map(on.map((item) => [item.load, item.state]));
  const started = withFollowersOf(
    rig,
    on.map(({ load }) => load),
  );
  const all = started.map((load) => ({ load, state: state.get(load) }));
  const result = check(compiled, { supply, on: all }, kind === 'order' ? 'given' : 'any');
  return {
    verdict: result.verdict,
    limit: result.decider,
    notFed: result.notFed
      .filter(({ load }) => state.has(load.id))
      .map(({ load, because }) => ({ load: load.id, because })),
  };
}

/** Whether a set may stand on a card: it holds in any order, with every restart, and all of it is fed. */
export function mayBeOn(compiled: CompiledRig, supply: string, on: readonly CardItem[]): boolean {
  const { verdict, notFed } = judged(compiled, supply, on, 'always');
  return verdict === 'holds' && notFed.length === 0;
}

/** Whether a set holds in just this order. */
export function mayBeOnInOrder(compiled: CompiledRig, supply: string, on: readonly CardItem[]): boolean {
  const { verdict, notFed } = judged(compiled, supply, on, 'order');
  return verdict === 'holds' && notFed.length === 0;
}
