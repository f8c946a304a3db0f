import fc from 'fast-check';
import { always } from '../always.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { explain, plainText } from '../../src/words/explain.js';
import { staircaseOf } from '../../src/outlook/staircase.js';
import { compareVerdicts } from '../../src/check/verdict.js';
import { exampleRig, on, type ExampleLoad, q } from '../example-rig.js';
import { demoRig } from '../demo-rigs.js';
import { workedExample } from '../worked-example.js';

const tern = demoRig('tern');

const verdictOn = (rig: Rig, supply: string, ...ids: string[]) =>
  check(compile(rig), { supply, on: on(...ids) }).verdict;

describe('check', () => {
  it('has one of four verdicts by both edges and as entered, of a nameplate figure: -25/+10 % (rules 3, 4 and 35)', () => {
    const rig = exampleRig({ heater: { w: q(1000, 'nameplate') } }, { watts: 1100 });
    const at = (watts: number) =>
      verdictOn(exampleRig({ heater: { w: q(1000, 'nameplate') } }, { watts }), 'battery', 'heater');
    expect(verdictOn(rig, 'battery', 'heater')).toBe('holds');
    expect([at(1099), at(1000)]).toEqual(['tight', 'tight']);
    expect([at(999), at(750), at(749)]).toEqual(['likely-trips', 'likely-trips', 'trips']);
  });

  it('treats VA as a limit of its own, over where the watts are not (worked example 2.1)', () => {
    const { given, comesTo } = workedExample('2.1');
    const [one, , two, pf2, three, pf3, volts] = given;
    const loads = {
      a: { w: one },
      b: { w: two, pf: pf2, kind: 'split-phase-motor' },
      c: { w: three, pf: pf3, kind: 'split-phase-motor' },
    } as const;
    const { limits } = check(compile(exampleRig(loads, { watts: 3000 })), {
      supply: 'battery',
      on: on('a', 'b', 'c'),
    });
    const [watts, va] = ['inverter-watts', 'inverter-va'].map((kind) =>
      limits.find((each) => each.kind === kind),
    );
    comesTo(watts!.worst.hi, va!.worst.hi, va!.worst.hi / volts);
    expect([watts?.verdict, va?.verdict]).toEqual(['holds', 'trips']);
  });

  it('takes the tier that outlasts the start, and says when the doubt of the seconds straddles two', () => {
    const rig = (seconds: number, basis: 'setting' | 'typical') =>
      exampleRig(
        { saw: { w: 500, start: [4300, q(seconds, basis)] } },
        {
          tiers: [
            [5000, 0.5],
            [4000, 5],
          ],
        },
      );
    expect(verdictOn(rig(0.5, 'setting'), 'battery', 'saw')).toBe('holds');
    expect(verdictOn(rig(0.6, 'setting'), 'battery', 'saw')).toBe('trips');
    const straddling = check(compile(rig(0.5, 'typical')), { supply: 'battery', on: on('saw') });
    expect(straddling.verdict).toBe('tight');
    expect(straddling.decider?.start?.straddles).toBeTrue();
  });

  it('bounds the watts of a start by the ratio of the continuous ratings (methods.md, rule 6)', () => {
    const rig = exampleRig(
      { saw: { w: 500, start: [4800, 1] } },
      { watts: 2600, va: 3000, tiers: [[4900, 5]] },
    );
    // at pf 1 the start is 4,800 W; 4,900 VA x 2,600 / 3,000 = 4,247 W
    const result = check(compile(rig), { supply: 'battery', on: on('saw') });
    expect(result.decider?.kind).toBe('inverter-start-watts');
    expect(result.decider?.capacity.pessimistic).toBeCloseTo(4246.7, 1);
  });

  it('starts what starts by itself on top of everything, in whatever order the rest was switched', () => {
    const loads = { pump: { w: 200, start: [2500, 1], usage: 'by-itself' }, heater: { w: 2000 } } as const;
    const rig = exampleRig(loads, { watts: 3000, tiers: [[4000, 5]] });
    expect(verdictOn(rig, 'battery', 'pump')).toBe('holds');
    expect(verdictOn(rig, 'battery', 'pump', 'heater')).toBe('trips');
  });

  it('counts the restart of a tool like any start, with the habit that settles it (methods.md, rule 36)', () => {
    const beside = (habit: object) =>
      check(compile(tern), {
        supply: 'battery',
        on: [{ load: 'bandsaw' }, { load: 'extractor', ...habit }, { load: 'laptop' }],
      });
    const result = beside({});
    expect(result.decider?.start?.again).toBeTrue();
    expect(result.restarts[0]).toEqual(
      jasmine.objectContaining({ loadId: 'bandsaw', switchOffFirst: ['extractor'] }),
    );
    const words = explain('point', tern, result);
    expect(`${words.word} ${words.condition}`).toBe('Likely trips at each restart of the bandsaw');
    expect(words.action).toBe('Switch the dust extractor off before you restart the bandsaw.');
    const kept = beside({ offAtRestartOf: ['bandsaw'] });
    expect(kept.verdict).toBe('holds');
    expect(explain('point', tern, kept).condition).toBe(
      'if the dust extractor is off at each restart of the bandsaw',
    );
    // What is switched off for it starts on top of everything once the saw runs.
    expect(kept.restarts.map(({ loadId }) => loadId)).toEqual(['bandsaw', 'extractor']);
  });

  it('names for a restart the load of least power that is enough, else the fewest, the largest first', () => {
    // the start of 2,400 VA leaves 600 W of the tier to the others
    const saw: ExampleLoad = { w: 500, start: [2400, 1], usage: 'during-work' };
    const restartBeside = (others: Record<string, ExampleLoad>) => {
      const rig = exampleRig({ saw, ...others }, { watts: 3000, va: 3000, tiers: [[3000, 5]], breakerA: 40 });
      return check(compile(rig), { supply: 'battery', on: on('saw', ...Object.keys(others)) }).restarts[0];
    };
    // Its doubt counts: at its worst it takes 440 VA and more, though 600 less its doubt would not do.
    const guessed = restartBeside({ lamp: { w: 20 }, heater: { w: q(600, 'guess') } });
    expect(guessed?.switchOffFirst).toEqual(['heater']);
    const ofOne = restartBeside({ lamp: { w: 100 }, pot: { w: 300 }, kettle: { w: 700 }, iron: { w: 900 } });
    expect(ofOne?.switchOffFirst).toEqual(['iron', 'kettle']);
    expect(restartBeside({ pot: { w: 300 }, kettle: { w: 700 } })?.switchOffFirst).toEqual(['kettle']);
    expect(restartBeside({ pot: { w: 500 }, kettle: { w: 600 } })?.switchOffFirst).toEqual(['pot']);
    const three = restartBeside({ pot: { w: 400 }, iron: { w: 450 }, kettle: { w: 500 }, lamp: { w: 50 } });
    expect(three?.switchOffFirst).toEqual(['kettle', 'iron']);
    expect(three?.limitThen?.verdict).toBe('holds');
    // what starts by itself is not for the hand to switch off
    const byItself = restartBeside({ fridge: { w: 700, usage: 'by-itself' } });
    expect([byItself?.limit.verdict, byItself?.switchOffFirst]).toEqual(['trips', []]);
    expect(restartBeside({ pot: { w: 600 } })?.limit.verdict).toBe('holds');
  });

  it('lists a load that no connected source feeds and counts it nowhere', () => {
    const rig = exampleRig({ boiler: { w: 9000, circuit: 'ahead' }, lamp: { w: 10 } });
    const result = check(compile(rig), { supply: 'battery', on: on('boiler', 'lamp') });
    expect(result.notFed.map((each) => each.load.id)).toEqual(['boiler']);
    expect(result.verdict).toBe('holds');
    expect(verdictOn(rig, 'shore', 'boiler', 'lamp')).toBe('trips');
  });

  it('passes shore through an inverter/charger: the source breaker decides, the inverter does not', () => {
    const rig = exampleRig({ heater: { w: 3300 } }, { watts: 1000, shoreA: 30 });
    const result = check(compile(rig), { supply: 'shore', on: on('heater') });
    expect(result.verdict).toBe('holds');
    expect(result.limits.map((limit) => limit.element.kind)).toEqual(['source-breaker', 'branch-breaker']);
  });

  it('keeps the 80 % rule for three hours and more as a planning rule: Tight at worst (NEC 210.20(A), from memory)', () => {
    const heater = (minutes: number) => exampleRig({ heater: { w: 2160, minutes } }, { breakerA: 20 });
    expect(verdictOn(heater(179), 'battery', 'heater')).toBe('holds');
    const long = check(compile(heater(180)), { supply: 'battery', on: on('heater') });
    expect(long.verdict).toBe('tight');
    expect(long.decider?.kind).toBe('continuous-rule');
  });

  it('lets a short overload pass at best where a long one would be certain to trip', () => {
    const kettle = (minutes: number) =>
      exampleRig({ kettle: { w: 3600, minutes } }, { watts: 9000, breakerA: 20 });
    expect(verdictOn(kettle(5), 'battery', 'kettle')).toBe('likely-trips');
    expect(verdictOn(kettle(90), 'battery', 'kettle')).toBe('trips');
  });

  it('never gets better when a load is added, on any supply (monotone, methods.md rule 5; demo rig)', () => {
    const ids = tern.loads.map((load) => load.id);
    const supplies = tern.supplies.map((supply) => supply.id);
    always(
      fc.property(
        fc.subarray(ids),
        fc.constantFrom(...ids),
        fc.constantFrom(...supplies),
        (set, extra, supply) => {
          const before = verdictOn(tern, supply, ...set);
          const after = verdictOn(tern, supply, ...new Set([...set, extra]));
          expect(compareVerdicts(after, before)).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 150 },
    );
  });

  it('draws a staircase whose deciding start shows the margin of the verdict', () => {
    const result = check(compile(tern), { supply: 'battery', on: on('bandsaw', 'extractor') });
    const start = staircaseOf(result)?.atAnyMoment.find((each) => each.decides);
    expect(start?.decides).toBeTrue();
    expect((start?.ceiling ?? 0) - (start?.va.hi ?? 0)).toBeCloseTo(
      result.decider?.headroom.pessimistic ?? NaN,
      6,
    );
  });
});

describe('the wait between starts', () => {
  it('is shown from the second start on that uses a surge tier (methods.md, rule 6; common practice 60 s)', () => {
    const waitOf = (...ids: string[]) =>
      staircaseOf(check(compile(tern), { supply: 'battery', on: on(...ids) }))?.waitS;
    expect(waitOf('bandsaw', 'extractor')).toBe(60);
    expect(waitOf('bandsaw')).toBeUndefined();
    expect(waitOf('kettle')).toBeUndefined();
  });
});

describe('the words of a verdict', () => {
  const say = (supply: string, ...ids: string[]) => {
    const words = explain('point', tern, check(compile(tern), { supply, on: on(...ids) }));
    return [words.word, words.condition, words.action, plainText(words.reason)].filter(Boolean).join(' | ');
  };

  it('name the margin at the edge that decides and the device that opens', () => {
    expect(say('battery', 'bandsaw', 'fridge', 'laptop')).toMatch(
      /^Holds \| With at least [\d,]+ VA to spare\./,
    );
    expect(say('battery', 'roof-air', 'fridge', 'kettle')).toMatch(
      /^Likely trips \| [\d,]+ W over as entered; at best, [\d,]+ W to spare: [a-z ]+\./,
    );
    expect(say('battery', 'kettle', 'hob', 'oven')).toMatch(
      /^Trips \| within 5 s \| By at least [\d,]+ W, once the convection oven is on\..*The inverter shuts down; it is reset at/,
    );
    expect(say('battery', 'water-heater')).toBe('Nothing is fed | No ticked load is fed by this supply.');
  });

  it('never read as permission', () => {
    const ids = tern.loads.map((load) => load.id);
    always(
      fc.property(fc.subarray(ids), fc.constantFrom('battery', 'shore-30'), (set, supply) => {
        expect(say(supply, ...set)).not.toMatch(/\bsafe|\ballowed|\bOK to\b|!/i);
      }),
      { numRuns: 120 },
    );
  });
});
