import type { PartKind } from '../../src/reference/kinds-of-parts.js';
import { powerBackOf } from '../../src/outlook/supply/power-back.js';
import { startTimeFactor } from '../../src/loads/start/motor.js';
import { leadAmpacityA } from '../../src/reference/cord-ampacity.js';
import { shortTimeFactor } from '../../src/protection/heating-time.js';
import type { Load, Part, Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { LimitKind } from '../../src/check/limits/limit.js';
import { workedExample } from '../worked-example.js';
import { exampleLoad, exampleRig, on, q } from '../example-rig.js';

/** The examples of docs/methods.md 15, by the numbers of their rules: given and result are read from there. */
describe('worked example', () => {
  const resultOn = (rig: Rig, supply: string, ...ids: readonly string[]) =>
    check(compile(rig), { supply, on: on(...ids) });
  const limitOn = (kind: LimitKind, rig: Rig, supply: string, ...ids: readonly string[]) =>
    resultOn(rig, supply, ...ids).limits.find((limit) => limit.kind === kind);
  const withPart = (rig: Rig, id: string, part: Partial<Part>, load: Partial<Load> = {}): Rig => ({
    ...rig,
    loads: rig.loads.map((each) =>
      each.id === id ? { ...each, ...load, parts: each.parts.map((one) => ({ ...one, ...part })) } : each,
    ),
  });
  const withBattery = (rig: Rig, battery: Partial<Rig['batteries'][number]>): Rig => ({
    ...rig,
    batteries: rig.batteries.map((each) => ({ ...each, ...battery })),
  });

  it('15.35: a breaker stands at its rating, at the mean of its curves, and where it must trip', () => {
    const { given, result, comesTo } = workedExample('15.35');
    const [breakerA, ...loaded] = given;
    const rigOf = (amps: number) => exampleRig({ heater: { w: amps * 120 } }, { breakerA });
    const verdicts = loaded.map((amps) => resultOn(rigOf(amps), 'battery', 'heater').verdict);
    expect(verdicts).toEqual(['holds', 'tight', 'likely-trips', 'trips']);
    expect(result).toContain('holds, Tight, Likely trips, Trips');
    const { pessimistic, stated, optimistic } = limitOn(
      'breaker',
      rigOf(breakerA),
      'battery',
      'heater',
    )!.capacity;
    comesTo(pessimistic, stated, optimistic);
  });

  it('15.36: a saw that starts again is too much beside its extractor, and holds with the habit', () => {
    const { given, comesTo } = workedExample('15.36');
    const [sawW, sawStartVA, extractorW, surgeVA] = given;
    const rig = exampleRig(
      {
        saw: { w: sawW, start: [sawStartVA, 0.5], usage: 'during-work' },
        extractor: { w: extractorW, start: [2.5 * extractorW, 0.5] },
      },
      { watts: 3000, tiers: [[surgeVA, 1]] },
    );
    const result = resultOn(rig, 'battery', 'saw', 'extractor');
    expect(result.verdict).toBe('trips');
    comesTo(result.limits.find(({ id }) => id.endsWith(':va:again'))!.worst.stated);
    const habit = [{ load: 'saw' }, { load: 'extractor', offAtRestartOf: ['saw'] }];
    expect(check(compile(rig), { supply: 'battery', on: habit }).verdict).toBe('holds');
  });

  it('15.37: a saw of unknown switch comes back at worst, one that lets go does not', () => {
    const { given, result } = workedExample('15.37');
    const [sawW, sawStartVA, surgeVA] = given;
    const rig = exampleRig(
      { saw: { w: sawW, start: [sawStartVA, 0.5], usage: 'during-work' } },
      { watts: 3000, tiers: [[surgeVA, 1]] },
    );
    expect(result).toMatch(/^Tight; .* stays off$/);
    const back = (load: Partial<Load>) =>
      powerBackOf(compile(withPart(rig, 'saw', {}, load)), { supply: 'battery', on: on('saw') });
    expect(back({})?.verdict).toBe('tight');
    expect(back({ afterOutage: 'stays-off' })).toBeUndefined();
  });

  it('15.38: a charger of which nothing is said draws at worst half the amp-hours of a lithium bank', () => {
    const { given, comesTo } = workedExample('15.38');
    const lampW = 1;
    const unsaid = {
      ...withBattery(exampleRig({ lamp: { w: lampW } }), { chemistry: 'lfp', ampHours: q(given[0]) }),
      supplies: exampleRig({}).supplies.map(({ charging: _off, ...supply }) => supply),
    };
    const row = limitOn('breaker', unsaid, 'shore', 'lamp');
    const atWorstVA = row!.worst.hi * 120 - lampW;
    const asEnteredVA = row!.worst.stated * 120 - lampW;
    // 13.5 of 12 V over 0.85 as entered, 14.4 V over 0.80 at worst, both at 0.95
    comesTo((asEnteredVA * 0.85 * 0.95) / 13.5, (atWorstVA * 0.8 * 0.95) / 14.4, atWorstVA);
    expect(resultOn(unsaid, 'shore', 'lamp').ofSupply.map(({ kind }) => kind)).toContain('unknown-rating');
  });

  it('15.39: a source with a rating is a limit', () => {
    const { given, result } = workedExample('15.39');
    const [ratedW, kettleW] = given;
    const rig = exampleRig({ kettle: { w: kettleW } });
    const inVehicle: Rig = {
      ...rig,
      sources: rig.sources.map((source) => ({ ...source, kind: 'vehicle', continuousW: q(ratedW) })),
    };
    expect(resultOn(inVehicle, 'shore', 'kettle').verdict).toBe('trips');
    expect(result).toBe('Trips');
  });

  it('15.40: a start on too few volts has not the torque for its load', () => {
    const { given, comesTo } = workedExample('15.40');
    const [torque, share] = given;
    comesTo(share ** 2);
    expect(startTimeFactor(share, torque)).toBe(Infinity);
  });

  it('15.41: a thin lead carries less than the heater on it draws', () => {
    const { given, comesTo } = workedExample('15.41');
    const [watts, volts, thin, thicker] = given;
    comesTo(watts / volts, leadAmpacityA(thin)!, leadAmpacityA(thicker)!);
  });

  it('15.43: a lithium battery without amps gives as many as it has amp-hours, and half at worst', () => {
    const { given, comesTo } = workedExample('15.43');
    const rig = withBattery(exampleRig({ heater: { w: 700 } }), {
      ampHours: q(given[0]),
      dischargeA: undefined,
      chemistry: 'lfp',
    });
    const row = limitOn('battery', rig, 'battery', 'heater');
    comesTo(row!.capacity.stated, row!.capacity.pessimistic);
    expect(row?.verdict).toBe('tight');
  });

  it('15.44: a refrigerator entered as left on starts on top of everything', () => {
    expect(workedExample('15.44').result).toBe('it starts on top of everything that runs');
    const rig = exampleRig({
      fridge: { w: 150, start: [900, 0.3], kind: 'hermetic-reciprocating', usage: 'left-on' },
      heater: { w: 1000 },
    });
    const start = resultOn(rig, 'battery', 'fridge', 'heater').starts.find(
      ({ consumer }) => consumer.load.id === 'fridge',
    );
    expect(start?.moment).toBe('any-moment');
  });

  it('15.45: a shed heater stands beside the start, unless its shedder leads', () => {
    const { given, comesTo } = workedExample('15.45');
    const [heaterW, startVA] = given;
    const rig = exampleRig(
      { heater: { w: heaterW }, motor: { w: 1000, start: [startVA, 0.5] } },
      { watts: 3000, tiers: [[6000, 1]] },
    );
    const shed = (leadsStart?: 'yes'): Rig => ({
      ...rig,
      shedders: [{ name: 'Shedder', watches: 'motor', drops: 'heater', ...(leadsStart && { leadsStart }) }],
    });
    const startOn = (of: Rig) => limitOn('inverter-start-va', of, 'battery', 'heater', 'motor')?.worst.hi;
    comesTo(startOn(shed())!, startOn(shed('yes'))!);
  });

  it('15.46: a code letter is for rated volts, and raised to those at hand', () => {
    const { given, comesTo } = workedExample('15.46');
    const [horsepower, rated, volts] = given;
    const rig = withPart(exampleRig({ motor: { w: 900, kind: 'split-phase-motor' } }), 'motor', {
      runningW: undefined,
      runningFrom: { horsepower },
      start: { from: { codeLetter: 'G', horsepower } },
    });
    const row = limitOn('inverter-start-va', rig, 'battery', 'motor');
    comesTo(row!.worst.stated * (rated / volts) ** 2, row!.worst.stated);
  });

  it('15.47: breakers of which only the outdoors is known are ten kelvin warmer at worst', () => {
    const { given, comesTo } = workedExample('15.47');
    const [breakerA, outdoorC] = given;
    const rig: Rig = { ...exampleRig({ heater: { w: 1200 } }, { breakerA }), conditions: { outdoorC } };
    const row = limitOn('breaker', rig, 'battery', 'heater');
    comesTo(row!.capacity.pessimistic / breakerA);
  });

  it('15.48: a circuit between both legs of a panel with one pole is refused', () => {
    expect(workedExample('15.48').result).toBe('it is refused');
    const rig = exampleRig({ heater: { w: 1200 } });
    const read = validateRig({
      ...rig,
      circuits: rig.circuits.map((circuit) => ({ ...circuit, pole: 'both' })),
    });
    expect(read.ok).toBeFalse();
  });

  it('15.49: a conductor carries more for minutes than for hours', () => {
    const { given, comesTo } = workedExample('15.49');
    const [, seconds, heatingS] = given;
    comesTo(shortTimeFactor(seconds, heatingS, 0));
  });

  it('15.42: two motors on one switch start at once; the fan of a unit starts apart from its compressor', () => {
    const { given, comesTo } = workedExample('15.42');
    const [firstVA, secondVA] = given;
    const load = (kinds: readonly PartKind[]): Load => ({
      ...exampleLoad('unit', { w: 100 }),
      parts: kinds.map((kind, index) => ({
        ...exampleLoad('unit', { w: 100, kind, start: [index === 0 ? firstVA : secondVA, 1] }).parts[0]!,
        id: kind,
      })),
    });
    const largest = (...kinds: readonly PartKind[]): number => {
      const rig = { ...exampleRig({}, { watts: 3000, va: 3000, tiers: [[5000, 5]] }), loads: [load(kinds)] };
      const { starts } = check(compile(rig), { supply: 'battery', on: on('unit') });
      const asked = starts.flatMap(({ limits }) => limits).filter(({ kind }) => kind === 'inverter-start-va');
      return Math.max(...asked.map(({ worst }) => Math.round(worst.stated)));
    };
    // beside the start of the one the other draws its 100 W
    comesTo(largest('universal-motor', 'split-phase-motor'), largest('hermetic-rotary', 'fan-motor'));
    expect(largest('split-phase-motor', 'fan-motor')).toBe(2500);
    expect(largest('hermetic-rotary', 'shaded-pole-motor')).toBe(1600);
    expect(largest('fan-motor', 'shaded-pole-motor')).toBe(2500);
  });
});
