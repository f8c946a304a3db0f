import * as mathjs from 'mathjs';
import { boilingPointC, cookingTime } from '../../../src/loads/heat/cooking.js';
import { precooling, cabinCycle, sensibleShareAt } from '../../../src/loads/heat/cabin.js';

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
    // The linear duty of methods.md 10 at the middle of the band.
    expect(duty).toBeCloseTo(2930 / coolingW, 2);
    const down = precooling(room, unit, weather, 32)!;
    expect(celsiusByOde(1_250_000, 32, down.minutes, coolingW)).toBeCloseTo(24, 6);
    expect(down.wh).toBeCloseTo((1500 * down.minutes) / 60, 6);
  });

  it('at UA 180, 11 K and 950 W keeps 13,500 BTU/h busy 0.741 of the time of which 0.9 lower the temperature (worked example, methods.md 10)', () => {
    const narrow = cabinCycle(room, unit, weather, 0.01);
    expect(narrow.duty).toBeCloseTo(0.741 / 0.9, 3);
    expect(narrow.meanW).toBeCloseTo(1111 / 0.9, 0);
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
  it('boils 1.5 L from 15 °C with 1,500 W in 418.6 s and 174.4 Wh (worked example, methods.md 10)', () => {
    const { minutes, wh } = cookingTime({
      ...{ what: 'water', kg: 1.5, fromC: 15, toC: 100 },
      ...{ appliance: 'kettle', watts: 1500 },
    });
    expect(60 * minutes.stated).toBeCloseTo(418.6, 1);
    expect(wh.stated).toBeCloseTo(174.4, 1);
    expect(wh.lo).toBeLessThan(wh.stated);
    expect(wh.hi).toBeCloseTo((174.42 * 0.85) / 0.8, 1);
  });

  it('heats a tank of 23 L from 15 to 60 °C with 1.203 kWh and what the tank loses (worked example, methods.md 10)', () => {
    const { wh, minutes } = cookingTime({
      ...{ what: 'water', kg: 23, fromC: 15, toC: 60 },
      ...{ appliance: 'tank', watts: 1440 },
    });
    expect(wh.lo / 1000).toBeCloseTo(1.203, 3);
    expect(minutes.lo).toBeCloseTo(50.1, 1);
  });

  it('boils at 96.7 °C at 1,000 m and at 90 °C at 3,000 m (common practice, no published source)', () => {
    expect(boilingPointC(1000)).toBeCloseTo(96.7, 1);
    expect(boilingPointC(3000)).toBeCloseTo(90, 0);
  });
});
