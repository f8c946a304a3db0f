import fc from 'fast-check';
import { outlooksOf } from '../../src/answers/outlook.js';
import { canSwitchOn, type SwitchOn } from '../../src/now/can-switch-on.js';
import { withFollowersOf } from '../../src/rig/followers.js';
import { loadOf } from '../../src/rig/lookup.js';
import { whoRunsWithWhom } from '../../src/sets/pairs.js';
import { compile } from '../../src/system/compile.js';
import { check } from '../../src/verdict/check.js';
import type { CheckScene } from '../../src/verdict/situation.js';
import { explain, VERDICT_WORDS } from '../../src/wording/explain.js';
import { always, cases } from '../always.js';
import { anySystem } from '../naive/any-system.js';

const AS_OUTLOOK: Readonly<Record<SwitchOn['answer'], string>> = {
  yes: 'can-start',
  'may-trip': 'tight',
  'likely-trips': 'likely-trips',
  no: 'later',
  'not-here': 'not-here',
};
const AS_VERDICT: Readonly<Record<string, string>> = { 'can-start': 'holds', later: 'trips' };

describe('of one set at one moment', () => {
  it('headline, ladder, list, Now and matrix say one thing, in word and number', () => {
    const seen = { holds: 0, other: 0, pairs: 0 };
    always(
      fc.property(anySystem, ({ rig, supply, on }) => {
        const compiled = compile(rig);
        const scene: CheckScene = { supply, on: on.slice(Math.ceil(on.length / 2)), charge: rig.scenes[0]?.charge };
        const before = check(compiled, scene, 'given');
        const { word } = explain('point', rig, before);
        if (word !== undefined && word !== 'Too little known')
          expect(word).toBe(VERDICT_WORDS[before.verdict]);
        expect(before.decider?.id).toBe(before.limits[0]?.id);
        if (before.verdict !== 'holds' || before.limits.length === 0) return;
        const inNow = new Map(canSwitchOn(compiled, scene).map((answer) => [answer.loadId, answer]));
        for (const [id, outlook] of outlooksOf(compiled, scene)) {
          const now = inNow.get(id)!;
          const { usage, parts } = loadOf(rig, id);
          if (outlook.answer === 'not-here') {
            expect(now.answer).toBe('not-here');
            continue;
          }
          const isRule = outlook.answer === 'tight' && outlook.limit.kind === 'continuous-rule';
          const isForHours = 'isForHours' in now && now.isForHours;
          if (now.answer === 'yes' && isForHours) expect(outlook.answer).toBe('tight');
          else if (!isRule) {
            expect(outlook.answer).toBe(AS_OUTLOOK[now.answer] as typeof outlook.answer);
            if ('limit' in outlook && 'limit' in now && !isForHours)
              expect(now.limit?.headroom).toEqual(outlook.limit?.headroom);
          }
          // What starts by itself is there before the others are switched on again.
          if (usage === 'by-itself' || parts.some(({ kind }) => kind === 'compressor')) continue;
          const joined = withFollowersOf(rig, [...scene.on.map(({ load }) => load), id]);
          const entries = joined.map((load) => scene.on.find((each) => each.load === load) ?? { load });
          const then = check(compiled, { ...scene, on: entries }, 'given');
          expect(then.verdict).toBe((AS_VERDICT[outlook.answer] ?? outlook.answer) as typeof then.verdict);
          seen[then.verdict === 'holds' ? 'holds' : 'other'] += 1;
        }
        for (const { starts, runs, verdict, keptApart } of whoRunsWithWhom(compiled, scene).pairs) {
          if (keptApart) continue;
          const ids = withFollowersOf(rig, [runs, starts]);
          const together = { ...scene, on: ids.map((load) => ({ load })) };
          expect(check(compiled, together, 'given').verdict).toBe(verdict);
          seen.pairs += 1;
        }
      }),
      { numRuns: 500 },
    );
    expect(Math.min(seen.holds, seen.other, seen.pairs)).toBeGreaterThan(cases(5));
  });
});
