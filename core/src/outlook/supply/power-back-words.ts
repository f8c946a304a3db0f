import type { NumberStyle } from '../../units/number-style.js';
import { formatNumber } from '../../units/format.js';
import type { Rig } from '../../rig-file/schema.js';
import { explainLimit, listNames, plainText } from '../../words/explain.js';
import { theLoad } from '../../rig/names-in-sentences.js';
import type { PowerBack, Wave } from './power-back.js';
import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';

/** What restarts as the power comes back, and what to switch off before: a line, and the reason behind it. */
export function powerBackWords(
  style: NumberStyle,
  rig: Rig,
  { verdict, decider, waves, switchOffFirst }: PowerBack,
): { readonly line: string; readonly detail: string } {
  const line =
    verdict === 'holds'
      ? 'It holds when all of it restarts.'
      : switchOffFirst.length > 0
        ? `Switch ${listNames(switchOffFirst.map(({ name }) => theLoad(name)))} off before it comes back.`
        : 'Nothing that may be switched off makes it hold.';
  const reason = decider && verdict !== 'holds' ? ` ${plainText(explainLimit(style, rig, decider))}` : '';
  return { line, detail: `${waves.map((wave) => waveWords(style, wave)).join(' ')}${reason}` };
}

function waveWords(style: NumberStyle, { afterS, loads }: Wave): string {
  const names = listNames(loads.map(({ name }, index) => (index === 0 ? name : theLoad(name).slice(4))));
  return `${afterS === 0 ? 'At once' : `After ${waitWords(style, afterS)}`}: ${names}.`;
}

function waitWords(style: NumberStyle, seconds: number): string {
  return seconds < SECONDS_PER_MINUTE
    ? `${formatNumber(style, seconds, 0)} s`
    : `${formatNumber(style, seconds / SECONDS_PER_MINUTE, 1)} min`;
}
