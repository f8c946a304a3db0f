import type { NumberStyle } from '../units/number-style.js';
import { formatAmount } from '../units/format.js';
import type { Rig } from '../rig-file/schema.js';
import { explainLimit, listNames, plainText } from '../words/explain.js';
import type { UnplannedLoad } from './unplanned-load.js';
import { worstVerdict, type Verdict } from '../check/verdict.js';

const DOES = { tight: 'may trip it', 'likely-trips': 'likely trips it', trips: 'trips it' } as const;

/** What one more switch does, told over all circuits: whether it holds, the weakest place and what fits there. */
export function unplannedLoadWords(
  style: NumberStyle,
  rig: Rig,
  found: readonly UnplannedLoad[],
  watts: number,
): { readonly verdict: Verdict; readonly line: string; readonly detail: string } | undefined {
  const [weakest] = found;
  if (!weakest) return undefined;
  const size = formatAmount(style, watts, 'W');
  const verdicts = found.map(({ limit }) => limit?.verdict ?? 'holds');
  const verdict = worstVerdict(verdicts);
  const failing = found.filter((_, index) => verdicts[index] !== 'holds');
  const where =
    failing.length === found.length && failing.length > 1
      ? 'on any circuit'
      : `on ${listNames(failing.map(({ circuit }) => circuit.name))}`;
  const room =
    weakest.mostW > 0
      ? `${weakest.circuit.name} bears ${formatAmount(style, weakest.mostW, 'W', 'at-least')} more`
      : `${weakest.circuit.name} bears nothing more`;
  const reason =
    weakest.limit && verdict !== 'holds' ? ` ${plainText(explainLimit(style, rig, weakest.limit))}` : '';
  return {
    verdict,
    line: found.every(({ mostW }) => mostW === 0)
      ? 'Nothing more fits anywhere.'
      : verdict === 'holds'
        ? `Any one more of ${size} holds.`
        : `${size} more ${where} ${DOES[verdict]}.`,
    detail: `The weakest: ${room}.${reason}`,
  };
}
