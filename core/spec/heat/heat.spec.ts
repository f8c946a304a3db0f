import { coolingCycle } from '../../src/heat/cabin.js';
import { waterHeatingJ } from '../../src/heat/water.js';

describe('a cabin', () => {
  const cabin = { lossWPerK: 180, capacityJPerK: 1.2e6, gainsW: 950 };
  const unit = (sensibleShare: number) => ({ capacityW: 13_500 * 0.29307, sensibleShare });

  it('at UA 180, 11 K and 950 W keeps 13,500 BTU/h busy 0.741 of the time, 0.987 in humid air (worked example, methods.md 13, whose 0.988 is 0.741 rounded before the division)', () => {
    expect(coolingCycle(cabin, unit(1), 11, 1).duty).toBeCloseTo(0.741, 3);
    expect(coolingCycle(cabin, unit(0.75), 11, 1).duty).toBeCloseTo(0.9874, 4);
  });

  it('cycles 410 s off and 1,169 s on (worked example, methods.md 13), which average to the duty', () => {
    const { onS, offS, duty } = coolingCycle(cabin, unit(1), 11, 1);
    expect(offS).toBeCloseTo(409.6, 0);
    expect(onS).toBeCloseTo(1169, -1);
    expect(onS / (onS + offS)).toBeCloseTo(duty, 12);
    expect(1500 * duty).toBeCloseTo(1111, 0);
  });

  it('never stops cooling where it cannot keep up, and never starts where nothing warms it', () => {
    expect(coolingCycle(cabin, unit(0.75), 30, 1)).toEqual({ duty: 1, onS: Infinity, offS: 0 });
    expect(coolingCycle(cabin, unit(1), -10, 1).duty).toBe(0);
  });
});

describe('water', () => {
  it('takes 174.4 Wh for 1.5 L from 15 to 100 °C: 418.6 s at 1,500 W; a 23 L tank 1.203 kWh, 50.1 min (worked examples, methods.md 13)', () => {
    expect(waterHeatingJ(1.5, 85, 0.85) / 3600).toBeCloseTo(174.4, 1);
    expect(waterHeatingJ(1.5, 85, 0.85) / 1500).toBeCloseTo(418.6, 1);
    expect(waterHeatingJ(23, 45) / 3.6e6).toBeCloseTo(1.203, 3);
    expect(waterHeatingJ(23, 45) / 1440 / 60).toBeCloseTo(50.1, 1);
  });
});
