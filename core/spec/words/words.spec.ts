import type { Rig } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { consequence, explain, explainLimit, plainText, spareOrOver } from '../../src/words/explain.js';
import { theLoad } from '../../src/rig/names-in-sentences.js';
import { limitLabel } from '../../src/words/names.js';
import { notChecked } from '../../src/outlook/settling/not-checked.js';
import { outlookWords } from '../../src/outlook/outlook-words.js';
import { outlooksOf } from '../../src/outlook/outlook.js';
import { settlementWords } from '../../src/outlook/settling/settlement-words.js';
import { whenItTrips } from '../../src/check/when-it-trips.js';
import { workingOf } from '../../src/words/working.js';
import { exampleRig, on, q } from '../example-rig.js';

const rig = exampleRig(
  {
    oven: { w: q(1500, 'nameplate') },
    saw: { w: 500, start: [q(2000, 'measured'), q(1, 'measured')], usage: 'during-work' },
    boiler: { w: 1000, circuit: 'ahead' },
  },
  { watts: 2500, tiers: [[4000, 5]], breakerA: 30, shoreA: 15 },
);
const named: Rig = {
  ...rig,
  loads: rig.loads.map((load) => ({
    ...load,
    name: { oven: 'Oven', saw: 'Band saw', boiler: 'Boiler' }[load.id] ?? '',
  })),
};

describe('the words', () => {
  it('name a load inside a sentence, acronyms left alone', () => {
    expect(theLoad('Roof air conditioner')).toBe('the roof air conditioner');
    expect(theLoad('USB dock')).toBe('the USB dock');
  });

  it('label each row by what is tested and on what', () => {
    const result = check(compile(named), { supply: 'battery', on: on('oven', 'saw') });
    expect(result.limits.map((limit) => limitLabel('point', named, limit))).toEqual(
      jasmine.arrayWithExactContents([
        'Inverter running, W',
        'Inverter running, VA',
        'Start, band saw, 5 s',
        'Start, band saw, 5 s, W',
        'Main 30 A',
        'Start, band saw, Main 30 A',
        'Restart, band saw, 5 s',
        'Bank current',
        'Start, band saw, Bank',
      ]),
    );
  });

  it('give the margin at the edge that decides, to the careful side', () => {
    const [first] = check(compile(named), { supply: 'battery', on: on('oven') }).limits;
    // 1,500 W nameplate may be 1,650 W
    expect(first && spareOrOver('point', first, 'pessimistic')).toBe('850 W to spare');
    expect(first && plainText(explainLimit('point', named, first))).toBe(
      'Running adds up to at most 1,650 W; the inverter carries 2,500 W.',
    );
  });

  it('say what opens and where it is reset', () => {
    const [onShore] = check(compile(named), { supply: 'shore', on: on('oven', 'saw') }).limits;
    expect(onShore && consequence(onShore)).toBe('The Shore 15 A breaker trips.');
    const withPlace: Rig = {
      ...named,
      supplies: named.supplies.map((supply) =>
        supply.breaker ? { ...supply, breaker: { ...supply.breaker, resetAt: 'at the pedestal' } } : supply,
      ),
    };
    const [placed] = check(compile(withPlace), { supply: 'shore', on: on('oven', 'saw') }).limits;
    expect(placed && consequence(placed)).toBe('The Shore 15 A breaker trips; it is reset at the pedestal.');
  });

  it('name in the headline a restart that trips', () => {
    // 3,000 VA start beside nothing, 4,500 VA beside the oven: the tier carries 4,000
    const set = exampleRig(
      { oven: { w: 1500 }, saw: { w: 500, start: [3000, 1], usage: 'during-work' } },
      { watts: 2500, tiers: [[4000, 5]], breakerA: 60 },
    );
    const { word, condition, action } = explain(
      'point',
      set,
      check(compile(set), { supply: 'battery', on: on('oven', 'saw') }),
    );
    expect(`${word} ${condition}`).toBe('Trips at each restart of the saw');
    expect(action).toBe('Switch the oven off before you restart the saw.');
  });

  it('tell an empty set from one that nothing feeds, and from charging alone', () => {
    const say = (...ids: string[]) =>
      explain('point', named, check(compile(named), { supply: 'battery', on: on(...ids) }));
    expect(say().condition).toBe('Nothing is on');
    expect(say('boiler').condition).toBe('Nothing is fed');
    const charging: Rig = {
      ...named,
      converters: named.converters.map((each) => ({ ...each, chargeA: 20 })),
      supplies: named.supplies.map((supply) => ({ ...supply, charging: 'on' })),
    };
    const alone = check(compile(charging), { supply: 'shore', on: [] });
    expect(explain('point', charging, alone).action).toMatch(/^Only charging runs\. /);
  });

  it('say the outlook the same everywhere', () => {
    const outlooks = outlooksOf(compile(named), { supply: 'battery', on: on('oven') });
    const say = (id: string) => {
      const load = named.loads.find((each) => each.id === id);
      const outlook = outlooks.get(id);
      return load && outlook ? outlookWords('point', named, load, outlook) : '';
    };
    expect(say('saw')).toBe('can start');
    expect(say('boiler')).toBe('not on this supply: nothing feeds Ahead');
  });

  it('say what would settle a Tight verdict', () => {
    expect(
      settlementWords('point', named, {
        by: 'measuring',
        loadId: 'saw',
        partId: 'main',
        field: 'start',
        threshold: 2450.9,
      }),
    ).toBe('Measure the start of the band saw: at 2,450 VA or less it holds.');
    expect(
      settlementWords('point', named, {
        by: 'measuring',
        loadId: 'saw',
        partId: 'main',
        field: 'seconds',
        threshold: 0.5,
      }),
    ).toBe('Measure how long the band saw takes to start: at 0.5 s or less it holds.');
    expect(settlementWords('point', named, { by: 'data-sheet', device: 'Main 30 A' })).toContain(
      'data sheet',
    );
  });

  it('name what is not checked, by what feeds the set', () => {
    const onBattery = notChecked(named, check(compile(named), { supply: 'battery', on: on('oven') }));
    const onShore = notChecked(named, check(compile(named), { supply: 'shore', on: on('oven') }));
    expect(onBattery).toEqual(jasmine.arrayContaining(['DC cable', 'DC fuse']));
    expect(onShore).toContain('the voltage of the source');
  });
});

describe('when it trips', () => {
  const paceOf = (watts: number, supply = 'battery') => {
    const loads = { heater: { w: watts } };
    const system = {
      watts: 1000,
      tiers: [
        [1500, 60],
        [2000, 5],
      ],
      breakerA: 100,
      shoreA: 15,
    } as const;
    const result = check(compile(exampleRig(loads, system)), { supply, on: on('heater') });
    return result.decider && whenItTrips(result.decider);
  };

  it('follows the surge tiers of an inverter', () => {
    expect(paceOf(1400)).toEqual({ pace: 'seconds', withinS: 60 });
    expect(paceOf(1900)).toEqual({ pace: 'seconds', withinS: 5 });
    expect(paceOf(2100)).toEqual({ pace: 'at-once', withinS: 0 });
  });

  it('follows the will curve of a breaker: within the hour below twice its size, then minutes (UL 489, from memory)', () => {
    // 15 A at 120 V: 27 A is 1.8 times, 40 A is 2.7 times
    expect(paceOf(27 * 120, 'shore')).toEqual({ pace: 'minutes', withinS: 3600 });
    const fast = paceOf(40 * 120, 'shore');
    expect(fast?.pace).toBe('seconds');
  });

  it('is unknown where the inverter has no tiers', () => {
    const result = check(compile(exampleRig({ heater: { w: 2000 } }, { watts: 1000 })), {
      supply: 'battery',
      on: on('heater'),
    });
    expect(result.tripsWhen).toEqual({ pace: 'unknown' });
  });
});

describe('the working of a limit', () => {
  it('lists every number that went in, the start in place of its own running power', () => {
    const result = check(compile(named), { supply: 'battery', on: on('oven', 'saw') });
    const start = result.limits.find((limit) => limit.kind === 'inverter-start-va');
    const working = start && workingOf('point', result, start);
    // The saw restarts on top of the oven.
    expect(working?.lines.map(({ loadId, what, amount }) => [loadId, what, Math.round(amount.hi)])).toEqual([
      ['saw', 'start', 2060],
      ['oven', 'running', 1650],
    ]);
    const running = result.limits.find((limit) => limit.kind === 'inverter-watts');
    const lines = running && workingOf('point', result, running).lines;
    expect(lines?.reduce((sum, line) => sum + line.amount.stated, 0)).toBeCloseTo(
      running?.worst.stated ?? NaN,
      9,
    );
  });
});
