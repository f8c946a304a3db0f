import { check, compile, staircaseOf, type Staircase } from '@heliarch/core/check';
import { smallRig } from '../../storage/small-rig.testing';
import { drawStaircase } from './drawing';

function staircase(...ids: string[]): Staircase {
  const drawn = staircaseOf(
    check(compile(smallRig()), { supply: 'battery', on: ids.map((load) => ({ load })) }),
  );
  if (!drawn) throw new Error('Nothing to draw');
  return drawn;
}

describe('the drawing of the start staircase', () => {
  it('puts spike, doubt, ceiling and running limit on one scale', () => {
    const model = staircase('saw', 'kettle');
    const { starts, runningLimit, axis } = drawStaircase('point', model, 556, 452);
    const start = model.steps[0]?.start;
    const shape = starts[0];
    if (!start || !shape) throw new Error('The saw starts first and has a start');
    const pixelsPerVA = (axis.bottom - runningLimit.y) / model.runningLimit.va;
    expect(axis.bottom - shape.whisker.from).toBeCloseTo(start.va.stated * pixelsPerVA, 6);
    expect(axis.bottom - shape.whisker.to).toBeCloseTo(start.va.hi * pixelsPerVA, 6);
    expect(axis.bottom - shape.ceiling.y).toBeCloseTo(start.ceiling * pixelsPerVA, 6);
  });

  it('gives the verdict’s colour and the margin to the deciding start alone', () => {
    const { starts } = drawStaircase('point', staircase('saw'), 556, 452);
    expect(starts.map((start) => [start.verdict, start.margin?.word])).toEqual([
      ['holds', 'to spare'],
      [undefined, undefined],
    ]);
  });

  it('keeps everything inside the picture, on a phone too', () => {
    for (const width of [300, 358, 556, 900]) {
      const { starts, runningLimit, columns, axis } = drawStaircase(
        'point',
        staircase('saw', 'kettle'),
        width,
        300,
      );
      const xs = [
        ...starts.map((start) => start.ceiling.x2),
        ...columns.map((column) => column.x),
        runningLimit.x2,
      ];
      expect(Math.max(...xs)).toBeLessThanOrEqual(width);
      expect(Math.min(...starts.map((start) => start.whisker.to))).toBeGreaterThanOrEqual(axis.top);
    }
  });
});
