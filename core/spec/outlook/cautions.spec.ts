import type { CautionId } from '../../src/reference/cautions.js';
import { CAUTION_TEXTS } from '../../src/reference/cautions.js';
import type { Load, Rig, Supply } from '../../src/rig-file/schema.js';
import { cautionsOf } from '../../src/outlook/cautions.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { exampleRig, on, q } from '../example-rig.js';

interface Facts {
  readonly loads?: Parameters<typeof exampleRig>[0];
  readonly on?: readonly string[];
  readonly supplyId?: 'battery' | 'shore';
  readonly supply?: Partial<Supply>;
  readonly load?: Partial<Load>;
  readonly rig?: (rig: Rig) => Partial<Rig>;
}

/** The cautions of one resistive load of 600 W on battery, with some facts changed. */
function cautionsWith(facts: Facts): readonly string[] {
  const plain = exampleRig(facts.loads ?? { thing: { w: 600 } });
  const { supplyId = 'battery' } = facts;
  const changed: Rig = {
    ...plain,
    loads: plain.loads.map((load, index) => (index === 0 ? { ...load, ...facts.load } : load)),
    supplies: plain.supplies.map((each) => (each.id === supplyId ? { ...each, ...facts.supply } : each)),
  };
  const rig = { ...changed, ...facts.rig?.(changed) };
  const scene = { supply: supplyId, on: on(...(facts.on ?? Object.keys(facts.loads ?? { thing: 0 }))) };
  return cautionsOf(rig, check(compile(rig), scene));
}

const asGenerator =
  (more: Partial<Rig['sources'][number]> = {}) =>
  (rig: Rig) => ({
    sources: rig.sources.map((source) => ({
      ...source,
      kind: 'generator' as const,
      continuousW: q(3000),
      continuousVA: q(3000),
      tiers: [],
      ...more,
    })),
  });
const twoLegs =
  (more: Partial<Rig['circuits'][number]> = {}, buses: Partial<Rig['buses'][number]> = {}) =>
  (rig: Rig) => ({
    buses: rig.buses.map((bus) =>
      bus.kind === 'ac' ? { ...bus, poles: 'split-180' as const, ...buses } : bus,
    ),
    converters: rig.converters.map((each) => ({ ...each, pole: 'both' as const })),
    circuits: rig.circuits.map((circuit, i) => ({ ...circuit, pole: 'l1' as const, ...(i === 1 && more) })),
  });
const inverter = (more: Partial<Rig['converters'][number]>) => (rig: Rig) => ({
  converters: rig.converters.map((each) => ({ ...each, ...more })),
});
const bank = (more: Partial<Rig['batteries'][number]>) => (rig: Rig) => ({
  batteries: rig.batteries.map((each) => ({ ...each, ...more })),
});
const small = { thing: { w: 50 } };
const motor = { thing: { w: 600, kind: 'hermetic-rotary' as const, start: [2000, 0.3] as const } };

/** For each caution facts that call for it, and the nearest facts that do not. */
const TRIGGERS: Record<CautionId, { readonly calls: Facts; readonly doesNot: Facts }> = {
  medical: { calls: { load: { dependsOnIt: 'medical' } }, doesNot: { load: { dependsOnIt: 'animals' } } },
  animals: { calls: { load: { dependsOnIt: 'animals' } }, doesNot: {} },
  'low-voltage': {
    calls: { supplyId: 'shore', supply: { volts: q(107) } },
    doesNot: { supplyId: 'shore', supply: { volts: q(108) } },
  },
  'high-voltage': {
    calls: { supplyId: 'shore', supply: { volts: q(133) } },
    doesNot: { supplyId: 'shore', supply: { volts: q(132) } },
  },
  'shared-neutral': {
    calls: {
      supplyId: 'shore',
      supply: { legs: 'in-phase' },
      rig: twoLegs({}, { sharedNeutral: 'unknown' }),
    },
    doesNot: { supplyId: 'shore', supply: { legs: 'in-phase' }, rig: twoLegs({}, { sharedNeutral: 'no' }) },
  },
  'two-legs-240': {
    calls: { supplyId: 'shore', supply: { legs: 'in-phase' }, rig: twoLegs({ pole: 'both' }) },
    doesNot: { supplyId: 'shore', supply: { legs: 'opposed' }, rig: twoLegs({ pole: 'both' }) },
  },
  'carbon-monoxide': { calls: { supplyId: 'shore', rig: asGenerator() }, doesNot: { rig: asGenerator() } },
  'eco-throttle': {
    calls: { supplyId: 'shore', loads: motor, rig: asGenerator({ ecoThrottle: 'yes' }) },
    doesNot: { supplyId: 'shore', rig: asGenerator({ ecoThrottle: 'yes' }) },
  },
  'cold-charging': {
    calls: {
      supplyId: 'shore',
      supply: { charging: 'on' },
      rig: (rig) => ({ ...bank({ chemistry: 'lfp' })(rig), conditions: { batteryC: -1 } }),
    },
    doesNot: {
      supplyId: 'shore',
      supply: { charging: 'on' },
      rig: (rig) => ({ ...bank({ chemistry: 'lfp' })(rig), conditions: { batteryC: 0 } }),
    },
  },
  'battery-matching': {
    calls: { rig: (rig) => ({ batteries: ['a', 'b'].map((id) => ({ ...rig.batteries[0]!, id })) }) },
    doesNot: {},
  },
  'high-dc-current': { calls: { loads: { thing: { w: 1200 } } }, doesNot: { loads: { thing: { w: 900 } } } },
  'twelve-volts': {
    calls: { loads: { thing: { w: 1100 } } },
    doesNot: { loads: { thing: { w: 1100 } }, rig: () => ({ practice: { twelveVoltAdvice: 'leave-out' } }) },
  },
  'plug-heat': {
    calls: {
      supplyId: 'shore',
      loads: { thing: { w: 1500, minutes: 180 } },
      supply: { cords: [{ plugA: 15 }] },
    },
    doesNot: {
      supplyId: 'shore',
      loads: { thing: { w: 1500, minutes: 179 } },
      supply: { cords: [{ plugA: 15 }] },
    },
  },
  'unattended-heat': { calls: { load: { usage: 'by-itself' } }, doesNot: { load: { usage: 'left-on' } } },
  adapter: {
    calls: { supplyId: 'shore', supply: { cords: [{ plugA: 30 }, { plugA: 15 }] } },
    doesNot: { supplyId: 'shore', supply: { cords: [{ plugA: 30 }, { plugA: 30 }] } },
  },
  transfer: {
    calls: {
      supplyId: 'shore',
      rig: (rig) => ({ sources: [...rig.sources, { ...rig.sources[0]!, id: 'other' }] }),
    },
    doesNot: { supplyId: 'shore' },
  },
  bond: { calls: {}, doesNot: { supplyId: 'shore' } },
  'modified-sine': {
    calls: { rig: inverter({ waveform: 'modified-sine' }) },
    doesNot: { rig: inverter({ waveform: 'sine' }) },
  },
};

describe('a caution', () => {
  for (const [id, { calls, doesNot }] of Object.entries(TRIGGERS)) {
    it(`"${id}" appears where the facts call for it, and not beside them (methods.md 12)`, () => {
      expect(cautionsWith(calls)).toContain(id);
      expect(cautionsWith(doesNot)).not.toContain(id);
    });
  }

  it('is not raised about nothing', () => {
    expect(cautionsWith({ on: [] })).toEqual([]);
    expect(cautionsWith({ loads: small, supplyId: 'shore' })).toEqual([]);
  });

  it('says what to do in one line, never that something is permitted', () => {
    for (const { line, text } of Object.values(CAUTION_TEXTS)) {
      expect(line.length).toBeLessThan(110);
      expect(`${line} ${text}`).not.toMatch(/\b(safe|safely|allowed|OK to|permitted)\b/i);
    }
  });
});
