import fc from 'fast-check';
import { staircaseOf } from '../../src/outlook/staircase.js';
import type { AskedSet, Change } from '../../src/changes/change.js';
import { changedBy } from '../../src/changes/changed.js';
import { waysToFit, type Way } from '../../src/changes/ways-to-fit.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { wayWords, wouldNotHelpWords } from '../../src/changes/change-words.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';
import { exampleRig, on } from '../example-rig.js';
import { workedExample } from '../worked-example.js';

const tern = demoRig('tern');

const judged = (asked: AskedSet) => check(compile(asked.rig), asked.scene, asked.startOrder);
const verdictAfter = (asked: AskedSet, ...changes: Change[]) => judged(changedBy(asked, changes)).verdict;
const ask = (rig: Rig, supply: string, ...ids: string[]): AskedSet => ({
  rig,
  scene: { supply, on: on(...ids) },
  startOrder: 'best',
});
const kinds = (ways: readonly Way[]) => ways.map(({ changes }) => changes.map(({ by }) => by).join('+'));

const anySet = fc.record({
  supply: fc.constantFrom(...tern.supplies.map(({ id }) => id)),
  ids: fc.subarray(
    tern.loads.map(({ id }) => id),
    { minLength: 2, maxLength: 7 },
  ),
});

describe('the ways to make a set fit', () => {
  it('have a bigger inverter as it is sold, and with that the set holds (worked example 15.50)', () => {
    const { given, comesTo } = workedExample('15.50');
    const [neededW, watts] = given;
    const asked = ask(exampleRig({ heater: { w: neededW } }, { watts }), 'battery', 'heater');
    const bigger = waysToFit(asked).ways.find(({ changes }) => changes[0]?.by === 'bigger-inverter')!;
    const sold = changedBy(asked, bigger.changes);
    comesTo(sold.rig.converters[0]!.continuousW.value);
    expect(judged(sold).verdict).toBe('holds');
  });

  it('hold by a check of their own, with nothing that was to run left without a feed (random sets of a demo rig)', () => {
    always(
      fc.property(anySet, ({ supply, ids }) => {
        const asked = ask(tern, supply, ...ids);
        const before = judged(asked);
        const { ways } = waysToFit(asked);
        if (before.verdict === 'holds') expect(ways).toEqual([]);
        const dead = new Set(before.notFed.map(({ load }) => load.id));
        for (const { changes, result } of ways.filter((way) => way.result.verdict === 'holds')) {
          const after = judged(changedBy(asked, changes));
          expect([after.verdict, result.verdict]).toEqual(['holds', 'holds']);
          const locked = changes.some(({ by }) => by === 'either-or') ? 1 : 0;
          expect(after.notFed.filter(({ load }) => !dead.has(load.id)).length).toBe(locked);
          for (const change of changes.filter(({ by }) => by === 'wait'))
            if (change.by === 'wait') {
              const others = changes.filter((each) => each !== change);
              expect(verdictAfter(asked, ...others, { by: 'off', loadId: change.forId })).toBe('holds');
            }
        }
      }),
      { numRuns: 12 },
    );
  });

  it('miss no level and no load switched off that is enough, and of two changes each is needed (random sets of a demo rig)', () => {
    always(
      fc.property(anySet, ({ supply, ids }) => {
        const asked = ask(tern, supply, ...ids);
        if (judged(asked).verdict === 'holds') return;
        const ways = waysToFit(asked).ways.filter(({ result }) => result.verdict === 'holds');
        const told = new Set(
          ways
            .flatMap(({ changes }) => (changes.length === 1 ? changes : []))
            .map((each) => JSON.stringify(each)),
        );
        const mayGo = tern.loads.filter(({ id, isProtected }) => ids.includes(id) && isProtected !== 'yes');
        for (const { id } of mayGo) {
          const off: Change = { by: 'off', loadId: id };
          expect(told.has(JSON.stringify(off))).toBe(verdictAfter(asked, off) === 'holds');
        }
        for (const load of tern.loads.filter(({ id, states }) => ids.includes(id) && states)) {
          const levels = (load.states ?? []).map(({ id }): Change => ({
            by: 'state',
            loadId: load.id,
            stateId: id,
          }));
          const isEnough = levels.some((change) => verdictAfter(asked, change) === 'holds');
          expect(levels.some((change) => told.has(JSON.stringify(change)))).toBe(isEnough);
        }
        for (const { changes } of ways)
          if (changes.length === 2)
            for (const each of changes) {
              const inTurn: readonly Change[] =
                each.by === 'wait' ? [each, { by: 'off', loadId: each.forId }] : [each];
              expect(inTurn.every((one) => verdictAfter(asked, one) === 'holds')).toBeFalse();
            }
      }),
      { numRuns: 12 },
    );
  });

  it('begin with another order, where that is all it takes (two tiers: the short high start may wait, docs/decisions/0001)', () => {
    const loads = {
      base: { w: 600 },
      high: { w: 1200, start: [2800, 0.3] },
      long: { w: 1000, start: [2400, 1] },
    } as const;
    const tiers = [
      [5000, 0.5],
      [4000, 5],
    ] as const;
    const asked: AskedSet = {
      ...ask(exampleRig(loads, { watts: 3000, tiers }), 'battery', 'base', 'high', 'long'),
    };
    expect(judged({ ...asked, startOrder: 'given' }).verdict).not.toBe('holds');
    expect(kinds(waysToFit({ ...asked, startOrder: 'given' }).ways)[0]).toBe('order');
  });

  it('hold off what starts by itself until the others run: it is one more start then (physics)', () => {
    // 2,900 W at the pump's start on the compressor; the other way round 700 + 1,900.
    const loads = {
      compressor: { w: 700, start: [1900, 0.3], usage: 'by-itself' },
      pump: { w: 300, start: [2200, 0.3] },
    } as const;
    const asked = ask(
      exampleRig(loads, { watts: 2000, tiers: [[2500, 5]] }),
      'battery',
      'compressor',
      'pump',
    );
    const [least] = waysToFit(asked).ways;
    expect(least?.changes).toEqual([{ by: 'hold-off', loadId: 'compressor' }]);
    const words = wayWords('point', asked.rig, least!);
    expect(words.does).toBe('Hold the compressor off until the others have started');
    expect(words.byHand).toMatch(/switch or thermostat/);
    // Once it runs it may start again on top of all: that start is tested, and drawn, too.
    const again = staircaseOf(least!.result)?.atAnyMoment.map(({ consumer }) => consumer.load.id);
    expect(again).toEqual(['compressor']);
  });

  it('name the least round rating that is enough, and no inverter where a breaker decides (arithmetic)', () => {
    const loads = { heater: { w: 1600 }, oven: { w: 1450 } };
    const small = ask(exampleRig(loads, { watts: 2500 }), 'battery', 'heater', 'oven');
    const bigger = waysToFit(small)
      .ways.flatMap(({ changes }) => changes)
      .find(({ by }) => by === 'bigger-inverter');
    expect(bigger?.by === 'bigger-inverter' && Math.round(2500 * bigger.factor)).toBe(3100);
    const tripped = ask(exampleRig(loads, { watts: 5000, breakerA: 15 }), 'battery', 'heater', 'oven');
    const { ways, wouldNotHelp } = waysToFit(tripped);
    expect(kinds(ways)).not.toContain('bigger-inverter');
    const words = wouldNotHelp.map((told) => wouldNotHelpWords('point', tripped.rig, told));
    expect(words[0]).toEqual({
      what: 'A larger breaker',
      why: jasmine.stringMatching(/^Never: the wire behind it/),
    });
  });

  it('keep the 80 % rule by running for less than three hours, and say so (NEC 210.20(A): 3 h and more)', () => {
    const loads = { heater: { w: 1500, minutes: 300 } };
    const asked = ask(exampleRig(loads, { watts: 3000, breakerA: 15 }), 'battery', 'heater');
    expect(judged(asked).verdict).toBe('tight');
    const [least] = waysToFit(asked).ways;
    expect(least?.changes[0]?.by).toBe('shorter');
    expect(wayWords('point', asked.rig, least!).does).toBe(
      'Run the heater for less than three hours at a time',
    );
  });

  it('never run a set by taking it where part of it is dead: the other supply feeds nothing ahead of the inverter', () => {
    const loads = { boiler: { w: 1500, circuit: 'ahead' }, heater: { w: 3300 } };
    const asked = ask(exampleRig(loads, { watts: 3500 }), 'shore', 'boiler', 'heater');
    expect(judged(asked).verdict).not.toBe('holds');
    expect(verdictAfter(asked, { by: 'supply', supplyId: 'battery' })).toBe('holds');
    expect(kinds(waysToFit(asked).ways)).not.toContain('supply');
  });

  it('leave the wanted load on, and let one wait for the other only where each of the two holds', () => {
    const { ways } = waysToFit(ask(tern, 'battery', 'kettle', 'oven', 'fridge'), { kept: ['oven'] });
    expect(ways.length).toBeGreaterThan(0);
    for (const { changes } of ways)
      for (const change of changes)
        if (change.by === 'off' || change.by === 'state' || change.by === 'swap')
          expect(change.loadId).not.toBe('oven');
    expect(kinds(ways)).toContain('wait');
  });

  it('switch nothing off that starts all the same with a load that stays on: of a saw and what follows it the saw, or the link', () => {
    const ties = [{ leader: 'bandsaw', follower: 'extractor', delayS: 2 }];
    const offs = (rig: Rig) =>
      waysToFit(ask(rig, 'battery', 'bandsaw', 'glue-pot', 'extractor'))
        .ways.flatMap(({ changes }) => changes)
        .flatMap((change) => (change.by === 'off' || change.by === 'wait' ? [change.loadId] : []));
    expect(offs(tern)).toContain('extractor');
    expect(offs({ ...tern, ties })).toEqual(['bandsaw']);
    const order = judged(ask({ ...tern, ties }, 'battery', 'bandsaw', 'glue-pot', 'extractor')).order.map(
      ({ load }) => load.id,
    );
    expect(order).toEqual(['bandsaw', 'extractor', 'glue-pot']);
  });

  it('put a soft starter on what suits one, and say of more battery why it does not help', () => {
    const rig = exampleRig(
      { unit: { w: 1300, start: [7000, 0.3], usage: 'by-itself', kind: 'hermetic-rotary' } },
      { watts: 3000, tiers: [[5400, 5]] },
    );
    const asked = ask(rig, 'battery', 'unit');
    const { ways, wouldNotHelp } = waysToFit(asked);
    expect(kinds(ways)).toContain('soft-starter');
    const battery = wouldNotHelp.find((told) => told.by === 'change' && told.change.by === 'more-battery');
    expect(battery && wouldNotHelpWords('point', rig, battery)).toEqual({
      what: 'More battery',
      why: jasmine.stringMatching(/^The inverter is short when the unit starts, by 1,600 /),
    });
  });

  it('switch off the fewest where no one and no two things are enough', () => {
    const loads = Object.fromEntries(['a', 'b', 'c', 'd', 'e'].map((id) => [id, { w: 900 }]));
    const rig = exampleRig(loads, { watts: 1000 });
    const onlyBattery = { ...rig, supplies: rig.supplies.filter(({ id }) => id === 'battery') };
    const { ways } = waysToFit(ask(onlyBattery, 'battery', ...Object.keys(loads)));
    const [least] = ways;
    expect(least?.changes.map(({ by }) => by)).toEqual(['off', 'off', 'off', 'off']);
  });
});
