import { usualInterval } from '../../rig/typical-quantity.js';
import type { Consumer, ConsumerPart, StartOfPart } from '../../loads/consumer.js';
import { isSoftStarted } from '../../loads/start/soft-starter.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { BOGGED_MULTIPLE, BOGGED_S, STALL_S } from '../../reference/rough-use.js';
import { magnitude } from '../../units/magnitude.js';

/**
 * Surges of a running load that are no start of its own: a saw bogged in the cut, and a compressor that
 * stalls against pressure after a dip or a transfer. Each is tested like a start, on top of everything.
 */

/** A load as it is with its motor bogged down; undefined where no part of it does that. */
export function boggedDown(consumer: Consumer): Consumer | undefined {
  return withSurge(consumer, (part) => {
    if (part.part.bogs !== 'yes') return undefined;
    const { watts, nonActive } = part.running;
    const value = magnitude(watts.value, nonActive.value);
    const hi = magnitude(watts.value + watts.plus, nonActive.value + nonActive.plus);
    const lo = magnitude(watts.value - watts.minus, nonActive.value - nonActive.minus);
    const powerFactor = value > 0 ? watts.value / value : 1;
    return {
      va: {
        value: BOGGED_MULTIPLE * value,
        minus: BOGGED_MULTIPLE * (value - lo),
        plus: BOGGED_MULTIPLE * (hi - value),
        causes: watts.causes,
      },
      powerFactor: { lo: powerFactor, stated: powerFactor, hi: powerFactor },
      seconds: usualInterval(BOGGED_S),
      surelyLags: part.running.surelyLags,
      isTransformer: false,
      isBetweenPhases: part.running.isBetweenPhases,
    };
  });
}

/**
 * A load whose compressor starts against pressure, so that its rotor stays locked until its own protector
 * opens; undefined where no part of it can: a soft starter waits, and electronics do not lock.
 */
export function stalled(consumer: Consumer): Consumer | undefined {
  return withSurge(consumer, (part) => {
    if (!canStall(part) || !part.start || !part.size) return undefined;
    return { ...part.start, seconds: usualInterval(STALL_S) };
  });
}

/** Whether it may stall when it is started soon after a stop: its pressure must fall first. */
export const mayStall = ({ parts }: Consumer): boolean => parts.some(canStall);

function canStall({ part }: ConsumerPart): boolean {
  const { family, startTorqueShare } = kindOfPart(part.kind);
  const isRotor = family === 'Compressors' && startTorqueShare !== undefined;
  return isRotor && part.start !== undefined && !isSoftStarted(part);
}

function withSurge(
  consumer: Consumer,
  surgeOf: (part: ConsumerPart) => StartOfPart | undefined,
): Consumer | undefined {
  const parts = consumer.parts.map((part) => ({ ...part, start: surgeOf(part) }));
  return parts.some((part) => part.start) ? { ...consumer, parts } : undefined;
}
