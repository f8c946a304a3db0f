import fc from 'fast-check';
import { canSwitchOn, type SwitchOn } from '../../src/now/can-switch-on.js';
import { changedBy } from '../../src/now/room-for.js';
import { followersOf } from '../../src/rig/followers.js';
import { loadOf } from '../../src/rig/lookup.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { CheckScene } from '../../src/check/situation.js';
import { always, cases } from '../always.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';
import { anySystem } from '../naive/any-system.js';
import { naiveJoins } from '../naive/naive-system.js';

/** What is on with a load more and its followers, the load last. */
function joined(rig: Rig, scene: CheckScene, loadId: string, state?: string): CheckScene {
  const more = [...followersOf(rig, loadId)].filter((id) => !scene.on.some(({ load }) => load === id));
  return {
    ...scene,
    on: [
      ...scene.on,
      ...more.map((load) => ({ load })),
      { load: loadId, ...(state !== undefined && { state }) },
    ],
  };
}

function stateOf(answer: SwitchOn): string | undefined {
  const change = 'room' in answer ? answer.room?.change : undefined;
  return change?.by === 'state' && change.loadId === answer.loadId ? change.stateId : undefined;
}

describe('can I switch this on?', () => {
  it('says Yes only where the naive check lets it start last on top of all that runs', () => {
    const seen = { yes: 0, no: 0 };
    always(
      fc.property(anySystem, ({ rig, supply, on }) => {
        const scene: CheckScene = { supply, on: on.slice(1), charge: rig.scenes[0]?.charge };
        for (const answer of canSwitchOn(compile(rig), scene)) {
          if (!('isForHours' in answer) || answer.isBesideTrouble || answer.isForHours) continue;
          const set = joined(rig, scene, answer.loadId).on;
          const holds = naiveJoins(
            rig,
            supply,
            set.map(({ load, ...how }) => ({ load: loadOf(rig, load), ...how })),
            answer.loadId,
          );
          seen[holds ? 'yes' : 'no'] += 1;
          if (answer.answer === 'yes' && !holds) return false;
        }
        return true;
      }),
      { numRuns: 300 },
    );
    expect(Math.min(seen.yes, seen.no)).toBeGreaterThan(cases(20));
  });

  it('names a change after which the set holds, with the load started last', () => {
    let changes = 0;
    for (const name of DEMO_NAMES) {
      const rig = demoRig(name);
      const compiled = compile(rig);
      for (const { id: supply } of rig.supplies) {
        const scene = { ...rig.scenes[0]!, supply };
        for (const answer of canSwitchOn(compiled, scene)) {
          const room = 'room' in answer ? answer.room : undefined;
          if (!room) continue;
          changes += 1;
          const then = joined(rig, changedBy(scene, room.change), answer.loadId, stateOf(answer));
          const { starts, limits } = check(compiled, then, 'given');
          // What is on runs already: of the starts by hand only the last is still to come.
          const toCome = starts.filter(
            ({ consumer, moment }) => moment !== 'in-order' || consumer.load.id === answer.loadId,
          );
          const tested = [
            ...limits.filter(({ start }) => !start),
            ...toCome.flatMap((start) => start.limits),
          ];
          expect(tested.filter(({ verdict }) => verdict !== 'holds').map(({ id }) => id))
            .withContext(`${name} ${supply} ${answer.loadId} ${JSON.stringify(room.change)}`)
            .toEqual([]);
        }
      }
    }
    expect(changes).toBeGreaterThan(20);
  });

  it('is honest about followers, restarts and a hookup that drops out', () => {
    const rig = { ...demoRig('tern'), ties: [{ leader: 'bandsaw', follower: 'extractor', delayS: 0 }] };
    const compiled = compile(rig);
    const answerTo = (id: string, supply: string, ...on: readonly string[]) =>
      canSwitchOn(compiled, { supply, on: on.map((load) => ({ load })) }).find(
        ({ loadId }) => loadId === id,
      )!;
    const saw = answerTo('bandsaw', 'battery', 'fridge');
    expect('follows' in saw && saw.follows).toEqual(['extractor']);
    const kettle = answerTo('kettle', 'battery', 'bandsaw');
    expect('barsRestartOf' in kettle && kettle.barsRestartOf).toEqual(['bandsaw']);
    const oven = answerTo('oven', 'shore-30', 'kettle', 'fridge', 'bending-iron');
    expect('dropOut' in oven && oven.dropOut).toBe('trips');
    expect(answerTo('water-heater', 'battery', 'fridge').answer).toBe('not-here');
  });
});
