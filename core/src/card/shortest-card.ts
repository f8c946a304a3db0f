import { noProgress, type Progress } from '../units/progress.js';
import { wattsCounted } from '../loads/watts-counted.js';
import { PERCENT } from '../units/conversion-factors.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { keyOf, type CardItem, type CardPlan } from './card-plan.js';
import { fewestLines } from './fewest-lines.js';
import { mayBeOn, mayBeOnInOrder } from './line-proof.js';

/** A card with more lines of an order is not read. */
const MOST_ORDERS = 3;

/**
 * The shortest card for a supply: as much as possible always fine, without keeping anything out that could be on alone; of the
 * rest one at a time; pairs and more together in the fewest lines; what may join in one order only; what is never on.
 *
 * @param progress Told how far it is, in per cent.
 * @returns A plan each of whose lines is proved. Source: line-proof.ts; the lines of pairs by greedy cover.
 */
export function shortestCard(
  compiled: CompiledRig,
  supply: string,
  progress: Progress = noProgress,
): CardPlan {
  const holds = remembered((on) => mayBeOn(compiled, supply, on));
  const items = compiled.rig.loads.map((load) => fullestItem(compiled, load, (item) => holds([item])));
  const alone = items.filter((item) => holds([item]));
  const always = alwaysFine(compiled, alone, holds);
  progress(PERCENT / 2, PERCENT);
  const rest = alone.filter((item) => !always.includes(item));
  const fitsBeside = (...on: readonly CardItem[]): boolean => holds([...always, ...on]);
  const together = fewestLines(rest, fitsBeside);
  progress(PERCENT, PERCENT);
  return {
    supply,
    always,
    oneAtATime: rest,
    together,
    orders: ordersAmong(rest, fitsBeside, (first, then) =>
      mayBeOnInOrder(compiled, supply, [...always, first, then]),
    ),
    never: items.filter((item) => !alone.includes(item)),
  };
}

/** Asks once of each set. */
function remembered(ask: (on: readonly CardItem[]) => boolean): (on: readonly CardItem[]) => boolean {
  const known = new Map<string, boolean>();
  return (on) => {
    const key = on.map(keyOf).sort().join(' ');
    const before = known.get(key);
    if (before !== undefined) return before;
    const now = ask(on);
    known.set(key, now);
    return now;
  };
}

/** A load as it is, or in the fullest of its states that may be on alone. */
function fullestItem({ rig }: CompiledRig, load: Load, isFine: (item: CardItem) => boolean): CardItem {
  const whole: CardItem = { load: load.id };
  if (isFine(whole)) return whole;
  const watts = (state: string): number => wattsCounted(rig, load, state);
  const states = [...(load.states ?? [])].sort((a, b) => watts(b.id) - watts(a.id));
  return (
    states.map(({ id }): CardItem => ({ load: load.id, state: id })).find((item) => isFine(item)) ?? whole
  );
}

/** What runs by itself and what is small first; each joins unless it keeps something out that could be on beside the others. */
function alwaysFine(
  { rig }: CompiledRig,
  alone: readonly CardItem[],
  holds: (on: readonly CardItem[]) => boolean,
): readonly CardItem[] {
  const loadOf = (item: CardItem): Load | undefined => rig.loads.find(({ id }) => id === item.load);
  const rank = (item: CardItem): number => {
    const load = loadOf(item);
    if (!load) return 0;
    const isKept = load.isProtected === 'yes' || load.usage === 'by-itself';
    return wattsCounted(rig, load, item.state) * (isKept ? KEPT_COUNTS : 1);
  };
  return [...alone]
    .sort((a, b) => rank(a) - rank(b))
    .reduce<readonly CardItem[]>((always, item) => {
      const others = alone.filter((other) => other !== item && !always.includes(other));
      const isFine = (on: readonly CardItem[]): boolean => holds([...always, ...on]);
      const keepsOut = others.some((other) => isFine([other]) && !isFine([item, other]));
      return isFine([item]) && !keepsOut ? [...always, item] : always;
    }, []);
}

/** What nobody switches is asked before what is of the same size. */
const KEPT_COUNTS = 0.5;

function ordersAmong(
  rest: readonly CardItem[],
  fitsBeside: (...on: readonly CardItem[]) => boolean,
  fitsInOrder: (first: CardItem, then: CardItem) => boolean,
): CardPlan['orders'] {
  return rest
    .flatMap((first) => rest.filter((then) => then !== first).map((then) => ({ first, then })))
    .filter(({ first, then }) => !fitsBeside(first, then) && fitsInOrder(first, then))
    .slice(0, MOST_ORDERS);
}
