import fc from 'fast-check';
import { outlooksOf, type Outlook } from '../../src/outlook/outlook.js';
import { canSwitchOn, type SwitchOn } from '../../src/now/can-switch-on.js';
import { withFollowersOf } from '../../src/rig/followers.js';
import { loadOf } from '../../src/rig/lookup.js';
import { whoRunsWithWhom } from '../../src/sets/pairs.js';
import { compile, type CompiledRig } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { CheckScene } from '../../src/check/situation.js';
import { explain, VERDICT_WORDS } from '../../src/words/explain.js';
import { always, cases } from '../always.js';
import { anySystem, type AnySystem } from '../naive/any-system.js';
import { startsByItself } from '../naive/naive-check.js';

const AS_OUTLOOK: Readonly<Record<SwitchOn['answer'], Outlook['answer']>> = {
  yes: 'can-start',
  'may-trip': 'tight',
  'likely-trips': 'likely-trips',
  no: 'later',
  'not-here': 'not-here',
};
const AS_VERDICT: Readonly<Record<string, string>> = { 'can-start': 'holds', later: 'trips' };

/** Half of what is listed is on. */
const halfOn = ({ rig, supply, on }: AnySystem): CheckScene => ({
  supply,
  on: on.slice(Math.ceil(on.length / 2)),
  charge: rig.scenes[0]?.charge,
});

/** A set that holds, with a load more and what follows it, the load and its followers last. */
function ticked(compiled: CompiledRig, scene: CheckScene, id: string): CheckScene {
  const more = withFollowersOf(compiled.rig, [id]).filter(
    (each) => !scene.on.some(({ load }) => load === each),
  );
  return { ...scene, on: [...scene.on, ...more.map((load) => ({ load }))] };
}

/** What starts by itself is there before the others are switched on again. */
const isThereFirst = ({ rig }: CompiledRig, id: string): boolean => startsByItself(loadOf(rig, id));

function agreesWithNow(outlook: Outlook, now: SwitchOn): void {
  const isRule = outlook.answer === 'tight' && outlook.limit.kind === 'continuous-rule';
  if (isRule) {
    expect(['yes', 'may-trip']).toContain(now.answer);
    return;
  }
  expect(outlook.answer).toBe(AS_OUTLOOK[now.answer]);
  if ('limit' in outlook && 'limit' in now) expect(now.limit?.headroom).toEqual(outlook.limit?.headroom);
}

describe('of one set at one moment', () => {
  it('headline and ladder, and the list before and after a tick, say one thing in word and number', () => {
    const seen = { holds: 0, other: 0 };
    always(
      fc.property(anySystem, (system) => {
        const compiled = compile(system.rig);
        const scene = halfOn(system);
        const before = check(compiled, scene, 'given');
        const { word } = explain('point', system.rig, before);
        if (word !== undefined) expect([VERDICT_WORDS[before.verdict], 'Too little known']).toContain(word);
        expect(before.decider?.id).toBe(before.limits[0]?.id);
        if (before.verdict !== 'holds') return;
        const inNow = new Map(canSwitchOn(compiled, scene).map((answer) => [answer.loadId, answer]));
        for (const [id, outlook] of outlooksOf(compiled, scene)) {
          const now = inNow.get(id)!;
          if (outlook.answer === 'not-here') {
            expect(now.answer).toBe('not-here');
            continue;
          }
          const order = isThereFirst(compiled, id) ? 'best' : 'given';
          const then = check(compiled, ticked(compiled, scene, id), order);
          expect(AS_VERDICT[outlook.answer] ?? outlook.answer).toBe(then.verdict);
          seen[then.verdict === 'holds' ? 'holds' : 'other'] += 1;
          // In Now it joins what runs, and nothing is switched on again.
          if (order === 'given') agreesWithNow(outlook, now);
        }
      }),
      { numRuns: 500 },
    );
    expect(Math.min(seen.holds, seen.other)).toBeGreaterThan(cases(20));
  });

  it('a cell of the matrix is the verdict of its two loads with what follows them', () => {
    let pairs = 0;
    always(
      fc.property(anySystem, (system) => {
        const compiled = compile(system.rig);
        const scene = halfOn(system);
        for (const { starts, runs, verdict, keptApart } of whoRunsWithWhom(compiled, scene).pairs) {
          if (keptApart) continue;
          const on = withFollowersOf(system.rig, [runs, starts]).map((load) => ({ load }));
          expect(check(compiled, { ...scene, on }, 'given').verdict).toBe(verdict);
          pairs += 1;
        }
      }),
      { numRuns: 60 },
    );
    expect(pairs).toBeGreaterThan(cases(60));
  });
});
