import * as mathjs from 'mathjs';
import { boilingPointC, cookingTime } from '../../../src/loads/heat/cooking.js';
import { precooling, cabinCycle, sensibleShareAt } from '../../../src/loads/heat/cabin.js';
import { workedExample } from '../../worked-example.js';

/** Its types leave it out. */
const { solveODE } = mathjs as unknown as {
  solveODE: (
    slope: (t: number, y: number[]) => number[],
    span: [number, number],
    from: number[],
    options: object,
  ) => { readonly y: number[][] };
};

describe('a room with a thermostat', () => {
  const room = { lossWPerK: 180, capacityJPerK: 250_000, gainsW: 950 };
  const unit = { capacityW: 13_500 * 0.29307, inputW: 1500 };
  const weather = { outsideC: 35, insideC: 24, humidityPercent: 30 };

  /** Celsius after some minutes, by numerical integration (mathjs, Runge-Kutta of Dormand and Prince). */
  function celsiusByOde(capacityJPerK: number, fromC: number, minutes: number, coolingW: number): number {
    const slope = (inside: number): number =>
      (room.lossWPerK * (weather.outsideC - inside) + room.gainsW - coolingW) / capacityJPerK;
    const options = { method: 'RK45', tol: 1e-9 };
    const { y } = solveODE((_t, [inside]) => [slope(inside!)], [0, 60 * minutes], [fromC], options);
    return y.at(-1)![0]!;
  }

  it('cycles as its differential equation does, integrated by mathjs', () => {
    const { onMinutes, offMinutes, duty } = cabinCycle(room, unit, weather, 1);
    const coolingW = 0.9 * unit.capacityW;
    expect(celsiusByOde(250_000, 24.5, onMinutes!, coolingW)).toBeCloseTo(23.5, 6);
    expect(celsiusByOde(250_000, 23.5, offMinutes!, 0)).toBeCloseTo(24.5, 6);
    // The linear duty of methods.md 13 at the middle of the band.
    expect(duty).toBeCloseTo(2930 / coolingW, 2);
    const down = precooling(room, unit, weather, 32)!;
    expect(celsiusByOde(1_250_000, 32, down.minutes, coolingW)).toBeCloseTo(24, 6);
    expect(down.wh).toBeCloseTo((1500 * down.minutes) / 60, 6);
  });

  it('keeps its unit busy for what comes in over what it lowers (worked example 13.1)', () => {
    const { given, comesTo } = workedExample('13.1');
    const [lossWPerK, gainsW, kelvin, btu, inputW] = given;
    const narrow = cabinCycle(
      { ...room, lossWPerK, gainsW },
      { capacityW: btu * 0.29307, inputW },
      { ...weather, insideC: weather.outsideC - kelvin },
      0.01,
    );
    comesTo(narrow.duty, narrow.meanW);
  });

  it('runs all the time where it cannot keep up, never where nothing warms it, and more in humid air and in heat', () => {
    const hot = cabinCycle(room, unit, { ...weather, outsideC: 45 }, 1);
    expect([hot.duty, hot.onMinutes]).toEqual([1, undefined]);
    // 0.9 % of its capacity and 1.75 % more power for each kelvin above 35 °C (common practice).
    expect(hot.lowestC).toBeCloseTo(45 + (950 - 0.9 * 0.91 * unit.capacityW) / 180, 6);
    expect(hot.meanW).toBeCloseTo(1500 * 1.175, 6);
    expect(precooling(room, unit, { ...weather, outsideC: 45 }, 32)).toBeUndefined();
    expect(cabinCycle(room, unit, { ...weather, outsideC: 15 }, 1).duty).toBe(0);
    expect([30, 50, 70, 90].map(sensibleShareAt)).toEqual([0.9, 0.825, 0.75, 0.75]);
  });
});

describe('cooking', () => {
  it('boils water by its mass, its heat and the kettle’s efficiency (worked example 13.2)', () => {
    const { given, comesTo } = workedExample('13.2');
    const [kg, fromC, toC, watts] = given;
    const { minutes, wh } = cookingTime({ what: 'water', kg, fromC, toC, appliance: 'kettle', watts });
    comesTo(60 * minutes.stated, wh.stated);
    expect(wh.lo).toBeLessThan(wh.stated);
    expect(wh.hi).toBeCloseTo((174.42 * 0.85) / 0.8, 1);
  });

  it('heats a tank with no less than its water takes up (worked example 13.3)', () => {
    const { given, comesTo } = workedExample('13.3');
    const [kg, fromC, toC, watts] = given;
    const { wh, minutes } = cookingTime({ what: 'water', kg, fromC, toC, appliance: 'tank', watts });
    comesTo(wh.lo / 1000, minutes.lo);
  });

  it('boils lower the higher it is done (common practice, no published source; worked example 13.4)', () => {
    const { given, comesTo } = workedExample('13.4');
    comesTo(boilingPointC(given[0]), boilingPointC(given[1]));
  });
});
