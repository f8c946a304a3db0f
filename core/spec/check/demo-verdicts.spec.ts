import { readFileSync, writeFileSync } from 'node:fs';
import type { Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check, type CheckResult } from '../../src/check/check.js';
import { doubtsOf } from '../../src/check/limits/doubts.js';
import type { Limit } from '../../src/check/limits/limit.js';
import type { CheckScene } from '../../src/check/situation.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

/**
 * Every figure of every limit of the demo rigs, as it was when it was last looked through: no change of a verdict or of a
 * number passes unseen. HELIARCH_GOLDEN=write writes the file anew; the difference is then read line by line, and
 * each change of it explained by its rule.
 */
const FILE = new URL('demo-verdicts.txt', import.meta.url);

const DIGITS = 6;
const number = (value: number) => (Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) : value);

/** What is copied from the rig as it stands, and says nothing about what was made of it. */
const OF_THE_RIG = [
  'chargingAlone',
  'converter',
  'source',
  'load',
  'part',
  'batteries',
  'resetAt',
  'tiers',
  'basis',
];

/** A value in few letters: lists for sets, numbers to the digits that rounding leaves alone. */
function plain(value: unknown): unknown {
  if (typeof value === 'number') return Number.isFinite(value) ? number(value) : String(value);
  if (value instanceof Set) return [...(value as Set<unknown>)].map(plain);
  if (value instanceof Map) return [...(value as Map<unknown, unknown>)].map(plain);
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).filter(([key]) => !OF_THE_RIG.includes(key));
  return Object.fromEntries(entries.map(([key, each]) => [key, plain(each)]));
}

const line = (...parts: readonly unknown[]) =>
  parts.map((each) => (typeof each === 'string' ? each : JSON.stringify(plain(each)))).join(' | ');

const figures = (values: object) => Object.values(values).map(Number).map(number).join(' ');

function limitLine(limit: Limit): string {
  const { id, kind, unit, start, running, worst, capacity, headroom, loading, verdict, edge } = limit;
  const doubts = doubtsOf(limit).map(({ loadId, field, width }) => `${loadId} ${field} ${number(width)}`);
  const started =
    start &&
    Object.values({
      ...start,
      seconds: figures(start.seconds),
      ceilingSeconds: figures(start.ceilingSeconds),
    }).join(' ');
  return [
    `${id} (${kind}) ${verdict} ${edge} ${number(loading)} ${unit}`,
    ...[running, worst, capacity, headroom].map(figures),
    started ?? 'steady',
    ...doubts,
  ].join(', ');
}

function resultLines(result: CheckResult): readonly string[] {
  const ids = (list: readonly { readonly load: { readonly id: string } }[]) =>
    list.map(({ load }) => load.id);
  return [
    line(result.verdict, result.decider?.id, result.tripsWhen, result.odds, result.forThreeHours?.id),
    line('by itself', ids(result.selfStarting), 'by hand', ids(result.order)),
    line(
      'starts',
      result.starts.map(({ consumer, moment, running }) => [consumer.load.id, moment, ...ids(running)]),
    ),
    line(
      'not last',
      result.notLast.map(({ loadId, limit }) => [loadId, limit.id]),
    ),
    line(
      'restarts',
      result.restarts.map(({ limit, limitThen, ...rest }) => [limit.id, limitThen?.id, rest]),
    ),
    line('not fed', result.notFed),
    ...result.limits.map(limitLine),
    ...result.ofSupply.map((limit) => `of the supply: ${limitLine(limit)}`),
  ];
}

/** All of a rig's loads on each supply, a third of them, and its scenes. */
function scenesOf({ loads, scenes, supplies }: Rig): readonly (CheckScene & { readonly label: string })[] {
  const third = loads.filter((_, index) => index % 3 === 0);
  const sets = { all: loads, 'every third': third };
  return [
    ...scenes.map((scene) => ({ ...scene, label: `scene ${scene.id}` })),
    ...supplies.flatMap(({ id }) =>
      Object.entries(sets).map(([label, set]) => ({
        label,
        supply: id,
        on: set.map((load) => ({ load: load.id })),
      })),
    ),
  ];
}

function linesOf(rig: Rig): readonly string[] {
  const compiled = compile(rig);
  return [
    ...rig.supplies.flatMap(({ id }) => [
      `# ${rig.id}, ${id}: elements`,
      ...compiled.on(id).elements.map((element) => line(element)),
    ]),
    ...scenesOf(rig).flatMap((scene) => [
      `# ${rig.id}, ${scene.supply}: ${scene.label}`,
      ...resultLines(check(compiled, scene)),
      ...(['given', 'any'] as const).map((order) => {
        const { verdict, decider, starts } = check(compiled, scene, order);
        return line(
          order,
          verdict,
          decider?.id,
          starts.map(({ consumer, running }) => [consumer.load.id, running.length]),
        );
      }),
    ]),
  ];
}

describe('the demo rigs', () => {
  it('have the verdicts and the figures that were looked through last (demo-verdicts.txt)', () => {
    const lines = DEMO_NAMES.map(demoRig).flatMap(linesOf);
    if (process.env['HELIARCH_GOLDEN'] === 'write') writeFileSync(FILE, `${lines.join('\n')}\n`);
    const known = readFileSync(FILE, 'utf8').trimEnd().split('\n');
    const changed = lines.flatMap((each, index) =>
      each === known[index] ? [] : [`${known[index]} => ${each}`],
    );
    expect(changed.slice(0, 3)).toEqual([]);
    expect(known.length).toBe(lines.length);
  });
});
