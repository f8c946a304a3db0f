import type { NumberStyle } from '../units/number-style.js';
import { capitalised } from '../units/format.js';
import type { Rig, Supply } from '../rig-file/schema.js';
import type { SeriesElement } from '../check/wiring/series-elements.js';
import type { CheckResult } from '../check/check.js';
import type { Limit } from '../check/limits/limit.js';
import type { Verdict } from '../check/verdict.js';
import { explainLimit, plainText } from './explain.js';

/** What is said once of a supply instead of with every set on it: the word, why, and the one act or answer that settles it. */
export interface SupplyNotice {
  readonly verdict: Verdict;
  readonly headline: string;
  readonly reason: string;
  readonly does: string;
}

/**
 * The notices of a supply: what it does not keep with charging alone, and who carries a start where that is not known.
 * Every set on it is judged beside them, by what it adds.
 *
 * Source: methods.md, rules 11 and 49.
 *
 * @example
 * // 'Shore 15 A, shared: charging alone may trip it.'
 */
export function supplyNotices(
  style: NumberStyle,
  rig: Rig,
  { ofSupply, supply, elements }: Pick<CheckResult, 'ofSupply' | 'supply' | 'elements'>,
): readonly SupplyNotice[] {
  const [limit] = ofSupply;
  return [
    ...(limit ? [overByItself(style, rig, supply, limit)] : []),
    ...(elements.some(hasUnknownCarrier) ? [carrierNotice(supply)] : []),
  ];
}

function overByItself(style: NumberStyle, rig: Rig, supply: Supply, limit: Limit): SupplyNotice {
  return {
    verdict: limit.verdict,
    headline: `${capitalised(supply.name)}: ${DOES[limit.verdict][limit.kind === 'continuous-rule' ? 'rule' : 'limit']}`,
    reason: plainText(explainLimit(style, rig, limit)),
    does: settles(limit, supply.inputLimitA !== undefined),
  };
}

const hasUnknownCarrier = (element: SeriesElement): boolean =>
  element.kind === 'inverter' && element.assists?.startCarrier === 'unknown';

function carrierNotice({ name }: Supply): SupplyNotice {
  return {
    verdict: 'tight',
    headline: `${capitalised(name)}: who carries a start is not known.`,
    reason: 'Each start is held against the inverter by itself and against the source by itself.',
    does: 'Let the largest motor start three times on this hookup, watch the amps of the source, and enter who carries it.',
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
