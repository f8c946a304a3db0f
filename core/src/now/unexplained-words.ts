import type { ExplainedBy, UnexplainedPower } from './unexplained-power.js';
import { formatAmount } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import { loadOf } from '../rig/lookup.js';
import { inSentence, theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import { listNames } from '../words/explain.js';

/** What a meter shows beyond the ticks, in words. */
export interface UnexplainedWords {
  readonly figure: string;
  readonly says: string;
  readonly explanations: readonly { readonly by: string; readonly left: string }[];
}

const PLACES = {
  battery: 'The battery gives',
  output: 'The inverter gives',
  inlet: 'The inlet takes',
} as const;

/**
 * @example
 * // figure '140 W', says 'unexplained: the inverter gives 1,575 W, your ticks come to 1,435 W, give or take 52 W.'
 */
export function unexplainedWords(style: NumberStyle, rig: Rig, power: UnexplainedPower): UnexplainedWords {
  const { at, readW, expectedW, unexplainedW, doubtW, isExplained, explanations } = power;
  const watts = (value: number): string => formatAmount(style, Math.abs(value), 'W');
  const sum = `${PLACES[at]} ${watts(readW)}, your ticks come to ${watts(expectedW.stated)}, give or take ${watts(doubtW)}.`;
  const sun = at === 'battery' && unexplainedW < 0 ? ' What the sun adds is missing at this meter.' : '';
  const hint =
    !isExplained && explanations.length === 0 ? ' No load and no two loads of this rig explain it.' : '';
  return {
    figure: `${watts(unexplainedW)}${isExplained || unexplainedW > 0 ? '' : ' less'}`,
    says: `${isExplained ? 'Explained.' : unexplainedW > 0 ? 'Unexplained.' : 'Less than ticked.'} ${sum}${sun}${hint}`,
    explanations: explanations.map((each) => ({
      by: byWords(rig, each),
      left: `${watts(each.leftW)} left`,
    })),
  };
}

function byWords(rig: Rig, { on, resting }: ExplainedBy): string {
  const named = ({ load, state }: ExplainedBy['on'][number]): string => {
    const { name, states = [] } = loadOf(rig, load);
    const called = states.find(({ id }) => id === state)?.name;
    return called === undefined ? name : `${name} (${inSentence(called)})`;
  };
  const runs = on.map((each) => ({ words: named(each), usage: loadOf(rig, each.load).usage }));
  const parts = [
    ...(runs.length > 0
      ? [
          `${listNames(runs.map(({ words }, index) => (index === 0 ? words : inSentence(words))))} ${
            runs.every(({ usage }) => usage === 'by-itself') ? 'just running' : 'on without a tick'
          }`,
        ]
      : []),
    ...(resting.length > 0
      ? [`${listNames(resting.map((id) => theLoad(loadOf(rig, id).name)))} just resting`]
      : []),
  ];
  const [first = '', ...others] = parts;
  return [first.replace(/^the ./u, (start) => start.slice(4).toUpperCase()), ...others].join(', ');
}
