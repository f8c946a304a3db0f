import fc from 'fast-check';
import * as statistics from 'simple-statistics';
import { fitLine, lineAt, standardErrorAt, standardErrorOfSlope } from '../../src/logbook/fit/line-fit.js';
import { chiSquare, studentT } from '../../src/logbook/fit/student-t.js';
import { whenReached } from '../../src/logbook/fit/when-reached.js';

/** NIST StRD, linear regression, data set "Norris" (x, y), from memory: the certified values prove the memory right. */
const NORRIS = [
  [0.2, 0.1],
  [337.4, 338.8],
  [118.2, 118.1],
  [884.6, 888.0],
  [10.1, 9.2],
  [226.5, 228.1],
  [666.3, 668.5],
  [996.3, 998.5],
  [448.6, 449.1],
  [777.0, 778.9],
  [558.2, 559.2],
  [0.4, 0.3],
  [0.6, 0.1],
  [775.5, 778.1],
  [666.9, 668.8],
  [338.0, 339.3],
  [447.5, 448.9],
  [11.6, 10.8],
  [556.0, 557.7],
  [228.1, 228.3],
  [995.8, 998.0],
  [887.6, 888.8],
  [120.2, 119.6],
  [0.3, 0.3],
  [0.3, 0.6],
  [556.8, 557.6],
  [339.1, 339.3],
  [887.2, 888.0],
  [999.0, 998.5],
  [779.0, 778.9],
  [11.1, 10.2],
  [118.3, 117.6],
  [229.2, 228.9],
  [669.1, 668.4],
  [448.9, 449.2],
  [0.5, 0.2],
] as const;

const points = (list: readonly (readonly [number, number])[], segment = 0) =>
  list.map(([x, y]) => ({ x, y, segment }));

describe('a line through readings', () => {
  it('has the certified values of NIST StRD "Norris"', () => {
    const fit = fitLine(points(NORRIS), 0)!;
    expect(fit.slope).toBeCloseTo(1.00211681802045, 12);
    expect(lineAt(fit, 0)).toBeCloseTo(-0.262323073774029, 10);
    expect(fit.scatter).toBeCloseTo(0.884796396144373, 12);
    expect(standardErrorOfSlope(fit)).toBeCloseTo(0.000429796848199937, 12);
    expect(standardErrorAt(fit, 0)).toBeCloseTo(0.232818234301152, 12);
  });

  it('is that of a statistics library for any points (simple-statistics)', () => {
    const anyNumber = fc.double({ min: -100, max: 100, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(anyNumber, anyNumber), { minLength: 3, maxLength: 30 }), (list) => {
        fc.pre(statistics.standardDeviation(list.map(([x]) => x)) > 0.1);
        const { m, b } = statistics.linearRegression(list);
        const fit = fitLine(points(list), 0)!;
        expect(fit.slope).toBeCloseTo(m, 6);
        expect(lineAt(fit, 0)).toBeCloseTo(b, 4);
      }),
    );
  });

  it('through segments of unknown height is the line through all with the heights taken off', () => {
    const line = [0, 1, 2, 3, 4, 5].map((x) => [x, 90 - 7 * x] as const);
    const cut = [
      ...points(line.slice(0, 3)),
      ...points(
        line.slice(3).map(([x, y]) => [x, y + 21]),
        1,
      ),
    ];
    const fit = fitLine(cut, 0)!;
    expect(fit.offsets.get(1)).toBeCloseTo(21, 9);
    expect(whenReached(fit, 20)!.stated).toBeCloseTo(whenReached(fitLine(points(line), 0)!, 20)!.stated, 0);
    expect(fit.degreesOfFreedom).toBe(3);
    expect(fitLine([{ x: 1, y: 2, segment: 0 }], 0)).toBeUndefined();
  });

  it('has the quantiles of the published tables (NIST/SEMATECH e-Handbook 1.3.6.7.2 and 1.3.6.7.4, from memory)', () => {
    for (const [degrees, t] of [
      [1, 12.706],
      [2, 4.303],
      [5, 2.571],
      [10, 2.228],
      [30, 2.042],
      [100, 1.984],
    ] as const)
      expect(studentT(degrees)).withContext(`${degrees} degrees`).toBeCloseTo(t, 3);
    expect(chiSquare(1, 0.975)).toBeCloseTo(5.024, 3);
    expect(chiSquare(10, 0.975)).toBeCloseTo(20.483, 3);
  });

  it('reaches a level within an interval at whose ends the line lies just one interval off (Fieller, by its definition)', () => {
    const fit = fitLine(
      points([
        [0, 100],
        [1, 94],
        [2, 87],
        [3, 82],
        [4, 74],
      ]),
      0,
    )!;
    const reached = whenReached(fit, 20)!;
    for (const end of [reached.lo, reached.hi])
      expect(Math.abs(lineAt(fit, end) - 20)).toBeCloseTo(
        studentT(fit.degreesOfFreedom) * standardErrorAt(fit, end),
        6,
      );
    expect(reached.lo).toBeLessThan(reached.stated);
    expect(reached.stated).toBeLessThan(reached.hi);
  });

  it('has no latest end while it may not fall at all, and none where it rises', () => {
    expect(
      whenReached(
        fitLine(
          points([
            [0, 90],
            [1, 91],
            [2, 88],
            [3, 89.5],
          ]),
          0,
        )!,
        20,
      )!.hi,
    ).toBe(Infinity);
    expect(
      whenReached(
        fitLine(
          points([
            [0, 80],
            [1, 81],
            [2, 83],
          ]),
          0,
        )!,
        20,
      ),
    ).toBeUndefined();
  });
});
