import fc from 'fast-check';
import { batteryStoreOf } from '../../src/battery/battery-store.js';
import { chargeAfter } from '../../src/battery/charge-step.js';
import { powerOfSet } from '../../src/day/power-of-set.js';
import { solarWatts } from '../../src/solar/solar-power.js';
import { compile } from '../../src/check/wiring/compile.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const withBattery = (changes: Partial<Rig['batteries'][number]>, batteryC?: number): Rig => ({
  ...tern,
  ...(batteryC !== undefined && { conditions: { batteryC } }),
  batteries: tern.batteries.map((battery) => ({ ...battery, ...changes })),
});
const power = { min: 0, max: 4000, noNaN: true };

describe('the charge of the batteries', () => {
  it('balances: what the sun and the chargers give is drawn, kept, lost in charging, backed off or thrown away (physics)', () => {
    const store = batteryStoreOf(withBattery({ ratedHours: 1000 }));
    always(
      fc.property(
        fc.double({ min: 0, max: store.fullWh, noNaN: true }),
        fc.double(power),
        fc.double(power),
        fc.double(power),
        (wh, drawn, charged, solar) => {
          const hours = 1 / 12;
          const after = chargeAfter(store, wh, { drawn, charged, solar }, hours);
          expect(after.wh).toBeGreaterThanOrEqual(0);
          expect(after.wh).toBeLessThanOrEqual(store.fullWh + 1e-6);
          const stored = after.wh - wh;
          const surplus = solar + charged - drawn;
          if (surplus <= 0) {
            const taken = store.drawnWh(-surplus) * hours - after.missingW * hours;
            expect(-stored).toBeCloseTo(taken, 6);
          } else {
            const leftOver = surplus - stored / (store.kept * hours);
            // What is left over is thrown away as far as it is sun that chargers, which back off first, do not explain.
            expect(leftOver).toBeGreaterThan(-1e-6);
            expect(after.curtailedW).toBeCloseTo(Math.min(solar, Math.max(0, leftOver - charged)), 6);
          }
        },
      ),
    );
  });

  it('falls faster where a lead battery is drawn on fast: 200 Ah at 50 A hold 145 Ah (Peukert 1.2, check value of methods.md)', () => {
    const flooded = batteryStoreOf(
      withBattery({ chemistry: 'flooded', ampHours: { value: 200, basis: 'nameplate' }, ratedHours: 20 }),
    );
    const volts = 25.6;
    expect(flooded.drawnWh(50 * volts)).toBeCloseTo(50 * volts * (200 / 145), -1);
    expect(flooded.drawnWh(5 * volts)).toBeCloseTo(5 * volts, 6);
  });

  it('takes up nothing in lithium below freezing, and less and less in lead that is nearly full (common practice, no published source)', () => {
    expect(batteryStoreOf(withBattery({}, -5)).acceptsW(5000)).toBe(0);
    expect(batteryStoreOf(withBattery({}, 5)).acceptsW(5000)).toBeGreaterThan(1000);
    const lead = batteryStoreOf(withBattery({ chemistry: 'agm' }));
    const at = (percent: number) => lead.acceptsW((lead.fullWh * percent) / 100);
    expect(at(80)).toBeGreaterThan(at(90));
    expect(at(99)).toBeLessThan(lead.fullWh * 0.05);
  });
});

describe('the mean power of a set', () => {
  const battery = compile(tern).on('battery');
  const drawn = (...ids: readonly string[]) =>
    powerOfSet(
      battery,
      ids.map((id) => battery.consumerOf(id)!),
    ).drawn.stated;

  it('has the idle draw of an inverter that feeds nothing, and a share of what cycles (9 of 27 minutes)', () => {
    expect(drawn()).toBe(26);
    // Lights hang on the battery itself, and the inverter is on all the same.
    expect(drawn('lights-pump')).toBe(65 + 26);
    const always = { ...tern.loads.find(({ id }) => id === 'fridge')!, cycling: undefined };
    const steady = compile({
      ...tern,
      loads: tern.loads.map((load) => (load.id === 'fridge' ? always : load)),
    }).on('battery');
    const running = powerOfSet(steady, [steady.consumerOf('fridge')!]).drawn.stated;
    expect(drawn('fridge')).toBeCloseTo(26 + (running - 26) / 3, 6);
  });
});

describe('a level of a hob', () => {
  it('draws a third of full power on the mean whether it is lowered or pulses (methods.md, rule 32)', () => {
    const level = (works: 'lower' | 'pulses') => {
      const hob = tern.loads.find(({ id }) => id === 'hob')!;
      const states = [
        { id: 'third', name: 'Third', works, parts: [{ part: hob.parts[0]!.id, share: 1 / 3 }] },
      ];
      const rig = {
        ...tern,
        loads: tern.loads.map((load) => (load.id === 'hob' ? { ...hob, states } : load)),
      };
      const system = compile(rig).on('battery');
      return powerOfSet(system, [system.consumerOf('hob', 'third')!]).drawn.stated;
    };
    // Losses follow the square of the current: what pulses loses a little more.
    expect(level('pulses') / level('lower')).toBeGreaterThan(0.99);
    expect(level('pulses') / level('lower')).toBeLessThan(1.1);
  });
});

describe('solar arrays', () => {
  it('give no more than their charge controller passes on: 40 A at 25.6 V', () => {
    const large = {
      ...tern,
      solar: tern.solar!.map((array) => ({ ...array, stcW: { value: 5000, basis: 'nameplate' as const } })),
    };
    expect(solarWatts(large, 1000)).toBe(40 * 25.6);
    expect(solarWatts(tern, 1000)).toBeCloseTo(800 * 0.75, 6);
  });
});
