import fc from 'fast-check';
import { linesOf, setsOf, type CardItem, type CardPlan } from '../../src/card/card-plan.js';
import { cardCode, cardVersion, fnv1a, readCardCode } from '../../src/card/card-version.js';
import { withItemIn, withTogether } from '../../src/card/card-edits.js';
import { mayBeOn, proofOfLine } from '../../src/card/line-proof.js';
import { pairsCovered } from '../../src/card/fewest-lines.js';
import { shortestCard } from '../../src/card/shortest-card.js';
import { cardDocument } from '../../src/card/card-html.js';
import { loadOf } from '../../src/rig/lookup.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { cardPage } from '../../src/card/card-page.js';
import { always, cases } from '../always.js';
import { tiedTo } from '../ties.js';
import { DEMO_NAMES, demoRig, type DemoName } from '../demo-rigs.js';
import { anySystem } from '../naive/any-system.js';
import { naiveInAnyOrder, naiveInThisOrder } from '../naive/naive-system.js';

const subsetsOf = <T>(list: readonly T[]): T[][] =>
  list.reduce<T[][]>((subsets, each) => [...subsets, ...subsets.map((subset) => [...subset, each])], [[]]);

/** All that starts with a set and is fed. */
function broughtOn(rig: Rig, supply: string, items: readonly CardItem[]): readonly CardItem[] {
  const system = compile(rig).on(supply);
  const ids = items.map(({ load }) => load);
  return tiedTo(rig, ids)
    .filter((id) => !ids.includes(id) && !system.whyNotFed(id))
    .map((load) => ({ load }));
}

/** The card of a demo rig's supply, worked out once for all that is asked of it. */
const known = new Map<string, CardPlan>();
function cardOf(name: DemoName, supply: string): CardPlan {
  const key = `${name} ${supply}`;
  const plan = known.get(key) ?? shortestCard(compile(demoRig(name)), supply);
  known.set(key, plan);
  return plan;
}

describe('a printed card', () => {
  it('has no line of which any subset fails the naive check in any order, with restarts (random systems)', () => {
    let sets = 0;
    always(
      fc.property(anySystem, ({ rig: asRead, supply }) => {
        // A card goes by the reserve, whatever the charge is now.
        const rig = { ...asRead, scenes: asRead.scenes.map((scene) => ({ ...scene, charge: undefined })) };
        const compiled = compile(rig);
        const plan = shortestCard(compiled, supply);
        const stands = (items: readonly CardItem[]) =>
          items.map(({ load, state }) => ({
            load: loadOf(rig, load),
            ...(state !== undefined && { state }),
          }));
        for (const line of linesOf(plan))
          for (const set of setsOf(plan, line)) {
            if (line.kind === 'order') {
              if (!naiveInThisOrder(rig, supply, [...stands(set), ...stands(broughtOn(rig, supply, set))]))
                return false;
              continue;
            }
            for (const subset of subsetsOf(set).filter((each) => each.length > 0)) {
              sets += 1;
              if (!naiveInAnyOrder(rig, supply, stands(subset), stands(broughtOn(rig, supply, subset))))
                return false;
            }
          }
        return true;
      }),
      { numRuns: 400 },
    );
    expect(sets).toBeGreaterThan(cases(200));
  });

  it('has no line of which any order of any set fails the check, restarts included (demo rigs)', () => {
    let lines = 0;
    for (const name of DEMO_NAMES) {
      const rig = demoRig(name);
      const compiled = compile(rig);
      for (const { id } of rig.supplies) {
        const plan = cardOf(name, id);
        for (const line of linesOf(plan)) {
          lines += 1;
          expect(proofOfLine(compiled, plan, line).isProved).toBeTrue();
          if (line.kind === 'order') continue;
          for (const set of setsOf(plan, line)) {
            // Another way to ask for any order: each load in turn is started after all the others.
            for (const last of set) {
              const on = [...set.filter((each) => each !== last), last];
              const { starts, limits, restarts } = check(compiled, { supply: id, on }, 'given');
              const own = starts.filter(
                ({ consumer, moment }) => consumer.load.id === last.load || moment !== 'in-order',
              );
              const asked = [
                ...limits.filter(({ start }) => !start),
                ...own.flatMap((start) => start.limits),
                ...restarts.map(({ limit }) => limit),
              ];
              expect(asked.every(({ verdict }) => verdict === 'holds'))
                .withContext(`${name} ${id} ${set.map(({ load }) => load).join()}`)
                .toBeTrue();
            }
          }
        }
      }
    }
    expect(lines).toBeGreaterThan(40);
  });

  it('leaves no load out, keeps none from running alone, and says nearly all of the pairs that hold', () => {
    for (const name of DEMO_NAMES) {
      const rig = demoRig(name);
      const compiled = compile(rig);
      const supply = rig.supplies[0]!.id;
      const plan = cardOf(name, supply);
      const named = [...plan.always, ...plan.oneAtATime, ...plan.never].map(({ load }) => load).sort();
      expect(named).toEqual(rig.loads.map(({ id }) => id).sort());
      for (const { load } of plan.never) expect(mayBeOn(compiled, supply, [{ load }])).toBeFalse();
      const { said, of } = pairsCovered(plan.oneAtATime, plan.together, (...on) =>
        mayBeOn(compiled, supply, [...plan.always, ...on]),
      );
      expect(said).withContext(name).toBe(of);
    }
  });

  it('proves a change by hand anew: what is only Tight or trips is not printed', () => {
    const rig = demoRig('tern');
    const compiled = compile(rig);
    const plan = cardOf('tern', 'battery');
    const edited = withTogether(withItemIn(plan, { load: 'oven' }, 'always'), [
      [{ load: 'kettle' }],
      [{ load: 'hob' }],
    ]);
    const proofs = linesOf(edited).map((line) => ({ line, ...proofOfLine(compiled, edited, line) }));
    const proved = new Set(proofs.flatMap(({ line, isProved }) => (isProved ? [line.id] : [])));
    expect(proofs.filter(({ isProved }) => !isProved).length).toBeGreaterThan(1);
    const page = cardPage(rig, edited, ({ id }) => proved.has(id), '');
    expect(JSON.stringify(page)).not.toContain('Kettle and induction hob');
  });

  it('is a page that needs nothing else: no script, no address, texts of the user escaped, below 200 kB', () => {
    const rig = demoRig('tern');
    const named = { ...rig, loads: rig.loads.map((load) => ({ ...load, name: `${load.name} <script>&"'` })) };
    const pages = rig.supplies.map(({ id }) => cardPage(named, cardOf('tern', id), () => true, '<b>'));
    const code = { size: 33, path: 'M0 0h1v1h-1z', words: 'today' };
    const html = cardDocument(pages, { paper: 'a5', isLarge: false }, code);
    expect(html).not.toMatch(/<script|<link|<b>|https?:|src=|@import|url\(/);
    expect(html.length).toBeLessThan(200_000);
    // Household words: no watts.
    expect(html.replace(/<style>[\s\S]*?<\/style>/, '')).not.toMatch(/\d\s?(?:W|VA)\b/);
  });

  it('carries a mark of the rig that changes with every number, and not with what is on', () => {
    // Published test vectors of FNV-1a, 32 bits, from memory.
    expect([fnv1a(''), fnv1a('a'), fnv1a('foobar')]).toEqual(['811c9dc5', 'e40c292c', 'bf9cf968']);
    const rig = demoRig('tern');
    const version = cardVersion(rig);
    expect(cardVersion({ ...rig, scenes: [], days: [] })).toBe(version);
    const [first, ...others] = rig.loads;
    expect(cardVersion({ ...rig, loads: [{ ...first!, name: 'Another' }, ...others] })).not.toBe(version);
    const code = { rigId: rig.id, version, date: '2026-06-12' };
    expect(readCardCode(cardCode(code))).toEqual(code);
    expect(readCardCode('something else')).toBeUndefined();
  });
});
