import {
  dimmingOf,
  dimmingWords,
  inputLimitOf,
  inputLimitWords,
  powerBackOf,
  powerBackWords,
  voltageDropsOf,
  voltageDropWords,
  type CheckResult,
  type CheckScene,
  type Rig,
  type Verdict,
} from '@heliarch/core';

/** One answer beside the verdict. */
export interface WhatIfAnswer {
  readonly id: string;
  readonly question: string;
  /** Absent where the answer is not about holding. */
  readonly verdict: Verdict | undefined;
  readonly line: string;
  readonly detail: string;
}

/** What the set does when the power comes back, at the lights and at the input limit. */
export function whatIfOf(rig: Rig, scene: CheckScene, result: CheckResult): readonly WhatIfAnswer[] {
  const back = powerBackOf(rig, scene);
  const dimming = dimmingOf(rig, result);
  const limit = inputLimitOf(rig, result);
  const drop = voltageDropWords(voltageDropsOf(rig, result));
  return [
    ...(back
      ? [
          {
            id: 'power-back',
            question: 'When power comes back',
            verdict: back.verdict,
            ...powerBackWords(rig, back),
          },
        ]
      : []),
    ...(dimming
      ? [{ id: 'dimming', question: 'Lights dip', verdict: undefined, ...dimmingWords(rig, dimming) }]
      : []),
    ...(drop ? [{ id: 'voltage-drop', question: 'Voltage drop', verdict: undefined, ...drop }] : []),
    ...(limit
      ? [{ id: 'input-limit', question: 'Input limit', verdict: undefined, ...inputLimitWords(limit) }]
      : []),
  ];
}
