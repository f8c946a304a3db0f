import { feedsOf, outputPoles, polesOfCircuit, type Pole } from '../../src/supply/feeds.js';
import type { Bus, Converter, Rig, Supply } from '../../src/rig-file/schema.js';
import { exampleRig } from '../example-rig.js';

const base = exampleRig({});
const supplyOf = (sources: readonly string[], more: Partial<Supply> = {}): Supply => ({
  id: 's',
  name: 'S',
  sources: [...sources],
  ...more,
});

/** The example with the buses on so many poles, and its inverters on poles of their output. */
function rigOf(
  { inlet, out }: { readonly inlet?: Bus['poles']; readonly out?: Bus['poles'] },
  inverters: readonly Partial<Converter>[],
): Rig {
  const poles: Readonly<Record<string, Bus['poles']>> = { inlet, out };
  const [inverter] = base.converters;
  return {
    ...base,
    buses: base.buses.map((bus) => (poles[bus.id] ? { ...bus, poles: poles[bus.id] } : bus)),
    converters: inverters.map((each, index) => ({ ...inverter!, id: `i${index + 1}`, ...each })),
  };
}

function feeding(rig: Rig, supply: Supply, bus: string): readonly (string | undefined)[] {
  const feeds = feedsOf(rig, supply);
  return (['whole', 'l1', 'l2'] as const).map((pole: Pole) => {
    const feed = feeds.get(bus, pole);
    if (!feed) return undefined;
    const by =
      feed.by === 'source'
        ? `${feed.source.id} ${feed.sourcePole}`
        : feed.by === 'inverter'
          ? feed.converter.id
          : 'battery';
    return `${by}, ${feed.phase}`;
  });
}

const OUTPUT_OF_TWO = [{ pole: 'l1' }, { pole: 'l2' }] as const;

describe('what feeds a pole', () => {
  it('is the battery through the inverters of that pole, opposed on split phase', () => {
    const rig = rigOf({ out: 'split-180' }, OUTPUT_OF_TWO);
    expect(feeding(rig, supplyOf([]), 'out')).toEqual([undefined, 'i1, opposed', 'i2, opposed']);
    expect(feeding(rig, supplyOf([]), 'dc')).toEqual(['battery, single', undefined, undefined]);
    expect(feeding(rig, supplyOf([]), 'inlet')).toEqual([undefined, undefined, undefined]);
    const inPhase = rigOf({ out: 'two-poles-in-phase' }, [{ pole: 'both' }]);
    expect(feeding(inPhase, supplyOf([]), 'out')).toEqual([undefined, 'i1, in-phase', 'i1, in-phase']);
  });

  it('is the source pole by pole, as its legs stand to each other, before any inverter', () => {
    const rig = rigOf({ inlet: 'split-180', out: 'split-180' }, OUTPUT_OF_TWO);
    expect(feeding(rig, supplyOf(['shore']), 'out')).toEqual([
      undefined,
      'shore l1, opposed',
      'shore l2, opposed',
    ]);
    expect(feeding(rig, supplyOf(['shore'], { legs: 'wye-208' }), 'out')).toEqual([
      undefined,
      'shore l1, wye-208',
      'shore l2, wye-208',
    ]);
    // legs are said of two poles: one has none
    const single = rigOf({}, [{}]);
    expect(feeding(single, supplyOf(['shore'], { legs: 'wye-208' }), 'out')[0]).toBe('shore whole, single');
  });

  it('joins the pole of the inlet that an inverter on one pole stands on', () => {
    const rig = rigOf({ inlet: 'split-180' }, [{ pole: 'l2' }]);
    expect(feeding(rig, supplyOf(['shore']), 'out')).toEqual(['shore l2, opposed', undefined, undefined]);
    expect(feeding(rigOf({ inlet: 'split-180' }, [{}]), supplyOf(['shore']), 'out')[0]).toBe(
      'shore l1, opposed',
    );
  });

  it('is nothing behind an inverter whose bus has no battery, nor behind a charger', () => {
    const without = { ...rigOf({}, [{}]), batteries: [] };
    expect(feeding(without, supplyOf([]), 'out')).toEqual([undefined, undefined, undefined]);
    const charger = rigOf({}, [{ kind: 'charger', from: 'inlet', to: 'dc' }]);
    expect(feeding(charger, supplyOf([]), 'out')[0]).toBeUndefined();
    expect(feeding(charger, supplyOf([]), 'dc')[0]).toBe('battery, single');
  });

  it('passes relays in a row, however they are listed', () => {
    const rig = rigOf({}, [{ id: 'second', passThroughFrom: 'out', to: 'far' }, { id: 'first' }]);
    const far: Rig = {
      ...rig,
      buses: [...rig.buses, { ...rig.buses.find(({ id }) => id === 'out')!, id: 'far' }],
    };
    expect(feeding(far, supplyOf(['shore']), 'far')[0]).toBe('shore whole, single');
  });
});

describe('the poles', () => {
  const [split] = rigOf({ out: 'split-180' }, [{}]).buses.filter(({ id }) => id === 'out');

  it('of a circuit are those it takes its current from: the first leg unless another is said', () => {
    const circuit = base.circuits[0]!;
    expect(polesOfCircuit(split!, circuit)).toEqual(['l1']);
    expect(polesOfCircuit(split!, { ...circuit, pole: 'both' })).toEqual(['l1', 'l2']);
    expect(polesOfCircuit(split!, { ...circuit, pole: 'l2' })).toEqual(['l2']);
    expect(
      polesOfCircuit(
        base.buses.find(({ id }) => id === 'out')!,
        { ...circuit, pole: 'l2' },
      ),
    ).toEqual(['whole']);
  });

  it('of a converter are its own, or all of its output', () => {
    const rig = rigOf({ out: 'split-180' }, [{ pole: 'l2' }, {}]);
    expect(rig.converters.map((each) => outputPoles(rig, each))).toEqual([['l2'], ['l1', 'l2']]);
    const single = rigOf({}, [{ pole: 'l2' }]);
    expect(outputPoles(single, single.converters[0]!)).toEqual(['whole']);
  });
});
