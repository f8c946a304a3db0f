import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import type { Verdict } from '@heliarch/core/check';
import { dimmingWords, inputLimitWords, powerBackWords, voltageDropWords } from '@heliarch/core/explain';
import type { Contingencies } from '../compute/rig-questions';

/** One answer beside the verdict. */
export interface ContingencyLine {
  readonly id: string;
  readonly question: string;
  /** Absent where the answer is not about holding. */
  readonly verdict: Verdict | undefined;
  readonly line: string;
  readonly detail: string;
}

/** What the set does when the power comes back, at the lights and at the input limit. */
export function contingencyLines(
  style: NumberStyle,
  rig: Rig,
  contingencies: Contingencies,
): readonly ContingencyLine[] {
  const { powerBack: back, dimming, inputLimit: limit, voltageDrops } = contingencies;
  const drop = voltageDropWords(style, voltageDrops);
  return [
    ...(back
      ? [
          {
            id: 'power-back',
            question: 'When power comes back',
            verdict: back.verdict,
            ...powerBackWords(style, rig, back),
          },
        ]
      : []),
    ...(dimming
      ? [{ id: 'dimming', question: 'Lights dip', verdict: undefined, ...dimmingWords(style, rig, dimming) }]
      : []),
    ...(drop ? [{ id: 'voltage-drop', question: 'Voltage drop', verdict: undefined, ...drop }] : []),
    ...(limit
      ? [{ id: 'input-limit', question: 'Input limit', verdict: undefined, ...inputLimitWords(style, limit) }]
      : []),
  ];
}
