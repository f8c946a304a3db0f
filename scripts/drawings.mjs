import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { breakerCurves } from '../core/src/protection/breaker-curve.ts';
import { root } from './set-up/paths.mjs';

/** The drawings of docs/methods.md, from the numbers that the core works with: `npm run drawings` writes them anew. */
export const DRAWINGS = {
  'docs/drawings/two-edges.svg': twoEdges,
  'docs/drawings/soft-start.svg': softenedStart,
  'docs/drawings/breaker-curve.svg': breakerCurve,
};

const [WIDTH, HEIGHT] = [640, 300];
const INK = '#3b3a36';
const FAINT = '#8a877f';
const WARN = '#b4552d';
const CALM = '#2f6f62';

/** Four sets against one limit: the bar is the doubt of the sum, the dot the sum as entered. */
function twoEdges() {
  const limit = 430;
  const sets = [
    ['Holds', 250, 330, 400],
    ['Tight', 300, 390, 470],
    ['Likely trips', 390, 480, 550],
    ['Trips', 450, 520, 590],
  ];
  const rows = sets.map(([verdict, lo, stated, hi], index) => {
    const y = 70 + 52 * index;
    return [
      text(20, y + 5, verdict, { weight: 600 }),
      line([lo, y], [hi, y], CALM, 8),
      `<circle cx="${stated}" cy="${y}" r="6" fill="${INK}"/>`,
    ].join('');
  });
  return svg('What is asked, at best, as entered and at worst, against one limit', [
    line([limit, 36], [limit, 262], WARN, 2),
    text(limit, 26, 'limit', { anchor: 'middle', fill: WARN }),
    ...rows,
    text(20, 288, 'left end: every doubt in your favour', { fill: FAINT }),
    text(620, 288, 'right end: against you; dot: as entered', { anchor: 'end', fill: FAINT }),
  ]);
}

/** Worked example 3.5: 60 A for 0.3 s, or 30 A for 1 s. */
function softenedStart() {
  const at = (seconds, amps) => [70 + 380 * seconds, 240 - 3.2 * amps];
  const running = 8;
  const full = [at(0, 0), at(0, 60), at(0.3, 60), at(0.3, running), at(1.4, running)];
  const soft = [at(0, 0), at(0, 30), at(1, 30), at(1, running), at(1.4, running)];
  return svg('A start of 60 A for 0.3 s, and the same with a soft starter: 30 A for 1 s', [
    line(at(0, 0), at(1.4, 0), FAINT, 1),
    line(at(0, 0), at(0, 66), FAINT, 1),
    ...[0, 20, 40, 60].map((amps) =>
      text(at(0, amps)[0] - 10, at(0, amps)[1] + 5, `${amps} A`, { anchor: 'end' }),
    ),
    ...[0.3, 1].map((seconds) => text(at(seconds, 0)[0], 262, `${seconds} s`, { anchor: 'middle' })),
    path(full, WARN),
    path(soft, CALM),
    text(at(0.33, 55)[0], at(0, 55)[1], 'locked rotor, 1,080 A²s', { fill: WARN }),
    text(at(0.6, 33)[0], at(0, 33)[1], 'softly started, 900 A²s', { fill: CALM }),
    text(at(1.1, 11)[0], at(0, 11)[1], 'runs', { fill: FAINT }),
  ]);
}

/** Time over current of a 20 A breaker, both scales logarithmic. */
function breakerCurve() {
  const RATED_A = 20;
  const cold = { pessimistic: 0, stated: 0, optimistic: 0 };
  const { may, will } = breakerCurves({ protection: { amps: RATED_A, curve: 'ul-489' } }, cold);
  const [fromS, toS, toTimes] = [0.01, 10_000, 20];
  const at = (times, seconds) => [
    80 + (530 * Math.log(times)) / Math.log(toTimes),
    250 - (225 * Math.log(seconds / fromS)) / Math.log(toS / fromS),
  ];
  const drawn = (points) =>
    points
      .map(({ amps, seconds }) => ({ times: amps / RATED_A, seconds }))
      .filter(({ times, seconds }) => times >= 1 && times <= toTimes && seconds >= fromS && seconds <= toS)
      .map(({ times, seconds }) => at(times, seconds));
  return svg('A 20 A breaker (UL 489): when it may trip, and when it must have', [
    ...[1, 2, 5, 10, 20].flatMap((times) => [
      line(at(times, fromS), at(times, toS), '#d9d5cb', 1),
      text(at(times, fromS)[0], 270, `${times} ×`, { anchor: 'middle' }),
    ]),
    ...[0.01, 0.1, 1, 10, 100, 1000].flatMap((seconds) => [
      line(at(1, seconds), at(toTimes, seconds), '#d9d5cb', 1),
      text(70, at(1, seconds)[1] + 5, `${seconds.toLocaleString('en-US', { maximumFractionDigits: 2 })} s`, {
        anchor: 'end',
      }),
    ]),
    path(drawn(may), CALM),
    path(drawn(will), WARN),
    text(at(2.05, 0)[0], at(1, 22)[1], 'may trip', { fill: CALM }),
    text(at(2.6, 0)[0], at(1, 300)[1], 'has tripped', { fill: WARN }),
    text(345, 292, 'times its rating', { anchor: 'middle', fill: FAINT }),
  ]);
}

const round = (value) => Math.round(value * 10) / 10;
const line = ([x1, y1], [x2, y2], stroke, width) =>
  `<line x1="${round(x1)}" y1="${round(y1)}" x2="${round(x2)}" y2="${round(y2)}" stroke="${stroke}" stroke-width="${width}" stroke-linecap="round"/>`;
const path = (points, stroke) =>
  `<polyline fill="none" stroke="${stroke}" stroke-width="2.5" points="${points.map(([x, y]) => `${round(x)},${round(y)}`).join(' ')}"/>`;
const text = (x, y, words, { anchor = 'start', fill = INK, weight = 400 } = {}) =>
  `<text x="${round(x)}" y="${round(y)}" text-anchor="${anchor}" fill="${fill}" font-weight="${weight}">${words}</text>`;

function svg(title, parts) {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" role="img" font-family="sans-serif" font-size="14">`,
    `<title>${title}</title>`,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="#fbf9f4"/>`,
    ...parts,
    '</svg>\n',
  ].join('\n');
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const [path, draw] of Object.entries(DRAWINGS)) {
    mkdirSync(dirname(join(root, path)), { recursive: true });
    writeFileSync(join(root, path), draw());
  }
