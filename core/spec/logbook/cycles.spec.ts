import { randomNumbers } from '../../src/day/plan/random-numbers.js';
import { cyclesOf } from '../../src/logbook/fit/cycles.js';
import { cabinCycle } from '../../src/loads/heat/cabin.js';
import type { LogReading } from '../../src/logbook/log-test.js';
import { dutyInOtherWeather } from '../../src/logbook/fit/other-weather.js';
import { powerLevels } from '../../src/logbook/fit/power-levels.js';

/** A load that cycles, logged every so many seconds by a meter with noise that now and then sees a start. */
function trace({
  onS,
  offS,
  onW,
  offW,
  everyS,
  hours,
  random,
}: Record<'onS' | 'offS' | 'onW' | 'offW' | 'everyS' | 'hours', number> & {
  random: () => number;
}): LogReading[] {
  const beginsS = random() * (onS + offS);
  return Array.from({ length: Math.floor((hours * 3600) / everyS) }, (_, index) => {
    const inCycle = (beginsS + index * everyS) % (onS + offS);
    const isStart = inCycle < everyS && random() < 0.3;
    const watts = inCycle < onS ? onW : offW;
    return {
      id: String(index),
      atS: index * everyS,
      watts: isStart ? onW * 6 : Math.max(0, watts * (1 + 0.05 * (random() - 0.5)) + random()),
    };
  });
}

describe('cycles in a trace', () => {
  it('are found with their times and powers, in 200 simulated traces whose truth is known', () => {
    const random = randomNumbers(7);
    for (let each = 0; each < 200; each += 1) {
      const [onS, offS] = [180 + 1200 * random(), 180 + 2400 * random()];
      const [onW, offW] = [60 + 900 * random(), 3 * random()];
      const everyS = 5 + 40 * random();
      const found = cyclesOf(trace({ onS, offS, onW, offW, everyS, hours: 8, random }))!;
      const context = `on ${onS.toFixed(0)} s, off ${offS.toFixed(0)} s, ${onW.toFixed(0)} W`;
      expect(found.isMeasured).withContext(context).toBeTrue();
      expect(Math.abs(found.duty - onS / (onS + offS)))
        .withContext(context)
        .toBeLessThan(0.03);
      expect(Math.abs(found.onS - onS))
        .withContext(context)
        .toBeLessThan(everyS);
      expect(Math.abs(found.onW / onW - 1))
        .withContext(context)
        .toBeLessThan(0.03);
      expect(found.startsPerHour)
        .withContext(context)
        .toBeCloseTo(3600 / (onS + offS), 0);
    }
  });

  it('are not what lies across a pause of the log, and fewer than three are not measured', () => {
    const random = randomNumbers(3);
    const whole = trace({ onS: 600, offS: 1200, onW: 90, offW: 1, everyS: 30, hours: 4, random });
    const all = cyclesOf(whole)!;
    const gone = cyclesOf(whole.filter(({ atS }) => atS < 5000 || atS > 7500))!;
    expect(gone.gaps).toBe(1);
    expect(gone.cycles.length).toBeLessThan(all.cycles.length);
    expect(gone.duty).toBeCloseTo(1 / 3, 1);
    expect(cyclesOf(whole.filter(({ atS }) => atS < 4500))!.isMeasured).toBeFalse();
  });

  it('have the powers of each stage: fan, compressor, defrost', () => {
    const random = randomNumbers(5);
    const near = (watts: number, count: number) =>
      Array.from({ length: count }, () => watts * (1 + 0.04 * (random() - 0.5)));
    const levels = powerLevels([...near(2, 500), ...near(110, 400), ...near(420, 60)]);
    expect(levels.map(({ watts }) => Math.round(watts / 10) * 10)).toEqual([0, 110, 420]);
    expect(powerLevels(near(500, 300)).length).toBe(1);
    const ramp = Array.from({ length: 300 }, (_, index) => 300 + index);
    expect(powerLevels(ramp).length).withContext('an even ramp keeps to no level').toBe(1);
    expect(powerLevels([])).toEqual([]);
  });

  it('are foretold for other weather: a simulated room with any usual gains stays within what is said', () => {
    const [unit, humidityPercent, bandK] = [{ capacityW: 3900, inputW: 1400 }, 40, 1];
    for (const gainsK of [0, 2, 5, 12])
      for (const outdoorC of [30, 34, 38, 41]) {
        const room = { lossWPerK: 150, capacityJPerK: 250_000, gainsW: 150 * gainsK };
        const at = (outsideC: number) =>
          cabinCycle(room, unit, { outsideC, insideC: 24, humidityPercent }, bandK);
        const said = dutyInOtherWeather(
          at(32).duty,
          { outdoorC: 32, setPointC: 24 },
          { outdoorC, setPointC: 24 },
        )!;
        const { duty } = at(outdoorC);
        const context = `${gainsK} K of gains, ${outdoorC} °C`;
        expect(said.lo)
          .withContext(context)
          .toBeLessThanOrEqual(duty + 0.02);
        expect(said.hi)
          .withContext(context)
          .toBeGreaterThanOrEqual(duty - 0.02);
      }
    expect(
      dutyInOtherWeather(0.4, { outdoorC: 20, setPointC: 24 }, { outdoorC: 30, setPointC: 24 }),
    ).toBeUndefined();
  });
});
