import fc from 'fast-check';
import type { Rig } from '../../src/rig-file/schema.js';
import { cautionsOf } from '../../src/outlook/cautions.js';
import { CAUTION_TEXTS } from '../../src/reference/cautions.js';
import { check, type CheckResult } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { dimmingWords } from '../../src/outlook/supply/dimming-words.js';
import { dimmingOf } from '../../src/outlook/supply/dimming.js';
import { doubtsOf } from '../../src/check/limits/doubts.js';
import { dropOutOf } from '../../src/outlook/supply/drop-out.js';
import { explain, explainLimit, plainText, spareOrOver } from '../../src/words/explain.js';
import { inputLimitWords } from '../../src/outlook/supply/input-limit-words.js';
import { inputLimitOf } from '../../src/outlook/supply/input-limit.js';
import { loadOf } from '../../src/rig/lookup.js';
import { limitLabel } from '../../src/words/names.js';
import { notChecked } from '../../src/outlook/settling/not-checked.js';
import { outlookWords } from '../../src/outlook/outlook-words.js';
import { outlooksOf } from '../../src/outlook/outlook.js';
import { powerBackWords } from '../../src/outlook/supply/power-back-words.js';
import { powerBackOf } from '../../src/outlook/supply/power-back.js';
import { settlementWords } from '../../src/outlook/settling/settlement-words.js';
import { settlementOf } from '../../src/outlook/settling/settle.js';
import type { CheckScene } from '../../src/check/situation.js';
import { unplannedLoadWords } from '../../src/outlook/unplanned-load-words.js';
import { unplannedLoadsOf, USUAL_UNPLANNED_W } from '../../src/outlook/unplanned-load.js';
import { voltageDropWords } from '../../src/outlook/supply/voltage-drop-words.js';
import { voltageDropsOf } from '../../src/outlook/supply/voltage-drop.js';
import { workingOf } from '../../src/words/working.js';
import { always } from '../always.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

const RIGS = DEMO_NAMES.map(demoRig);

/** A demo rig, one of its supplies, and a few of its loads. */
const anyQuestion = fc.constantFrom(...RIGS).chain((rig) =>
  fc.record({
    rig: fc.constant(rig),
    supply: fc.constantFrom(...rig.supplies.map(({ id }) => id)),
    on: fc
      .subarray(
        rig.loads.map(({ id }) => id),
        { maxLength: 7 },
      )
      .map((ids) => ids.map((load) => ({ load }))),
  }),
);

/** Everything the tool says about a set. */
function everyText(rig: Rig, scene: CheckScene, result: CheckResult): readonly string[] {
  const { word, condition, action, reason } = explain('point', rig, result);
  const drop = dropOutOf(compile(rig), scene);
  const settlement = settlementOf(compile(rig), scene, result);
  const back = powerBackOf(compile(rig), scene);
  const dimming = dimmingOf(result);
  const limit = inputLimitOf(rig, result);
  const lines = (words: { readonly line: string; readonly detail: string } | undefined): readonly string[] =>
    words ? [words.line, words.detail] : [];
  return [
    word ?? '',
    condition,
    action,
    plainText(reason),
    ...result.limits.flatMap((each) => {
      const { lines: parts, sum, source, edge } = workingOf('point', result, each);
      return [
        limitLabel('point', rig, each),
        spareOrOver('point', each, each.edge),
        plainText(explainLimit('point', rig, each)),
        ...parts.map(({ origin }) => origin),
        sum,
        source,
        edge,
      ];
    }),
    ...[...outlooksOf(compile(rig), scene)].map(([id, outlook]) =>
      outlookWords('point', rig, loadOf(rig, id), outlook),
    ),
    ...notChecked(rig, result),
    ...cautionsOf(rig, result).flatMap((id) => [CAUTION_TEXTS[id].line, CAUTION_TEXTS[id].text]),
    ...(drop?.decider ? [plainText(explainLimit('point', rig, drop.decider))] : []),
    ...(settlement ? [settlementWords('point', rig, settlement)] : []),
    ...(back ? lines(powerBackWords('point', rig, back)) : []),
    ...(dimming ? lines(dimmingWords('point', rig, dimming)) : []),
    ...(limit ? lines(inputLimitWords('point', limit)) : []),
    ...lines(voltageDropWords('point', voltageDropsOf(rig, result))),
    ...lines(
      unplannedLoadWords('point', rig, unplannedLoadsOf(rig, scene, USUAL_UNPLANNED_W), USUAL_UNPLANNED_W),
    ),
  ];
}

/** What the limits say, apart from which other loads could pass through them, and from rounding. */
const figures = ({ limits }: CheckResult) =>
  limits
    .map(({ id, verdict, worst, headroom }) => ({
      id,
      verdict,
      figures: [worst.lo, worst.hi, headroom.pessimistic, headroom.optimistic].map((each) => each.toFixed(4)),
    }))
    .sort((a, b) => a.id.localeCompare(b.id));

describe('whatever is asked of a demo rig', () => {
  it('every text is a text: no number that is none, no name of a field, no permission', () => {
    always(
      fc.property(anyQuestion, ({ rig, ...scene }) => {
        const texts = everyText(rig, scene, check(compile(rig), scene));
        const odd = texts.filter((text) =>
          /NaN|undefined|Infinity|\[object|null|-0 |\bsafely?\b|\ballowed\b|\bOK to\b|!/.test(text),
        );
        expect(odd).toEqual([]);
        expect(texts.slice(1).filter((text) => text !== text.trim())).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('the answers agree: the decider is the worst row, an outlook is what the tick then shows', () => {
    always(
      fc.property(anyQuestion, ({ rig, ...scene }) => {
        const result = check(compile(rig), scene);
        const rows = result.limits;
        expect(rows[0]).toBe(result.decider);
        expect(rows.every(({ verdict }) => verdict !== 'trips')).toBe(result.verdict !== 'trips');
        for (const { headroom, verdict } of rows) {
          expect(headroom.pessimistic).toBeLessThanOrEqual(headroom.optimistic + 1e-6);
          if (verdict === 'holds') expect(headroom.pessimistic).toBeGreaterThanOrEqual(-1e-3);
        }
        if (result.verdict !== 'holds') return;
        for (const [load, outlook] of outlooksOf(compile(rig), scene)) {
          if (outlook.answer !== 'can-start') continue;
          // What holds, and can bear another start on top of it, holds with that load too.
          const then = check(compile(rig), { ...scene, on: [...scene.on, { load }] });
          expect([then.verdict, load]).toEqual(['holds', load]);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('every answer is plain data: it goes to another thread and comes back the same', () => {
    always(
      fc.property(anyQuestion, ({ rig, ...scene }) => {
        const compiled = compile(rig);
        const result = check(compiled, scene);
        const answers = [
          result,
          outlooksOf(compiled, scene),
          dropOutOf(compiled, scene),
          powerBackOf(compiled, scene),
          settlementOf(compiled, scene, result),
          unplannedLoadsOf(rig, scene),
          dimmingOf(result),
          inputLimitOf(rig, result),
          voltageDropsOf(rig, result),
        ];
        expect(structuredClone(answers)).toEqual(answers);
        const [row] = result.limits;
        if (row) expect(doubtsOf(structuredClone(row))).toEqual(doubtsOf(row));
      }),
      { numRuns: 30 },
    );
  });

  it('a rig compiled once answers every set as one compiled for that set', () => {
    always(
      fc.property(anyQuestion, ({ rig, ...scene }) => {
        const [loads, ids] = [rig.loads, scene.on.map(({ load }) => load)];
        const alone = compile({
          ...rig,
          loads: loads.filter(({ id }) => ids.includes(id)),
          ties: [],
          locks: [],
          shedders: [],
        });
        const whole = compile({ ...rig, ties: [], locks: [], shedders: [] });
        check(whole, { ...scene, on: loads.map(({ id }) => ({ load: id })) });
        expect(figures(check(whole, scene))).toEqual(figures(check(alone, scene)));
      }),
      { numRuns: 40 },
    );
  });

  it('numbers mean the same whatever they are called: other ids, the same verdict and headroom', () => {
    const names = new Set(['load', 'follower', 'leader', 'drops', 'watches']);
    const renamed = (rig: Rig): Rig => {
      const other = JSON.parse(JSON.stringify(rig), (key, value: unknown) =>
        names.has(key) ? `zz-${String(value)}` : value,
      ) as Rig;
      const loads = other.loads.map((load) => ({ ...load, id: `zz-${load.id}` })).reverse();
      const { locks: _locks, ...rest } = other;
      return { ...rest, loads };
    };
    always(
      fc.property(anyQuestion, ({ rig, supply, on }) => {
        const locked = new Set((rig.locks ?? []).flatMap(({ loads }) => loads));
        const free = on.filter(({ load }) => !locked.has(load));
        const other = renamed(rig);
        const there = check(compile(other), { supply, on: free.map(({ load }) => ({ load: `zz-${load}` })) });
        const here = check(compile(rig), { supply, on: free });
        expect(there.verdict).toBe(here.verdict);
        expect(there.decider?.headroom.pessimistic ?? 0).toBeCloseTo(
          here.decider?.headroom.pessimistic ?? 0,
          6,
        );
      }),
      { numRuns: 60 },
    );
  });
});
