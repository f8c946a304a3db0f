import { consumerOf } from '../../src/loads/consumer.js';
import { systemOfLoad } from '../../src/loads/voltage-of-load.js';
import type { Load, Part, Rig } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { originWords } from '../../src/words/origin-words.js';
import { outlookWords, wattsInState } from '../../src/outlook/outlook-words.js';
import { outlooksOf } from '../../src/outlook/outlook.js';
import { voltageDropWords } from '../../src/outlook/supply/voltage-drop-words.js';
import { voltageDropsOf } from '../../src/outlook/supply/voltage-drop.js';
import { exampleRig, on, q } from '../example-rig.js';

const rig = exampleRig({ motor: { w: 500 } });

function origin(what: 'running' | 'start', part: Partial<Part>): string {
  const load: Load = { ...rig.loads[0]!, parts: [{ id: 'main', kind: 'split-phase-motor', ...part }] };
  const [known] = consumerOf(load, systemOfLoad(rig, load)).parts;
  return known ? originWords('point', known, what) : '';
}

describe('how a number was come by', () => {
  it('is said of running power in every way it can be known, with the table it went through', () => {
    expect(origin('running', { runningW: q(500, 'measured') })).toBe('');
    expect(origin('running', { runningW: q(500, 'typical') })).toContain('usual for a');
    expect(origin('running', { runningFrom: { amps: q(5) } })).toContain('amps times volts');
    expect(origin('running', { runningFrom: { va: q(600) } })).toContain('VA times the power factor');
    expect(origin('running', { runningFrom: { horsepower: 0.5 } })).toMatch(/^0\.5 hp .*430\.248/);
    expect(origin('running', { runningFrom: { coolingW: q(2600) } })).toContain('cooling over its EER');
    expect(origin('running', { runningFrom: { cookingW: q(700) } })).toContain('cooking power over');
    expect(origin('running', { runningFrom: { chargeA: q(20) } })).toContain('battery amps times volts');
  });

  it('is said of a start, in the order in which figures count', () => {
    const runningW = q(500, 'measured');
    const start = (from: Part['start']): string =>
      origin('start', { runningW, ...(from && { start: from }) });
    expect(start({ va: q(3000, 'measured') })).toBe('');
    expect(start({ from: { inrushA: q(30), lockedRotorA: q(40) } })).toContain('inrush on the clamp');
    expect(start({ from: { lockedRotorA: q(40), horsepower: 0.5 } })).toContain('locked-rotor amps times');
    expect(start({ from: { codeLetter: 'J', horsepower: 0.5 } })).toMatch(/code letter.*430\.7/);
    expect(start({ from: { horsepower: 0.5 } })).toMatch(/horsepower.*430/);
    expect(start({})).toMatch(/^[\d.]+ times running .*common practice/);
    expect(origin('start', { kind: 'resistance-heater', runningW })).toBe('');
  });

  it('is said of a soft starter: what it leaves, while it learns, and where it is bypassed', () => {
    const soft = (rest: object): string =>
      origin('start', {
        runningW: q(500),
        start: { va: q(3000, 'measured'), soft: { remaining: q(0.4), ...rest } },
      });
    expect(soft({})).toMatch(/^left by its soft starter, /);
    expect(soft({ isLearning: 'yes' })).toMatch(/while it learns, its first \d+ to \d+ starts/);
    expect(soft({ isBypassed: 'yes' })).toBe('its soft starter is bypassed');
  });
});

describe('the words of an outlook', () => {
  const kitchen = exampleRig(
    { heater: { w: 1500 }, lamp: { w: 100 }, kettle: { w: 1200 } },
    { watts: 2000, breakerA: 30 },
  );
  const hob: Load = {
    ...kitchen.loads[2]!,
    id: 'hob',
    name: 'Hob',
    states: [
      { id: 'low', name: 'Low', works: 'lower', parts: [{ part: 'main', share: 0.25 }] },
      { id: 'high', name: 'High', parts: [{ part: 'main', share: 1 }] },
    ],
  };
  const withHob: Rig = { ...kitchen, loads: [...kitchen.loads, hob] };
  const say = (id: string, ...set: string[]): string => {
    const load = withHob.loads.find((each) => each.id === id)!;
    return outlookWords(
      'point',
      withHob,
      load,
      outlooksOf(compile(withHob), { supply: 'battery', on: on(...set) }).get(id)!,
    );
  };

  it('names the load that must end first, and the fullest state that fits', () => {
    expect(say('kettle', 'heater', 'lamp')).toBe('after the heater ends');
    expect(say('hob', 'heater', 'lamp')).toBe('after the heater ends, or at 300 W or less');
    expect(wattsInState(withHob, hob, 'low')).toBe(300);
    expect(wattsInState(withHob, hob, undefined)).toBe(1200);
  });

  it('says what leaves no room where nothing helps', () => {
    const large: Rig = {
      ...kitchen,
      loads: kitchen.loads.map((load) =>
        load.id === 'kettle'
          ? { ...load, parts: load.parts.map((part) => ({ ...part, runningW: q(9000) })) }
          : load,
      ),
    };
    const outlook = outlooksOf(compile(large), { supply: 'battery', on: on('lamp') }).get('kettle')!;
    expect(outlookWords('point', large, large.loads[2]!, outlook)).toMatch(/^no: [\d,.]+ \S+ too much for /);
  });
});

describe('the drop in a cable', () => {
  it('of 12.5 A over 20 m of AWG 14 is more than the 3 % advised for a branch (NEC 210.19(A) note; chapter 9 table 8, from memory)', () => {
    const base = exampleRig({ heater: { w: 1500 } }, { breakerA: 20 });
    const wired: Rig = {
      ...base,
      circuits: base.circuits.map((circuit) => ({ ...circuit, cable: { awg: '14', metres: 20 } })),
    };
    const words = voltageDropWords(
      'point',
      voltageDropsOf(wired, check(compile(wired), { supply: 'battery', on: on('heater') })),
    );
    // 2 x 20 m at 3.14 ohm per 1,000 ft, 75 C, are 0.412 ohm: with 12.5 A 5.15 V of 120 V warm, a fifth less cold
    expect(words?.line).toMatch(/^(3\.[5-9]|4\.[0-4]) % in the cable of Main, more than the 3 % advised\.$/);
    expect(words?.detail).toMatch(/^Up to 4\.3 % warm.* Chapter 9 Table 8/);
  });

  it('is not spoken of where no cable is entered', () => {
    expect(voltageDropWords('point', [])).toBeUndefined();
  });
});
