import { halfWidthsOf } from '../../src/rig-file/half-widths.js';
import { judgeStart } from '../../src/loads/start/start-test.js';
import { typicalAt } from '../../src/outlook/typical-values.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { rigChecksOf } from '../../src/outlook/rig-checks/rig-checks.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { leftBeside, supplyCarries } from '../../src/outlook/supply/supply-carries.js';
import { countDoubts, worthLookingUp } from '../../src/outlook/settling/worth-looking-up.js';
import { worthLookingUpWords } from '../../src/outlook/settling/worth-looking-up-words.js';
import { exampleRig, on, q } from '../example-rig.js';
import { demoRig } from '../demo-rigs.js';

const battery = (rig: Rig, more: Partial<Rig['batteries'][number]>): Rig => ({
  ...rig,
  batteries: rig.batteries.map((each) => ({ ...each, ...more })),
});
const verdictOf = (rig: Rig, id: string) =>
  rigChecksOf('point', rig).find((check) => check.id === id)?.verdict;

describe('rig checks', () => {
  const rig = exampleRig({}, { watts: 3000, va: 3000, tiers: [[6000, 1]] });

  it('weigh fuse and protection by the amps at cut-off (physics: P over V)', () => {
    const cutOff = battery(rig, { cutOffV: 10, fuse: { amps: 400, kind: 'class-t' }, dischargeA: 400 });
    const fuse = rigChecksOf('point', cutOff).find(({ id }) => id.endsWith(':fuse:1'))!;
    const amps = Number(/is (\d+) A at cut-off/.exec(fuse.sentence)![1]);
    expect(amps).toBeGreaterThan(600);
    expect(amps).toBeLessThan(600 * 1.5);
    expect(verdictOf(cutOff, 'bank:fuse:1')).toBe('holds');
    expect(verdictOf(battery(cutOff, { fuse: { amps: 100, kind: 'class-t' } }), 'bank:fuse:1')).not.toBe(
      'holds',
    );
    expect(verdictOf(cutOff, 'bank:protection:1')).toBe('trips');
    expect(verdictOf(battery(cutOff, { tiers: [{ amps: 1000, seconds: 2 }] }), 'bank:protection:1')).toBe(
      'holds',
    );
  });

  it('hold a fuse against its cable by ampacity and the 150 % rule (NEC 310.16, ABYC E-11, from memory)', () => {
    const withFuse = (amps: number) =>
      battery(rig, { cable: { awg: '2/0' }, fuse: { amps, kind: 'class-t' } });
    expect(verdictOf(withFuse(175), 'bank:cable')).toBe('holds');
    expect(verdictOf(withFuse(250), 'bank:cable')).toBe('likely-trips');
    expect(verdictOf(withFuse(300), 'bank:cable')).toBe('trips');
  });

  it('add source and inverter at the output breaker, on each leg by itself', () => {
    const base = exampleRig({}, { watts: 6000, va: 6000, shoreA: 50 });
    const assisting = (poles: 'single' | 'split-180'): Rig => ({
      ...base,
      buses: base.buses.map((bus) => (bus.id === 'out' ? { ...bus, poles } : bus)),
      converters: base.converters.map((each) => ({
        ...each,
        pole: 'both' as const,
        canAssist: 'yes' as const,
        outputBreaker: { amps: 80, curve: 'ul-489' as const },
      })),
      supplies: base.supplies.map((supply) => ({ ...supply, assist: 'on' as const })),
    });
    expect(verdictOf(assisting('single'), 'inverter:shore:output')).toBe('likely-trips');
    expect(verdictOf(assisting('split-180'), 'inverter:shore:output')).toBe('holds');
  });

  it('say what is not known and what the hand does, the worst first', () => {
    const found = rigChecksOf('point', demoRig('puffin'));
    expect(found[0]!.verdict).toBe('trips');
    expect(found.at(-1)!.verdict).toBe('holds');
    for (const check of found)
      expect(check.fix === undefined)
        .withContext(check.id)
        .toBe(check.verdict === 'holds');
    expect(verdictOf(demoRig('tern'), 'bank:fuse')).toBe('unknown');
    expect(verdictOf(demoRig('marram'), 'site-30:neutral')).toBe('tight');
    expect(verdictOf(demoRig('marram'), 'site-50:neutral')).toBeUndefined();
  });
});

describe('what a supply carries', () => {
  it('is the sum that practitioners do: 30 A and 3 kW carry 4.5 kW with 900 W from the battery; 2.7 kW on 15 A (common practice)', () => {
    const rig = exampleRig({}, { watts: 3000, va: 3000, shoreA: 30 });
    const supply = { ...rig.supplies.find(({ id }) => id === 'shore')!, assist: 'on' as const };
    const assisting: Rig = {
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, canAssist: 'yes' as const })),
    };
    const { sourceVA, behindVA, batteryVA } = supplyCarries(assisting, supply);
    expect(sourceVA).toBe(3600);
    expect(behindVA).toBeGreaterThanOrEqual(4500);
    expect(4500 - sourceVA).toBe(900);
    expect(batteryVA).toBe(3000);
    const small = { ...supply, breaker: { amps: 15, curve: 'ul-489' as const } };
    expect(4500 - supplyCarries(assisting, small).sourceVA).toBe(2700);
    const saw = exampleRig({ saw: { w: 800 } }, { watts: 3000, va: 3000 });
    expect(leftBeside(saw, check(compile(saw), { supply: 'battery', on: on('saw') }))).toBeCloseTo(2200, 6);
    expect(supplyCarries(assisting, { ...supply, assist: 'off' }).behindVA).toBe(3600);
    expect(
      supplyCarries(
        assisting,
        rig.supplies.find(({ id }) => id === 'battery')!,
      ).behindVA,
    ).toBe(3000);
  });
});

describe('the number worth looking up next', () => {
  it('is the one whose doubt keeps the set from holding, with the value at which it holds', () => {
    const rig = exampleRig(
      { saw: { w: 400, start: [q(3900, 'typical'), 0.4] }, lamp: { w: q(100, 'typical') } },
      { watts: 3000, va: 3000, tiers: [[4800, 0.5]] },
    );
    const worth = worthLookingUp(compile(rig), { supply: 'battery', on: on('saw', 'lamp') })[0]!;
    expect(worth).toEqual(jasmine.objectContaining({ by: 'number', loadId: 'saw', field: 'start' }));
    const threshold = worth.by === 'number' ? worth.threshold?.value : undefined;
    expect(threshold).toBeGreaterThan(3900);
    expect(threshold).toBeLessThanOrEqual(4800);
    expect(worthLookingUpWords('point', rig, worth).why).toMatch(/or less the set that is on holds/);
    expect(countDoubts(rig).doubtful).toBe(2);
  });

  it('says up to which value a load beside the set can be switched on for sure (arithmetic: 3,000 - 1,000 W)', () => {
    const rig = exampleRig({ heater: { w: 1000 }, oven: { w: q(1990, 'guess') } }, { watts: 3000, va: 3000 });
    const [worth] = worthLookingUp(compile(rig), { supply: 'battery', on: on('heater') });
    const threshold = worth?.by === 'number' ? worth.threshold : undefined;
    // Measured, it is known to 3 %: 2,000 / 1.03.
    expect(threshold?.value).toBeGreaterThan(1880);
    expect(threshold?.value).toBeLessThanOrEqual(2000 / 1.03);
    expect([threshold?.holds, threshold?.isOfSet]).toEqual([1, false]);
    expect(worthLookingUpWords('point', rig, worth!).why).toMatch(
      /or less one more load can be switched on for sure\.$/,
    );
  });

  it('may be a fact: who carries a start, where either answer settles some (methods.md, rule 11)', () => {
    const rig = demoRig('tern');
    const { on: ticked } = rig.scenes[0]!;
    const found = worthLookingUp(compile(rig), { supply: 'shore-15', on: ticked });
    const fact = found.find(({ by }) => by === 'who-carries');
    expect(fact?.settles).toBeGreaterThan(0);
    expect(worthLookingUpWords('point', rig, fact!).what).toMatch(/^Who carries a start on Shore 15 A/);
  });

  it('says so where no single number settles what is Tight, and where nothing is', () => {
    const two = exampleRig(
      { left: { w: q(1600, 'guess') }, right: { w: q(1600, 'guess') } },
      { watts: 3000, va: 3000 },
    );
    const words = (rig: Rig, ...ids: string[]) => {
      const scene = { supply: 'battery', on: on(...ids) };
      return worthLookingUpWords('point', rig, worthLookingUp(compile(rig), scene)[0]!).why;
    };
    const small = exampleRig({ lamp: { w: q(20, 'guess') } });
    expect(words(small, 'lamp')).toContain('Nothing is Tight for now.');
    expect(words(two, 'left', 'right')).not.toContain('Nothing is Tight');
  });

  it('is nothing where everything is measured', () => {
    const rig = exampleRig({ lamp: { w: q(100, 'measured') } });
    expect(worthLookingUp(compile(rig), { supply: 'battery', on: on('lamp') })).toEqual([]);
  });
});

describe('readings of a start (common practice, no published source)', () => {
  const five = { baseBeforeA: 2, startsA: [34.6, 34, 33.8, 34.2, 33.9], baseAfterA: 2, volts: 120 };

  it('give the highest less the base, measured where three agree within a tenth', () => {
    const judged = judgeStart(five)!;
    expect(judged.va).toEqual({ value: 32.6 * 120, basis: 'measured', readings: 5 });
    expect([judged.agreeing, judged.faults]).toEqual([5, []]);
    // One reading is one reading: no guess, and known less well (common practice, no published source).
    const once = judgeStart({ ...five, startsA: [34] })!.va;
    expect([once.basis, once.readings]).toEqual(['measured', 1]);
    expect(halfWidthsOf(once, 'start')).toEqual({ minus: 0.05 * once.value, plus: 0.2 * once.value });
    expect(halfWidthsOf(judgeStart(five)!.va, 'start').plus).toBeCloseTo(0.03 * 32.6 * 120, 6);
  });

  it('say what spoils them', () => {
    expect(judgeStart({ ...five, baseAfterA: 2.2 })!.faults).toEqual(['base-drifted']);
    expect(judgeStart({ ...five, startsA: [34, 33.5, 33.8] })!.faults).toEqual(['few-starts']);
    expect(judgeStart({ ...five, startsA: [34, 34, 34, 34, 1] })!.faults).toEqual(['below-base']);
    expect(judgeStart({ ...five, startsA: [] })).toBeUndefined();
  });
});

describe('what is usual at a field', () => {
  it('comes from the kind, marked as typical, and from nowhere else', () => {
    const rig = demoRig('tern');
    const saw = rig.loads.findIndex(({ id }) => id === 'bandsaw');
    expect(typicalAt(rig, `loads[${saw}].parts[0].powerFactor`)).toEqual(
      jasmine.objectContaining({ value: 0.65, basis: 'typical' }),
    );
    expect(typicalAt(rig, `loads[${saw}].parts[0].start.va`)).toEqual(
      jasmine.objectContaining({ basis: 'typical' }),
    );
    expect(typicalAt(rig, 'batteries[0].ohms')).toBeGreaterThan(0);
    expect(typicalAt(rig, `loads[${saw}].name`)).toBeUndefined();
    expect(typicalAt(rig, 'circuits[0].protection.amps')).toBeUndefined();
  });
});
