import { mayMeasure } from '../../src/outlook/settling/may-measure.js';
import type { PartKind } from '../../src/reference/kinds-of-parts.js';
import type { Quantity } from '../../src/units/quantity.js';
import { exampleRig, q } from '../example-rig.js';

describe('what a number may be found to be', () => {
  const found = (w: Quantity, kind?: PartKind) =>
    mayMeasure(exampleRig({ kettle: { w, ...(kind && { kind }), start: [q(1800, 'nameplate'), 1] } }), {
      loadId: 'kettle',
      partId: 'main',
      field: 'running',
    });

  it('is within the doubt of its basis, and of an element no less than 10 % below its plate (IEC 60335-1, 10.1, from memory)', () => {
    expect(found(q(1000, 'nameplate'))).toEqual({ lo: 900, stated: 1000, hi: 1100 });
    expect(found(q(1000, 'nameplate'), 'universal-motor')).toEqual({ lo: 750, stated: 1000, hi: 1100 });
    expect(found(q(1000, 'guess'))).toEqual({ lo: 600, stated: 1000, hi: 1400 });
  });

  it('is not asked of what is measured, unless it was once, nor of what is not there', () => {
    expect(found(q(1000, 'measured'))).toBeUndefined();
    const start = (basis: Quantity, partId = 'main') =>
      mayMeasure(exampleRig({ kettle: { w: q(1000, 'nameplate'), start: [basis, 1] } }), {
        loadId: 'kettle',
        partId,
        field: 'start',
      });
    expect(start(q(1800, 'nameplate'))).toEqual({ lo: 1440, stated: 1800, hi: 1800 });
    expect(start(q(1800, 'measured', { readings: 1 }))).toEqual({ lo: 1710, stated: 1800, hi: 2160 });
    expect(start(q(1800, 'measured', { readings: 3 }))).toBeUndefined();
    expect(start(q(1800, 'nameplate'), 'none')).toBeUndefined();
  });
});
