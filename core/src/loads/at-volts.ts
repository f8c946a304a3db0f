import type { DoubtfulTerm } from '../units/combine-doubts.js';
import type { Interval } from '../units/quantity.js';
import { kindOfPart, type OnVoltage } from '../reference/kinds-of-parts.js';
import { MODIFIED_SINE_MOTOR_FACTOR, USUAL_CONDUCTING } from '../reference/modified-sine.js';
import { STALL_S } from '../reference/rough-use.js';
import { quasiSquare } from './modified-sine.js';
import { startTimeFactor } from './start/motor.js';
import { isSoftStarted } from './start/soft-starter.js';
import type { Consumer, ConsumerPart, StartOfPart } from './consumer.js';

/**
 * A load at a voltage that is not its nominal one, in volt-amps of the nominal voltage, so that amps
 * stay volt-amps over nominal volts: what is resistive draws more current at a high voltage, what takes
 * constant power (electronics, a running motor) at a low one. A locked rotor is an impedance, and takes
 * longer to start at a low voltage, for its torque falls with the square.
 *
 * @param share Voltage over nominal voltage at both ends of its doubt.
 * Source: physics; methods.md 4 (voltage dependence).
 *
 * @example
 * // 1,500 W of heat at 126 V on a 120 V system draw 13.1 A
 */
export function atVolts(consumer: Consumer, share: Interval): Consumer {
  if (share.lo === 1 && share.hi === 1) return consumer;
  return withParts(consumer, (part) => {
    const current = currentAt(kindOfPart(part.part.kind).onVoltage, share);
    return {
      ...part,
      running: {
        ...part.running,
        watts: times(part.running.watts, current),
        nonActive: times(part.running.nonActive, current),
      },
      start: part.start && slowed(part, startTimes(part.start, share), share),
    };
  });
}

/**
 * A motor on a modified sine wave draws a quarter more, and starts as on the fundamental of that wave.
 * Source: common practice, no published source (methods.md 3); fundamental by Fourier series.
 */
export function onModifiedSine(consumer: Consumer): Consumer {
  const more = { lo: 1, stated: MODIFIED_SINE_MOTOR_FACTOR, hi: MODIFIED_SINE_MOTOR_FACTOR };
  const { rmsV, fundamentalV } = quasiSquare({ peakV: 1, conducting: USUAL_CONDUCTING });
  const turning = { lo: fundamentalV / rmsV, stated: fundamentalV / rmsV, hi: 1 };
  return withParts(consumer, (part) =>
    kindOfPart(part.part.kind).startTorqueShare === undefined
      ? part
      : {
          ...part,
          running: {
            ...part.running,
            watts: times(part.running.watts, more),
            nonActive: times(part.running.nonActive, more),
          },
          start: part.start && slowed(part, startTimes(part.start, more), turning),
        },
  );
}

/** The share of a load's volt-amps that one conductor carries: all of it, or a part of each number. */
export function onConductor(consumer: Consumer, share: number): Consumer {
  if (share === 1) return consumer;
  const factor = { lo: share, stated: share, hi: share };
  return withParts(consumer, (part) => ({
    ...part,
    running: {
      ...part.running,
      watts: times(part.running.watts, factor),
      nonActive: times(part.running.nonActive, factor),
    },
    start: part.start && startTimes(part.start, factor),
  }));
}

/** A load between two legs of a 208 V service: its current is turned against that of what is on one leg. */
export function betweenPhases(consumer: Consumer): Consumer {
  return withParts(consumer, (part) => ({
    ...part,
    running: { ...part.running, isBetweenPhases: true },
    start: part.start && { ...part.start, isBetweenPhases: true },
  }));
}

function currentAt(onVoltage: OnVoltage, { lo, stated, hi }: Interval): Interval {
  return onVoltage === 'resistive' ? { lo, stated, hi } : { lo: 1 / hi, stated: 1 / stated, hi: 1 / lo };
}

function startTimes(start: StartOfPart, factor: Interval): StartOfPart {
  return { ...start, va: times(start.va, factor) };
}

/** Never longer than until its protector opens, nor longer than it was; a soft starter keeps its ramp. */
function slowed({ part }: ConsumerPart, start: StartOfPart, voltage: Interval): StartOfPart {
  const { startTorqueShare: torque } = kindOfPart(part.kind);
  if (torque === undefined || isSoftStarted(part)) return start;
  const at = (seconds: number, share: number, most: number): number =>
    Math.min(seconds * Math.max(1, startTimeFactor(share, torque)), Math.max(seconds, most));
  const { lo, stated, hi } = start.seconds;
  return {
    ...start,
    seconds: {
      lo: at(lo, voltage.hi, STALL_S.low),
      stated: at(stated, voltage.stated, STALL_S.usual),
      hi: at(hi, voltage.lo, STALL_S.high),
    },
  };
}

function times({ value, minus, plus, causes }: DoubtfulTerm, { lo, stated, hi }: Interval): DoubtfulTerm {
  const scaled = value * stated;
  return {
    value: scaled,
    minus: scaled - (value - minus) * lo,
    plus: (value + plus) * hi - scaled,
    causes,
  };
}

function withParts(consumer: Consumer, change: (part: ConsumerPart) => ConsumerPart): Consumer {
  return { ...consumer, parts: consumer.parts.map(change) };
}
