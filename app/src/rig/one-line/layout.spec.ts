import type { Rig } from '@heliarch/core/rig';
import { findKinds, rigFromAnswers } from '@heliarch/core/describe';
import type { OneLine, Point, Wire } from './drawing';
import { oneLineOf } from './layout';
import { CONVERTER_SIZE } from './measures';
import { phoneOneLineOf } from './phone-layout';

/** Three sources, two legs, 24 circuits, two inverters, two batteries and solar. */
function largeRig(): Rig {
  const circuits = Array.from({ length: 24 }, (_, i) => ({ name: `Circuit ${i + 1}`, amps: 15 }));
  const rig = rigFromAnswers({
    name: 'Large',
    mains: 'na-240',
    hookups: [{ amps: 50 }],
    generatorW: 5000,
    solarW: 900,
    circuits,
    loads: findKinds('point', '')
      .kinds.slice(0, 40)
      .map((kind, index) => ({ kind, circuit: index % circuits.length })),
  });
  const [inverter] = rig.converters;
  const [battery] = rig.batteries;
  return {
    ...rig,
    sources: [...rig.sources, { id: 'van', name: 'Vehicle', kind: 'vehicle', bus: 'inlet' }],
    converters: [inverter!, { ...inverter!, id: 'second', name: 'Second', pole: 'l2' }],
    batteries: [battery!, { ...battery!, id: 'second', name: 'Second' }],
    circuits: rig.circuits.map((circuit, i) =>
      i > 20 ? { ...circuit, bus: i > 22 ? 'dc' : 'inlet' } : circuit,
    ),
  };
}

const stretches = (wires: readonly Wire[]) =>
  wires.flatMap((wire) => wire.slice(1).map((end, index) => [wire[index]!, end] as const));

const isWithin = ({ x, y }: Point, box: { left: number; right: number; top: number; bottom: number }) =>
  x > box.left && x < box.right && y > box.top && y < box.bottom;

for (const [form, layOut] of [
  ['wide', oneLineOf],
  ['narrow', phoneOneLineOf],
] as const)
  describe(`the ${form} layout of the one-line diagram`, () => {
    const drawing = layOut(largeRig());

    it('draws every part and load once', () => {
      expect(drawing.circuits.length).toBe(24);
      expect(drawing.circuits.flatMap(({ loads }) => loads).length).toBe(40);
      expect(drawing.parts.map(({ list, id }) => `${list} ${id}`).length).toBe(8);
      expect(new Set(drawing.parts.map(({ list, id }) => `${list} ${id}`)).size).toBe(8);
    });

    it('names every bar, also where a bus has a second leg or comes in elsewhere', () => {
      const spoken = drawing.bars.map((bar) => bar.spoken);
      if (form === 'wide')
        expect(spoken.length).toBeGreaterThan(new Set(drawing.bars.map(({ busId }) => busId)).size);
      expect(new Set(spoken).size).toBe(spoken.length);
      expect(spoken.filter((name) => !/^Busbar \S/.test(name))).toEqual([]);
    });

    it('runs every wire level or upright, and none through an inverter', () => {
      const boxes = drawing.parts
        .filter(({ kind }) => kind === 'converter')
        .map(({ x, y }) => ({
          left: x,
          right: x + CONVERTER_SIZE.width,
          top: y,
          bottom: y + CONVERTER_SIZE.height,
        }));
      for (const [from, to] of stretches(drawing.wires)) {
        expect(from.x === to.x || from.y === to.y).toBeTrue();
        for (const box of boxes)
          for (let step = 0; step <= 50; step += 1) {
            const at = {
              x: from.x + ((to.x - from.x) * step) / 50,
              y: from.y + ((to.y - from.y) * step) / 50,
            };
            expect(isWithin(at, box))
              .withContext(JSON.stringify([from, to]))
              .toBeFalse();
          }
      }
    });

    it('lets no row or name lie over another, and nothing outside', () => {
      const rows = [...drawing.circuits].sort((a, b) => a.y - b.y);
      rows
        .slice(1)
        .forEach((row, index) =>
          expect(row.y).toBeGreaterThanOrEqual(rows[index]!.y + rows[index]!.height - 1),
        );
      const names = drawing.circuits.flatMap(({ loads }) => loads);
      for (const one of names) {
        expect(one.x + one.width).toBeLessThanOrEqual(drawing.width);
        const over = names.filter(
          (other) =>
            other !== one &&
            other.y === one.y &&
            other.x < one.x + one.width &&
            other.x + other.width > one.x,
        );
        expect(over).toEqual([]);
      }
      for (const { x, y } of [...drawing.parts, ...drawing.circuits]) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThan(drawing.height);
      }
    });

    it('ends every wire on a bar, at a part or at a circuit, in rigs that are wired oddly too', () => {
      const large = largeRig();
      const [battery] = large.batteries;
      const manyStrings = {
        ...large,
        batteries: Array.from({ length: 6 }, (_, i) => ({
          ...battery!,
          id: `string-${i}`,
          name: `String ${i}`,
        })),
      };
      const generatorOnPanel = {
        ...large,
        sources: large.sources.map((source, i) => (i === 1 ? { ...source, bus: 'panel' } : source)),
      };
      const twoInlets = {
        ...large,
        buses: [...large.buses, { ...large.buses[1]!, id: 'inlet-2', name: 'Second inlet' }],
        sources: large.sources.map((source, i) => (i === 1 ? { ...source, bus: 'inlet-2' } : source)),
      };
      const twoBanks = {
        ...large,
        buses: [...large.buses, { ...large.buses[0]!, id: 'dc-2', name: 'Starter' }],
        batteries: large.batteries.map((each, i) => (i === 1 ? { ...each, bus: 'dc-2' } : each)),
        converters: [
          ...large.converters,
          { ...large.converters[0]!, id: 'link', kind: 'dc-dc' as const, to: 'dc-2' },
        ],
      };
      const emptyBus = {
        ...large,
        buses: [...large.buses, { ...large.buses[1]!, id: 'spare', name: 'Spare' }],
      };
      for (const rig of [large, manyStrings, generatorOnPanel, twoInlets, twoBanks, emptyBus]) {
        const drawn = layOut(rig);
        for (const wire of drawn.wires)
          for (const end of [wire[0]!, wire.at(-1)!])
            expect(touches(drawn, end)).withContext(JSON.stringify(wire)).toBeTrue();
        expect(new Set(drawn.bars.map(({ busId }) => busId)).size).toBe(rig.buses.length);
        for (const { x } of drawn.parts) expect(x).toBeLessThan(drawn.width - 60);
      }
      if (form === 'narrow') return;
      const apart = oneLineOf(twoBanks).bars.filter(({ busId }) => busId.startsWith('dc'));
      const wires = oneLineOf(twoBanks).wires;
      for (const wire of wires) {
        const joined = apart.filter((bar) => wire.some((at) => isOn(at, bar.from, bar.to)));
        expect(new Set(joined.map(({ busId }) => busId)).size).toBeLessThan(2);
      }
    });
  });

const isOn = ({ x, y }: Point, from: Point, to: Point): boolean =>
  x >= from.x && x <= to.x && y >= from.y && y <= to.y;

function touches({ bars, parts, circuits }: OneLine, at: Point): boolean {
  const isAtPart = parts.some(({ x, y, kind }) => {
    if (kind === 'converter')
      return isOn(at, { x, y }, { x: x + CONVERTER_SIZE.width, y: y + CONVERTER_SIZE.height });
    return Math.abs(at.x - x) <= 34 && at.y === y;
  });
  return (
    isAtPart ||
    bars.some(({ from, to }) => isOn(at, from, to)) ||
    circuits.some(({ x, y }) => at.y === y && Math.abs(at.x - x) <= 6)
  );
}
