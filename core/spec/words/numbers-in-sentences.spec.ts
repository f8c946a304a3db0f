import fc from 'fast-check';
import { mayMeasure } from '../../src/outlook/settling/may-measure.js';
import { settlementOf } from '../../src/outlook/settling/settle.js';
import { ceilingsOf, wattsPerVA } from '../../src/supply/surge-tiers.js';
import type { AskedSet, Change } from '../../src/changes/change.js';
import { changed } from '../../src/changes/changed.js';
import { easierStarts } from '../../src/changes/changes-of-rig.js';
import { waysToFit } from '../../src/changes/ways-to-fit.js';
import { SURGE_WITHOUT_TIERS } from '../../src/reference/inverter-surge.js';
import { loadOf } from '../../src/rig/lookup.js';
import { enoughSizes } from '../../src/changes/sizes/enough-sizes.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check, isNothingFed, runningSetOf, type CheckResult } from '../../src/check/check.js';
import type { Limit } from '../../src/check/limits/limit.js';
import { wayWords } from '../../src/changes/change-words.js';
import { explain, explainLimit, plainText, spareOrOver } from '../../src/words/explain.js';
import { settlementWords } from '../../src/outlook/settling/settlement-words.js';
import { always, cases } from '../always.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';
import { anySystem, type AnySystem } from '../naive/any-system.js';

const anyOfADemo: fc.Arbitrary<AnySystem> = fc.constantFrom(...DEMO_NAMES.map(demoRig)).chain((rig) =>
  fc.record({
    rig: fc.constant(rig),
    supply: fc.constantFrom(...rig.supplies.map(({ id }) => id)),
    on: fc
      .subarray(rig.loads, { minLength: 1, maxLength: 6 })
      .map((loads) => loads.map(({ id }) => ({ load: id }))),
  }),
);
const anyone = fc.oneof(anySystem, anyOfADemo);

const sceneOf = ({ rig, supply, on }: AnySystem) => ({ supply, on, charge: rig.scenes[0]?.charge });

/** "4,800 VA" and the like, read back out of our own sentences. */
const AMOUNT = String.raw`(\d[\d,]*(?:\.\d+)?)\s(VA|W|A)\b`;
const figure = (text: string | undefined): number => Number((text ?? '').replaceAll(',', ''));

/** A printed figure is rounded to its last digit. */
const LAST_DIGIT = 1.01;

/** The most that an inverter carries for so many seconds, by its tiers, in VA or W. */
function mostFor({ element, unit }: Limit, seconds: number): number {
  if (element.kind !== 'inverter') return Infinity;
  const { rating, assists } = element;
  const usual =
    rating.tiers.length === 0 && seconds <= SURGE_WITHOUT_TIERS.seconds ? SURGE_WITHOUT_TIERS.times : 1;
  const lasting = ceilingsOf(rating).filter((each) => each.seconds >= seconds);
  const most = Math.max(...lasting.map(({ value, plus }) => (value + plus) * usual));
  return (unit === 'W' ? most * (wattsPerVA(rating) || 1) : most) + (assists?.limit.va ?? 0);
}

/** Of charging off the minutes are found later. */
const idOf = ({ by, ...of }: Change): string => (by === 'charging-off' ? by : JSON.stringify({ by, ...of }));

/** What is ticked, all of it at its worst, W and VA, charging with it. */
function tickedAtWorst(result: CheckResult): { readonly W: number; readonly VA: number } {
  const { consumers } = runningSetOf(result);
  const parts = consumers.flatMap((consumer) => consumer.parts);
  const worst = (of: 'watts' | 'nonActive'): number[] =>
    parts.map(({ running }) => running[of].value + running[of].plus);
  const [watts, nonActive] = [worst('watts'), worst('nonActive')];
  return {
    W: watts.reduce((sum, each) => sum + each, 0),
    VA: watts.reduce((sum, each, index) => sum + Math.hypot(each, nonActive[index] ?? 0), 0),
  };
}

type Ticked = ReturnType<typeof tickedAtWorst>;

function ratingsIn(text: string, limit: Limit): number {
  const rating = new RegExp(`carries ${AMOUNT}(?: for ([\\d.]+)\\s(s|min)|, continuous)`).exec(text);
  if (!rating || limit.element.kind !== 'inverter') return 0;
  const seconds = rating[3] === undefined ? Infinity : figure(rating[3]) * (rating[4] === 'min' ? 60 : 1);
  expect(figure(rating[1]))
    .withContext(text)
    .toBeLessThanOrEqual(mostFor(limit, seconds) + LAST_DIGIT);
  return 1;
}

function marginsOf(limit: Limit, text: string): number {
  const spare = new RegExp(`^${AMOUNT} to spare$`).exec(spareOrOver('point', limit, limit.edge));
  const most = limit.capacity[limit.edge];
  if (!spare || !Number.isFinite(most)) return 0;
  expect(figure(spare[1]))
    .withContext(text)
    .toBeLessThanOrEqual(most + LAST_DIGIT);
  return 1;
}

function sumsIn(text: string, { kind }: Limit, ticked: Ticked): number {
  const sum = new RegExp(`adds up to at most ${AMOUNT}`).exec(text);
  if (!sum || !['inverter-watts', 'inverter-va', 'inverter-peak'].includes(kind)) return 0;
  expect(figure(sum[1]))
    .withContext(text)
    .toBeLessThanOrEqual(ticked[sum[2] === 'W' ? 'W' : 'VA'] + LAST_DIGIT);
  return 1;
}

const askedOf = (system: AnySystem): AskedSet => ({
  rig: system.rig,
  scene: sceneOf(system),
  startOrder: 'best',
});

describe('the numbers in our sentences', () => {
  it('pair a rating with its own seconds, a margin with what has room for it, a sum with what is ticked', () => {
    const seen = { ratings: 0, margins: 0, sums: 0 };
    always(
      fc.property(anyone, (system) => {
        const result = check(compile(system.rig), sceneOf(system));
        const ticked = tickedAtWorst(result);
        for (const limit of result.limits) {
          const text = plainText(explainLimit('point', system.rig, limit));
          seen.ratings += ratingsIn(text, limit);
          seen.margins += marginsOf(limit, text);
          seen.sums += sumsIn(text, limit, ticked);
        }
        const { action } = explain('point', system.rig, result);
        const headline = new RegExp(`at least ${AMOUNT} to spare`).exec(action);
        if (headline && result.decider)
          expect(figure(headline[1])).toBeLessThanOrEqual(result.decider.capacity.pessimistic + LAST_DIGIT);
      }),
      { numRuns: 250 },
    );
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(cases(100));
  });

  it('ask to measure nothing that cannot be', () => {
    let asked = 0;
    always(
      fc.property(anyone, (system) => {
        const compiled = compile(system.rig);
        const scene = sceneOf(system);
        const settlement = settlementOf(compiled, scene, check(compiled, scene));
        if (settlement?.by !== 'measuring') return;
        const band = mayMeasure(system.rig, settlement)!;
        expect(settlement.threshold).toBeGreaterThanOrEqual(band.lo);
        expect(settlement.threshold).toBeLessThanOrEqual(band.hi);
        expect(settlementWords('point', system.rig, settlement)).toMatch(/\d/);
        asked += 1;
      }),
      { numRuns: 150 },
    );
    expect(asked).toBeGreaterThan(cases(5));
  });

  it('name no way that leaves nothing on, and a panel only where there is one', () => {
    let ways = 0;
    always(
      fc.property(anyone, (system) => {
        if (isNothingFed(check(compile(system.rig), sceneOf(system)))) return;
        for (const way of waysToFit(askedOf(system)).ways) {
          ways += 1;
          const { does, then, byHand } = wayWords('point', system.rig, way);
          expect(does).not.toBe('');
          expect(then).not.toMatch(/Nothing is|Only charging/);
          const hasPanel = system.rig.converters.some(({ kind }) => kind === 'inverter-charger');
          if (!hasPanel) expect(byHand).not.toContain("inverter's own panel");
        }
      }),
      { numRuns: 25 },
    );
    expect(ways).toBeGreaterThan(cases(20));
  });

  it('leave out neither charging off nor a soft starter by itself, where that is enough', () => {
    let alone = 0;
    always(
      fc.property(anyone, (system) => {
        const asked = askedOf(system);
        const verdictOf = ({ rig, scene, startOrder }: AskedSet) => check(compile(rig), scene, startOrder);
        const base = verdictOf(asked);
        if (base.verdict === 'holds' || isNothingFed(base)) return;
        const mayCharge = base.supply.sources.length > 0 && base.supply.charging !== 'off';
        const isEnough = (change: Change): boolean => verdictOf(changed(asked, change)).verdict === 'holds';
        const enough: readonly Change[] = [
          ...(mayCharge ? [{ by: 'charging-off' as const, minutes: undefined }] : []),
          ...asked.scene.on.flatMap(({ load }) => easierStarts(loadOf(system.rig, load))),
        ].filter(isEnough);
        if (enough.length === 0) return;
        const { ways } = waysToFit(asked);
        const told = ways.flatMap(({ changes }) => (changes.length === 1 ? changes.map(idOf) : []));
        for (const change of enough) expect(told).toContain(idOf(change));
        alone += enough.length;
      }),
      { numRuns: 150 },
    );
    expect(alone).toBeGreaterThan(cases(3));
  });

  it('size no inverter at more than twice the volt-amps of what is ticked at its worst', () => {
    always(
      fc.property(anyOfADemo, ({ rig, ...scene }) => {
        const { sizes } = enoughSizes(rig, [scene], 0);
        for (const { part, unit, seconds, needs } of sizes) {
          if (needs === undefined || part !== 'inverter' || unit !== 'W' || seconds !== undefined) continue;
          const ticked = tickedAtWorst(check(compile(rig), scene));
          expect(needs)
            .withContext(JSON.stringify(scene.on))
            .toBeLessThanOrEqual(2 * ticked.VA + 10);
        }
      }),
      { numRuns: 6 },
    );
  });
});
