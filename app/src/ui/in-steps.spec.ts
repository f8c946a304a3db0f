import { inSteps } from './in-steps';

function* counting(to: number, seen: number[]): Generator<undefined, number> {
  for (let step = 1; step <= to; step += 1) {
    seen.push(step);
    yield;
  }
  return to;
}

describe('long work in steps', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('leaves the page free between its steps, and ends with its result', () => {
    const seen: number[] = [];
    const results: number[] = [];
    inSteps(() => counting(3, seen), 0).subscribe((result) => results.push(result));
    expect(seen).toEqual([]);
    jasmine.clock().tick(1);
    expect(seen).toEqual([1]);
    jasmine.clock().tick(10);
    expect([seen, results]).toEqual([[1, 2, 3], [3]]);
  });

  it('does short steps without a pause between them', () => {
    const seen: number[] = [];
    inSteps(() => counting(3, seen), Infinity).subscribe();
    jasmine.clock().tick(1);
    expect(seen).toEqual([1, 2, 3]);
  });

  it('is given up when nobody waits any more', () => {
    const seen: number[] = [];
    const waiting = inSteps(() => counting(3, seen), 0).subscribe();
    jasmine.clock().tick(1);
    waiting.unsubscribe();
    jasmine.clock().tick(10);
    expect(seen).toEqual([1]);
  });

  it('hands a defect on', () => {
    const met: unknown[] = [];
    inSteps(function* (): Generator<undefined, number> {
      throw new Error('defect');
    }).subscribe({ error: (error: unknown) => met.push(error) });
    jasmine.clock().tick(1);
    expect(met.length).toBe(1);
  });
});
