import type { NumberStyle } from '../quantity/number-style.js';
import { capitalised } from '../quantity/format.js';
import type { Rig } from '../rig/schema.js';
import type { CheckResult } from '../verdict/check.js';
import type { Limit } from '../verdict/limit.js';
import type { Verdict } from '../verdict/verdict.js';
import { explainLimit, plainText } from './explain.js';

/** What a supply does not keep by itself, said once of it: the word, why, and the one act or answer that settles it. */
export interface SupplyNotice {
  readonly verdict: Verdict;
  readonly headline: string;
  readonly reason: string;
  readonly does: string;
  readonly limit: Limit;
}

/**
 * The notice of a supply that is Tight or worse with charging alone: every set on it is judged beside it, by what it adds.
 *
 * @returns Undefined where the supply keeps all of it by itself. Source: methods.md, rule 49.
 *
 * @example
 * // 'Shore 15 A, shared: charging alone may trip it.'
 */
export function supplyNoticeWords(
  style: NumberStyle,
  rig: Rig,
  { ofSupply, supply }: Pick<CheckResult, 'ofSupply' | 'supply'>,
): SupplyNotice | undefined {
  const [limit] = ofSupply;
  if (!limit) return undefined;
  return {
    verdict: limit.verdict,
    headline: `${capitalised(supply.name)}: ${DOES[limit.verdict][limit.kind === 'continuous-rule' ? 'rule' : 'limit']}`,
    reason: plainText(explainLimit(style, rig, limit)),
    does: settles(limit, supply.inputLimitA !== undefined),
    limit,
  };
}

const DOES: Record<Verdict, Readonly<Record<'rule' | 'limit', string>>> = {
  holds: { rule: 'charging alone holds.', limit: 'charging alone holds.' },
  tight: { rule: 'charging alone is over the 3 h rule.', limit: 'charging alone may trip it.' },
  'likely-trips': { rule: 'charging alone is over the 3 h rule.', limit: 'charging alone likely trips it.' },
  trips: { rule: 'charging alone is over the 3 h rule.', limit: 'charging alone trips it.' },
};

function settles({ element }: Limit, hasInputLimit: boolean): string {
  if (element.kind === 'unknown-rating')
    return element.of === 'charger'
      ? 'Enter its charge current, or switch charging off.'
      : `Enter ${element.name}.`;
  return hasInputLimit
    ? 'Lower the input limit, or switch charging off.'
    : 'Lower the charge current, or switch charging off.';
}
