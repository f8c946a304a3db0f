import { findKinds, rigFromAnswers } from '@heliarch/core/describe';
import { filtered, loadRows, sorted } from './load-rows';

const kinds = ['kettle', 'band-saw', 'roof-air-small', 'laptop'].flatMap((id) =>
  findKinds('point', '').kinds.filter((kind) => kind.id === id),
);
const rows = loadRows(
  rigFromAnswers({
    name: 'Mine',
    mains: 'na-120',
    hookups: [],
    circuits: [{ name: 'Galley', amps: 20 }],
    loads: kinds.map((kind) => ({ kind })),
  }),
);
const names = (words: string, column: Parameters<typeof sorted>[1]['column'], isDown = false) =>
  sorted(filtered(rows, words), { column, isDown }).flatMap((group) =>
    group.rows.map(({ load }) => load.name),
  );

describe('the list of loads', () => {
  it('stands by kind, or sorted by any column, either way', () => {
    expect(names('', 'kind')).toEqual(['Bandsaw', 'Roof air conditioner, small', 'Kettle', 'Laptop']);
    expect(names('', 'running')).toEqual(['Laptop', 'Bandsaw', 'Roof air conditioner, small', 'Kettle']);
    expect(names('', 'running', true)[0]).toBe('Kettle');
    expect(names('', 'start', true)[0]).toBe('Bandsaw');
    expect(names('', 'name')[0]).toBe('Bandsaw');
  });

  it('is found by words of any column', () => {
    expect(names('galley cooking', 'name')).toEqual(['Kettle']);
    expect(names('by itself', 'name')).toEqual(['Roof air conditioner, small']);
    expect(names('nothing', 'name')).toEqual([]);
  });
});
