import { consumerOf, type Consumer, type StartOfPart } from '../../../src/loads/consumer.js';
import { hasStart, joinedStart, quietParts } from '../../../src/loads/start/joined-start.js';
import { exampleLoad, q, type ExampleLoad } from '../../example-rig.js';

const AC = { volts: 120, hertz: 60, current: 'ac' } as const;
const consumer = (id: string, example: ExampleLoad): Consumer => consumerOf(exampleLoad(id, example), AC);

describe('loads that start in the same moment', () => {
  const lamp = consumer('lamp', { w: 60 });
  const saw = consumer('saw', {
    w: 900,
    kind: 'universal-motor',
    start: [q(3000, 'measured', { minus: 300, plus: 200 }), 0.5],
    startPf: 0.9,
  });
  const fan = consumer('fan', {
    w: 300,
    kind: 'split-phase-motor',
    start: [q(1000, 'measured', { minus: 50, plus: 100 }), 2],
    startPf: 0.5,
  });

  /** The start of loads that start together; they have one. */
  const startOf = (...group: readonly Consumer[]): StartOfPart => joinedStart(group)!.parts[0]!.start!;

  it('are one start of all their VA for the longest of their times (physics: magnitudes bound any phase)', () => {
    for (const joined of [startOf(lamp, saw, fan), startOf(fan, lamp, saw)]) {
      const { va, seconds, powerFactor } = joined;
      expect([va.value, va.minus, va.plus]).toEqual([4000, 350, 300]);
      expect(va.causes).toEqual(jasmine.arrayContaining(['load saw', 'load fan']));
      expect(seconds.stated).toBe(2);
      expect([powerFactor.lo, powerFactor.hi]).toEqual([
        startOf(fan).powerFactor.lo,
        startOf(saw).powerFactor.hi,
      ]);
      expect(powerFactor.stated).toBeCloseTo((0.9 * 3000 + 0.5 * 1000) / 4000, 9);
    }
    expect(joinedStart([lamp, saw, fan])?.load.id).toBe('saw');
    expect(joinedStart([lamp])).toBeUndefined();
  });

  it('surely lag only where all of them do, and are a transformer where any of them is one', () => {
    const transformer = consumer('iron', { w: 100, kind: 'transformer', start: [1000, 0.1] });
    const heater = consumer('heater', { w: 500, start: [700, 1] });
    const lags = [startOf(fan, saw), startOf(fan, heater), startOf(heater, fan)].map(
      (each) => each.surelyLags,
    );
    expect(lags).toEqual([true, false, false]);
    const pairs = [startOf(fan, saw), startOf(fan, transformer), startOf(transformer, fan)];
    expect(pairs.map(({ isTransformer }) => isTransformer)).toEqual([false, true, true]);
  });

  it('leave running what of them has no start', () => {
    expect([hasStart(lamp), hasStart(saw)]).toEqual([false, true]);
    const both: Consumer = { ...saw, parts: [...saw.parts, ...lamp.parts] };
    expect(hasStart(both)).toBeTrue();
    expect(quietParts([both]).map(({ parts }) => parts)).toEqual([[...lamp.parts]]);
  });
});
