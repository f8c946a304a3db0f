import type { NumberStyle } from '../units/number-style.js';
import type { Rig } from '../rig-file/schema.js';
import type { VerdictChange, VerdictChanges } from './give/verdict-changes.js';
import type { Verdict } from '../check/verdict.js';
import { explain, verdictPhrase } from '../words/explain.js';

/** A verdict that changes, as a line. */
interface ChangeLine {
  readonly set: string;
  readonly supply: string;
  readonly before: Verdict;
  readonly after: Verdict;
  /** What it says then. */
  readonly then: string;
}

export interface ChangeLines {
  readonly changed: readonly ChangeLine[];
  readonly looked: number;
  /** What comes closest to another verdict of those that stay. */
  readonly closest: ChangeLine | undefined;
}

/** Verdicts that change with a number, in words. */
export function changeLines(
  style: NumberStyle,
  after: Rig,
  { changed, closest, looked }: VerdictChanges,
): ChangeLines {
  const line = (change: VerdictChange): ChangeLine => lineOf(style, after, change);
  return { changed: changed.map(line), looked, closest: closest && line(closest) };
}

function lineOf(
  style: NumberStyle,
  rig: Rig,
  { scene, loads, supply, before, after }: VerdictChange,
): ChangeLine {
  const named = (
    list: readonly { readonly id: string; readonly name: string }[],
    id: string | undefined,
  ): string => list.find((each) => each.id === id)?.name ?? '';
  const words = explain(style, rig, after);
  return {
    set:
      scene === undefined ? setWords(loads.map((load) => named(rig.loads, load))) : named(rig.scenes, scene),
    supply: named(rig.supplies, supply),
    before: before.verdict,
    after: after.verdict,
    then: `${verdictPhrase(words)}. ${words.action}`,
  };
}

const setWords = (names: readonly string[]): string =>
  names.length === 1 ? `${names[0] ?? ''} alone` : names.join(' and ');
