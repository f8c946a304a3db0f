import { wireTablesOf } from '../../src/protection/wire-tables.js';
import { contradictionsOf } from '../../src/rig/contradictions.js';
import type { Part, Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { exampleRig, q } from '../example-rig.js';

const inverter =
  (more: Partial<Rig['converters'][number]>) =>
  (rig: Rig): Partial<Rig> => ({
    converters: rig.converters.map((each) => ({ ...each, ...more })),
  });
const battery =
  (more: Partial<Rig['batteries'][number]>) =>
  (rig: Rig): Partial<Rig> => ({
    batteries: rig.batteries.map((each) => ({ ...each, ...more })),
  });
const circuit =
  (more: Partial<Rig['circuits'][number]>) =>
  (rig: Rig): Partial<Rig> => ({
    circuits: rig.circuits.map((each, i) => (i === 0 ? { ...each, ...more } : each)),
  });
const part =
  (more: Partial<Part>, kind: Part['kind'] = 'hermetic-rotary') =>
  (rig: Rig): Partial<Rig> => ({
    loads: rig.loads.map((load) => ({
      ...load,
      parts: load.parts.map(({ runningW, ...each }) => ({
        ...each,
        ...(more.runningFrom === undefined && runningW && { runningW }),
        kind,
        ...more,
      })),
    })),
  });
const shore =
  (more: Partial<Rig['supplies'][number]>) =>
  (rig: Rig): Partial<Rig> => ({
    supplies: rig.supplies.map((each) => (each.id === 'shore' ? { ...each, ...more } : each)),
  });

/** Statements that contradict each other, the id of what is found, and what must be in the sentence. */
const CASES: readonly (readonly [id: string, change: (rig: Rig) => Partial<Rig>, says: RegExp])[] = [
  [
    'inverter:tier-0',
    inverter({ tiers: [{ limit: q(2500), unit: 'VA', seconds: 5 }] }),
    /2500 VA is below the continuous 3000 VA/,
  ],
  ['inverter:watts', inverter({ continuousW: q(3200) }), /3200 W are more than its 3000 VA/],
  [
    'inverter:efficiency',
    inverter({ efficiencyPeak: q(0.9), efficiencyFull: q(0.95), idleW: q(5) }),
    /above the best one/,
  ],
  [
    'inverter:idle',
    inverter({ efficiencyPeak: q(0.99), efficiencyFull: q(0.985), idleW: q(60) }),
    /idle draw alone loses more than the 99 %/,
  ],
  ['inverter:fuse', battery({ fuse: { amps: 200, kind: 'class-t' } }), /fuse of 200 A .* peak, or its VA/],
  [
    'main:cable',
    circuit({ cable: { awg: '14', metres: 5 } }),
    /does not protect this cable, which carries 15 A/,
  ],
  ['main:receptacle', circuit({ receptacleA: 15 }), /15 A receptacle on a 100 A breaker/],
  [
    'bank:cable',
    battery({ fuse: { amps: 400, kind: 'class-t' }, cable: { awg: '4', metres: 1 } }),
    /400 A fuse does not protect a cable/,
  ],
  [
    'bank:tier-0',
    battery({ dischargeA: 100, tiers: [{ amps: 80, seconds: 10 }] }),
    /below the continuous 100 A/,
  ],
  ['bank:volts', battery({ restV: q(26.4) }), /26.4 V at rest do not belong to a 12 V bank/],
  ['thing:main:heat', part({ runningW: q(14000, 'nameplate') }), /BTU\/h are heat.*draws about \d{4} W/],
  [
    'thing:main:missed-peak',
    part({ runningW: q(700, 'measured'), start: { va: q(1500, 'measured') } }),
    /2.1 times its running power is low for its kind .* only "at least"/,
  ],
  [
    'shore:chain',
    shore({ breaker: { amps: 50, curve: 'ul-489' }, cords: [{ plugA: 30 }] }),
    /50 A breaker behind a plug for 30 A.* smallest breaker in the chain/,
  ],
  [
    'thing:main:cooking-power',
    part({ runningW: q(1000, 'nameplate') }, 'microwave-transformer'),
    /cooking power or its input\? As cooking power it draws about 1754 W/,
  ],
  ['thing:main:dc-amps', part({ runningFrom: { amps: q(120) } }), /DC amps\? At 12 V that is 1440 W/],
  [
    'thing:main:cooling',
    part({ runningFrom: { coolingW: q(4000), coolingPerWatt: 1 } }),
    /BTU\/h are heat, not electric power/,
  ],
  ['thing:main:horsepower', part({ runningFrom: { horsepower: 15 } }, 'universal-motor'), /horsepower|hp/],
  [
    'thing:main:multiple',
    part({ start: { va: q(30000), seconds: q(0.3) } }),
    /times its running power is far beyond its kind.*multiple applies to amps/,
  ],
  [
    'thing:usage',
    (rig) => ({ ...rig, loads: rig.loads.map((load) => ({ ...load, usage: 'left-on' })) }),
    /starts it at any moment/,
  ],
  [
    'shore:limit',
    shore({ inputLimitA: 26, cords: [{ plugA: 15 }] }),
    /input limit of 26 A is above the smallest breaker or plug in the chain, 15 A/,
  ],
];

describe('a contradiction', () => {
  const plain = exampleRig({ thing: { w: 1000, kind: 'hermetic-rotary', usage: 'by-itself' } });
  const found = (rig: Rig) => contradictionsOf(rig, wireTablesOf(rig));

  it('is not found where there is none', () => {
    expect(found(plain)).toEqual([]);
  });

  it('is never told as infinite times a running power that is 0 so far', () => {
    const rig = { ...plain, ...part({ runningW: q(0), start: { va: q(3000), seconds: q(0.3) } })(plain) };
    expect(found(rig).map(({ message }) => message)).toEqual([]);
  });

  for (const [id, change, says] of CASES) {
    it(`"${id}" is a warning that says what contradicts what, until the user knows better`, () => {
      const rig = { ...plain, ...change(plain) };
      const own = found(rig).find((each) => each.id === id);
      expect(own?.message).toMatch(says);
      // Named as the user knows it: what it is, its own name, and which of its numbers.
      expect(own?.field).toMatch(/^[A-Z][a-z ]+ "[^"]+", ./);
      // a warning is not a refusal: the rig can still be used
      expect(validateRig(rig).ok).toBeTrue();
      expect(found({ ...rig, known: [id] }).map((each) => each.id)).not.toContain(id);
    });
  }
});
