import type { NumberStyle } from '../units/number-style.js';
import type { ConsumerPart } from '../loads/consumer.js';
import type { StartOrigin, StartSize } from '../loads/start/start-size.js';
import { formatNumber } from '../units/format.js';
import { CONVERSIONS, COOKING_EFFICIENCY } from '../reference/conversion-defaults.js';
import { kindOfPart, type KindOfPart, type UsualRange } from '../reference/kinds-of-parts.js';
import { CODE_LETTER_TABLE } from '../reference/nec-430-code-letters.js';
import { MOTOR_TABLES } from '../reference/nec-430-motors.js';
import { COMMON_PRACTICE, sourceWords } from '../reference/provenance.js';
import { LEARNING_STARTS, SOFT_STARTERS } from '../reference/soft-starters.js';
import type { RunningFrom, SoftStarter } from '../rig-file/schema.js';

/**
 * How a number of a part was come by, with the source of what it was multiplied by; empty where it stands
 * as it was entered.
 */
export function originWords(
  style: NumberStyle,
  { part, size }: ConsumerPart,
  what: 'running' | 'start',
): string {
  const kind = kindOfPart(part.kind);
  if (what === 'running') {
    if (part.runningW)
      return part.runningW.basis === 'typical' ? `usual for a ${kind.name}, ${COMMON_PRACTICE}` : '';
    return runningOrigin(style, part.runningFrom ?? {}, kind.name);
  }
  if (!size) return '';
  const start = startOrigin(size, kind);
  const soft = part.start?.soft ? softOrigin(part.start.soft) : '';
  return [start, soft].filter(Boolean).join('; ');
}

function softOrigin({ isBypassed, isLearning }: SoftStarter): string {
  if (isBypassed === 'yes') return 'its soft starter is bypassed';
  const learning =
    isLearning === 'yes'
      ? ` while it learns, its first ${LEARNING_STARTS.low} to ${LEARNING_STARTS.high} starts`
      : '';
  return `left by its soft starter${learning}, ${sourceWords(SOFT_STARTERS)}`;
}

function runningOrigin(style: NumberStyle, from: RunningFrom, kind: string): string {
  if (from.amps) return `amps times volts, power factor of a ${kind}`;
  if (from.va) return `VA times the power factor of a ${kind}`;
  if (from.horsepower !== undefined)
    return `${formatNumber(style, from.horsepower, 2)} hp by its full-load amps, ${sourceWords(MOTOR_TABLES)}`;
  if (from.coolingW) return `cooling over its EER, ${sourceWords(CONVERSIONS)}`;
  if (from.cookingW) return `cooking power over its efficiency, ${sourceWords(COOKING_EFFICIENCY)}`;
  return from.chargeA ? `battery amps times volts over its efficiency, ${sourceWords(CONVERSIONS)}` : '';
}

const START_ORIGINS: Record<Exclude<StartOrigin, 'entered' | 'multiple'>, string> = {
  inrush: 'inrush on the clamp times volts, the base load taken off',
  'locked-rotor': 'locked-rotor amps times volts',
  'code-letter': `the upper end of its code letter, ${sourceWords(CODE_LETTER_TABLE)}`,
  'motor-table': `locked-rotor amps of its horsepower, ${sourceWords(MOTOR_TABLES)}`,
  'rated-load': `a multiple of its rated-load amps, ${COMMON_PRACTICE}`,
};

function startOrigin({ origin, full }: StartSize, { name, startMultiple }: KindOfPart): string {
  if (origin === 'entered')
    return full.va.basis === 'typical' ? `usual for a ${name}, ${COMMON_PRACTICE}` : '';
  if (origin !== 'multiple') return START_ORIGINS[origin];
  const { low, usual, high } = startMultiple ?? NO_MULTIPLE;
  return `${usual} times running (${low} to ${high}), usual for a ${name}, ${COMMON_PRACTICE}`;
}

const NO_MULTIPLE: UsualRange = { low: 1, usual: 1, high: 1 };
