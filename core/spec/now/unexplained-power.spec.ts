import { unexplainedPower } from '../../src/now/unexplained-power.js';
import { lossCurveOf, dcWatts } from '../../src/supply/efficiency-curve.js';
import { compile } from '../../src/check/wiring/compile.js';
import { powerFlowsOf } from '../../src/outlook/supply/power-flows.js';
import { check } from '../../src/check/check.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

const rig = demoRig('tern');
const compiled = compile(rig);
const ticked = ['laptop', 'lights-pump'].map((load) => ({ load }));
/** Of a supply with correction, as the kind has it. */
const POWER_FACTOR = 0.95;
const wattsOf = (id: string): number => rig.loads.find((load) => load.id === id)!.parts[0]!.runningW!.value;

describe('unexplained watts', () => {
  it('are the reading less the ticks: at the output as they are, at the battery with losses and DC loads', () => {
    const output = unexplainedPower(
      compiled,
      { supply: 'battery', on: ticked },
      { at: 'output', watts: 500, atS: 0 },
    )!;
    expect(output.unexplainedW).toBeCloseTo(500 - wattsOf('laptop'), 6);
    const battery = unexplainedPower(
      compiled,
      { supply: 'battery', on: ticked },
      { at: 'battery', watts: 500, atS: 0 },
    )!;
    const drawn = dcWatts(
      lossCurveOf(rig.converters[0]!),
      wattsOf('laptop'),
      wattsOf('laptop') / POWER_FACTOR,
    );
    expect(battery.unexplainedW).toBeCloseTo(500 - drawn - wattsOf('lights-pump'), 0);
    expect(
      unexplainedPower(compiled, { supply: 'battery', on: ticked }, { at: 'inlet', watts: 5, atS: 0 }),
    ).toBeUndefined();
  });

  it('count a source once at the inlet, whether its breaker or the generator itself is what is rated', () => {
    for (const name of DEMO_NAMES) {
      const each = demoRig(name);
      for (const { id, sources } of each.supplies) {
        if (sources.length === 0) continue;
        const scene = { supply: id, on: [] };
        const read = unexplainedPower(compile(each), scene, { at: 'inlet', watts: 0, atS: 0 });
        const given = powerFlowsOf(check(compile(each), scene)).fromSourceW;
        expect(read?.expectedW.stated).withContext(`${name} ${id}`).toBeCloseTo(given, 6);
      }
    }
  });

  it('find a load that is on without a tick, and two of them', () => {
    for (const hidden of [
      ['glue-pot'],
      ['kettle'],
      ['fridge', 'bending-iron'],
      ['extractor', 'tool-charger'],
    ]) {
      const watts = [...hidden, 'laptop'].reduce((sum, id) => sum + wattsOf(id), 0);
      const found = unexplainedPower(
        compiled,
        { supply: 'battery', on: ticked },
        { at: 'output', watts, atS: 0 },
      )!;
      expect(found.isExplained).toBeFalse();
      const named = found.explanations.map(({ on }) =>
        on
          .map(({ load }) => load)
          .sort()
          .join(),
      );
      expect(named)
        .withContext(hidden.join())
        .toContain([...hidden].sort().join());
    }
  });

  it('find a ticked load that cycles and rests just now, and say when all is explained', () => {
    const on = [...ticked, { load: 'fridge' }, { load: 'glue-pot' }];
    const all = wattsOf('laptop') + wattsOf('glue-pot') + wattsOf('fridge');
    const at = (watts: number) =>
      unexplainedPower(compiled, { supply: 'battery', on }, { at: 'output', watts, atS: 0 })!;
    expect(at(all).isExplained).toBeTrue();
    const rests = at(wattsOf('laptop') + wattsOf('glue-pot'));
    expect(rests.explanations[0]?.resting).toEqual(['fridge']);
  });
});
