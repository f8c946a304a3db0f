import { joined, NO_PIECES, piecesOf, withPiece } from '../../src/formats/qr-codes.js';
import { loadTable, readLoadTable } from '../../src/formats/load-table.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const [heads, ...body] = loadTable(tern) as [string[], ...string[][]];
const withCell = (line: number, head: string, cell: string): string[][] =>
  [heads, ...body].map((cells, i) =>
    i === line ? cells.map((each, j) => (heads[j] === head ? cell : each)) : cells,
  );
const W = 'running power [W]';

describe('the load list as a table', () => {
  it('brings back the same rig, and the same loads into an empty one', () => {
    expect(readLoadTable('point', tern, [heads, ...body]).rig).toEqual(tern);
    const empty: Rig = {
      ...tern,
      loads: [],
      ties: [],
      days: [],
      scenes: tern.scenes.map((scene) => ({ ...scene, on: [] })),
    };
    const { rig, lines } = readLoadTable('point', empty, [heads, ...body]);
    expect(lines.every(({ becomes }) => becomes === 'added')).toBe(true);
    expect(rig.loads.map(({ name }) => name)).toEqual(tern.loads.map(({ name }) => name));
    expect(rig.loads.find(({ name }) => name === 'Roof air conditioner')!.parts.length).toBe(2);
  });

  it('says of every bad line why, and goes on without it', () => {
    const cases: readonly (readonly [head: string, cell: string, says: RegExp])[] = [
      [W, 'a lot', /"running power \[W\]" must be a number; found "a lot"/],
      [W, '-5', /running power: must be a number of W/],
      ['circuit', 'Attic', /The circuit "Attic" is not in this rig; use one of Tools, Galley/],
      ['kind', 'warp drive', /The kind "warp drive" is not known/],
      ['use', 'sometimes', /The use "sometimes" is not known; use one of left on, starts by itself/],
      ['running power, known as', 'rumour', /must be one of measured, data-sheet/],
      ['load', '', /The load has no name/],
    ];
    for (const [head, cell, says] of cases) {
      const { lines, rig } = readLoadTable('point', tern, withCell(1, head, cell));
      const [bad, ...rest] = lines;
      expect(bad!.line).toBe(2);
      expect(bad!.becomes).withContext(cell).toBe('left-out');
      expect(bad!.problems.join(' ')).toMatch(says);
      expect(rest.every(({ becomes }) => becomes === 'changed')).toBe(true);
      expect(rig.loads[0]).toEqual(tern.loads[0]);
    }
  });

  it('keeps the parts that have no line, and takes no name twice', () => {
    const fan = body.findIndex((cells) => cells[1] === 'Fan') + 1;
    const air = (rig: Rig) => rig.loads.find(({ id }) => id === 'roof-air')!;
    const alone = readLoadTable('point', tern, [heads, withCell(fan, W, '150')[fan]!]);
    expect(air(alone.rig).parts.map(({ runningW }) => runningW!.value)).toEqual([150, 980]);
    const kettle = body.find(([name]) => name === 'Kettle')!;
    const { lines } = readLoadTable('point', tern, [heads, kettle, body[0]!, kettle]);
    expect(lines.map(({ becomes }) => becomes)).toEqual(['changed', 'changed', 'left-out']);
    expect(lines[2]!.problems[0]).toContain('"Kettle" stands on line 2 already');
  });

  it('reads numbers with separators, and cells that were kept from being formulas', () => {
    const { rig } = readLoadTable('point', tern, withCell(1, W, '1,250'));
    expect(rig.loads[0]!.parts[0]!.runningW!.value).toBe(1250);
    const named = readLoadTable('point', tern, withCell(1, 'load', "'=HYPERLINK(1)"));
    expect(named.rig.loads.at(-1)!.name).toBe('=HYPERLINK(1)');
    expect(readLoadTable('point', tern, [['load'], ['Saw']]).fault).toContain(
      'no column "running power [W]"',
    );
  });
});

describe('a text in QR codes', () => {
  const text = JSON.stringify(tern);

  it('comes together in any order, repeated pictures and strange ones included', () => {
    const pieces = [...piecesOf(text)].reverse();
    const seen = [...pieces.slice(3), 'https://elsewhere', pieces[4]!, ...pieces.slice(0, 3)];
    expect(joined(seen.reduce(withPiece, NO_PIECES))).toBe(text);
  });

  it('is not taken with a picture missing, or one misread', () => {
    const [first, ...rest] = piecesOf(text);
    expect(joined(rest.reduce(withPiece, NO_PIECES))).toBeUndefined();
    const misread = first!.replace('heliarch', 'heliarcH');
    expect(joined([misread, ...rest].reduce(withPiece, NO_PIECES))).toBeUndefined();
    expect(joined([first!, ...piecesOf('other')].reduce(withPiece, NO_PIECES))).toBe('other');
  });
});
