import { noProgress, type Progress } from '../units/progress.js';
import { dropOutOf } from '../outlook/supply/drop-out.js';
import { loadOf } from '../rig/lookup.js';
import type { CheckResult } from '../check/check.js';
import { compareVerdicts } from '../check/verdict.js';
import { isPurchase, type AskedSet, type Change } from './change.js';
import { enoughInverters } from './enough-inverter.js';
import { fewestOff } from './fewest-off.js';
import { pairsThatHold } from './pairs-of-changes.js';
import { oneOf, singleChanges } from './single-changes.js';
import { Trials, type Trial } from './trials.js';
import { wouldNotHelp, type WouldNotHelp } from './would-not-help.js';

/** Changes that make a set hold, and what it is then. */
export interface Way {
  readonly changes: readonly Change[];
  readonly result: CheckResult;
  /** Trouble that was not there before: beside the set itself, which holds. */
  readonly brings: readonly 'drop-out'[];
}

export interface WaysToFit {
  /** The least effort first. Where none holds, what should hold at least. */
  readonly ways: readonly Way[];
  /** What people would try or buy, and what stands in the way all the same. */
  readonly wouldNotHelp: readonly WouldNotHelp[];
  /** Every single change was tried, and every pair that can do anything; or not. */
  readonly extent: 'all' | 'so-far' | 'not-all-pairs';
}

export interface FitQuestion {
  /** Loads that must stay on, if turned down: the one that is wanted. */
  readonly kept?: readonly string[];
  readonly progress?: Progress;
  readonly tell?: (soFar: WaysToFit) => void;
}

/** With so many single ways nobody looks for two changes at once. */
const ENOUGH_WAYS = 3;
const MOST_WAITS = 2;
const NOTHING: WaysToFit = { ways: [], wouldNotHelp: [], extent: 'all' };

/**
 * What makes a set hold that is Tight or trips, the least effort first: single changes, and pairs of them where few
 * single ones are enough. Each is verified by the check itself, by every limit: what only shifts the trip elsewhere is none.
 *
 * @returns Nothing where it holds already. Source: the check; the ranking is common practice, no published source.
 */
export function waysToFit(asked: AskedSet, question: FitQuestion = {}): WaysToFit {
  const { progress = noProgress, tell = () => undefined } = question;
  const trials = new Trials(asked);
  if (trials.base.verdict === 'holds') return NOTHING;
  const kept = new Set(question.kept);
  const singles = singleChanges(trials, kept);
  const alone = enoughAlone(trials, singles, progress, tell);
  const found = [...alone, ...[...eitherOr(trials, alone), ...enoughInverters(trials)].map(asWay)];
  const isFew = found.filter(isByHand).length < ENOUGH_WAYS;
  const pairs = isFew ? pairsThatHold(trials, singles, progress) : { found: [], areAll: true };
  found.push(...pairs.found.map(asWay));
  const off = found.some(isByHand) ? undefined : fewestOff(trials, kept);
  const ways = fewWaits([...(off ? [asWay(off)] : []), ...found]);
  return {
    ways: ways.length > 0 ? ways : mayDo(trials, singles),
    wouldNotHelp: wouldNotHelp(trials),
    extent: pairs.areAll ? 'all' : 'not-all-pairs',
  };
  function asWay(trial: Trial): Way {
    return wayOf(trials, trial);
  }
}

const isByHand = ({ changes }: Way): boolean => !changes.some(isPurchase);

/** The single changes that are enough, in the order of their effort, each told as it is found. */
function enoughAlone(
  trials: Trials,
  singles: readonly Change[],
  progress: Progress,
  tell: NonNullable<FitQuestion['tell']>,
): readonly Way[] {
  const found: Way[] = [];
  const foundFor = new Set<string>();
  for (const [index, change] of singles.entries()) {
    progress(index, singles.length);
    const key = oneOf(change);
    const trial = foundFor.has(key) ? undefined : trials.try([change]);
    if (!trial || !isEnough(trial)) continue;
    if (key !== '') foundFor.add(key);
    found.push(wayOf(trials, { ...trial, changes: [refined(trials, change)] }));
    tell({ ways: [...found], wouldNotHelp: [], extent: 'so-far' });
  }
  return found;
}

const isEnough = ({ result, isWhole }: Trial): boolean => isWhole && result.verdict === 'holds';

/** A switch that keeps apart what can wait for one another: each of the two was found to hold with the other off. */
function eitherOr(trials: Trials, found: readonly Way[]): readonly Trial[] {
  const wait = found.flatMap(({ changes }) => changes).find((change) => change.by === 'wait');
  return wait ? [trials.try([{ by: 'either-or', loadIds: [wait.forId, wait.loadId] }])].filter(isEnough) : [];
}

/** How long charging has to be off: as long as the first of those runs without which it need not be. */
function refined(trials: Trials, change: Change): Change {
  if (change.by !== 'charging-off') return change;
  const { rig, scene } = trials.asked;
  const minutes = scene.on
    .map(({ load }) => loadOf(rig, load))
    .filter(({ id }) => trials.holds([{ by: 'off', loadId: id }]))
    .flatMap(({ runsMinutes }) => runsMinutes ?? []);
  return { ...change, minutes: minutes.length > 0 ? Math.min(...minutes) : undefined };
}

function wayOf(trials: Trials, { changes, asked, result }: Trial): Way {
  const before = troubles(trials, trials.asked);
  const brings = troubles(trials, asked).filter((trouble) => !before.includes(trouble));
  return { changes, result, brings };
}

function troubles(trials: Trials, asked: AskedSet): Way['brings'] {
  const dropOut = dropOutOf(trials.compiledOf(asked), asked.scene);
  return dropOut && compareVerdicts(dropOut.verdict, 'tight') > 0 ? ['drop-out'] : [];
}

/** Of waits the shortest are enough: the others say the same. */
function fewWaits(ways: readonly Way[]): readonly Way[] {
  const isWait = ({ changes: [only, second] }: Way): boolean => only?.by === 'wait' && !second;
  const waits = new Set(ways.filter(isWait).slice(0, MOST_WAITS));
  return ways.filter((way) => !isWait(way) || waits.has(way));
}

/** Where nothing holds: what should hold, though it may trip. */
function mayDo(trials: Trials, singles: readonly Change[]): readonly Way[] {
  if (compareVerdicts(trials.base.verdict, 'tight') <= 0) return [];
  return singles
    .map((change) => trials.try([change]))
    .filter(({ result, isWhole }) => isWhole && result.verdict === 'tight')
    .slice(0, ENOUGH_WAYS)
    .map((trial) => wayOf(trials, trial));
}
