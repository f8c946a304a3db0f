import {
  compile,
  VERDICT_WORDS,
  type Change,
  type Combination,
  type CombinationQuestion,
  type CombinationRank,
} from '@heliarch/core/check';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import { changeWords, shortMargin } from '@heliarch/core/explain';
import { combinationsOf, oneChangeAway, whoRunsWithWhom } from '@heliarch/core/compute';
import { BadInput } from './exit-codes.ts';
import { loadsOn, supplyId } from './scene-option.ts';

export interface SetsOptions {
  readonly supply: string;
  readonly with?: string;
  readonly without?: string;
  readonly tight?: boolean;
  readonly circuit?: string;
  readonly anyOrder?: boolean;
  readonly rank?: string;
  readonly oneChange?: boolean;
  readonly json?: boolean;
}

/** The largest combinations of a supply: every set to which nothing can be added. */
export function setsCommand(
  style: NumberStyle,
  rig: Rig,
  options: SetsOptions,
  tell: (line: string) => void,
): string {
  const question: CombinationQuestion = {
    supply: supplyId(rig, options.supply),
    edge: options.tight ? 'stated' : 'pessimistic',
    mustInclude: ids(rig, '--with', options.with),
    mustNot: ids(rig, '--without', options.without),
    ...(options.circuit !== undefined && { circuit: circuitId(rig, options.circuit) }),
    startOrder: options.anyOrder ? 'any' : 'best',
    rank: rankOf(options.rank),
  };
  const compiled = compile(rig);
  const { found, of, leftOut, extent } = combinationsOf(compiled, question, ({ found: soFar }) =>
    tell(`${soFar.length} so far\n`),
  );
  const largest = Math.max(0, ...found.map(({ loads }) => loads.length));
  const away = options.oneChange
    ? oneChangeAway(compiled, question, largest, (done, all) => tell(`${done} of ${all} changes\n`))
    : [];
  if (options.json) {
    return asJson({
      format: 'heliarch-sets',
      version: 1,
      supply: question.supply,
      of,
      leftOut,
      extent,
      sets: found.map(setAsJson),
      oneChangeAway: away.map(({ change, set }) => ({
        change,
        does: does(style, rig, change),
        ...setAsJson(set),
      })),
    });
  }
  const head = extent === 'all' ? `${found.length} in all` : `The best ${found.length}; there are more`;
  const beyond =
    leftOut.length > 0 ? [`Not looked at, the smallest of very many: ${leftOut.join(', ')}.`] : [];
  const changes = away.map(({ change, set }) => `${does(style, rig, change)}: ${setAsLine(style, set)}`);
  return [
    `${head}, of ${of} loads.`,
    ...beyond,
    ...found.map((set) => setAsLine(style, set)),
    ...(changes.length > 0 ? ['One change away:', ...changes] : []),
    '',
  ].join('\n');
}

function setAsLine(style: NumberStyle, { loads, verdict, decider }: Combination): string {
  const spare = decider ? ` (${shortMargin(style, decider)})` : '';
  return `${VERDICT_WORDS[verdict].padEnd(12)} ${loads.length}: ${loads.join(', ')}${spare}`;
}

function setAsJson({ loads, verdict, decider, notLast }: Combination) {
  return {
    loads,
    verdict,
    decidedBy: decider?.id ?? null,
    headroom: decider ? { amount: decider.headroom.pessimistic, unit: decider.unit } : null,
    notLast,
  };
}

const does = (style: NumberStyle, rig: Rig, change: Change): string =>
  change.by === 'order' || change.by === 'off' ? '' : changeWords(style, rig, change);

const RANKS: readonly CombinationRank[] = ['number', 'importance', 'spare'];

function rankOf(rank = 'number'): CombinationRank {
  const known = RANKS.find((each) => each === rank);
  if (!known) throw new BadInput(`--rank: "${rank}" is not known; use one of ${RANKS.join(', ')}.`);
  return known;
}

function circuitId(rig: Rig, id: string): string {
  if (rig.circuits.some((circuit) => circuit.id === id)) return id;
  const known = rig.circuits.map((circuit) => circuit.id).join(', ');
  throw new BadInput(`--circuit: "${id}" is not in this rig; use one of ${known}.`);
}

/** Each load that starts while each other one runs. */
export function pairsCommand(
  rig: Rig,
  options: Pick<SetsOptions, 'supply' | 'json'>,
  tell: (line: string) => void,
): string {
  const supply = supplyId(rig, options.supply);
  const { loads, pairs } = whoRunsWithWhom(compile(rig), { supply }, (done, of) =>
    tell(`${done} of ${of}\n`),
  );
  if (options.json) {
    const told = pairs.map(({ starts, runs, verdict, limit, keptApart }) => ({
      starts,
      runs,
      verdict,
      decidedBy: limit?.id ?? null,
      keptApart: keptApart ?? null,
    }));
    return asJson({
      format: 'heliarch-pairs',
      version: 1,
      supply,
      loads: loads.map(({ id }) => id),
      pairs: told,
    });
  }
  const conflicts = pairs.filter(({ verdict }) => verdict !== 'holds');
  const lines = conflicts.map(
    ({ starts, runs, verdict }) => `${VERDICT_WORDS[verdict].padEnd(6)} ${starts} starts while ${runs} runs`,
  );
  return [`${pairs.length - conflicts.length} of ${pairs.length} pairs hold.`, ...lines, ''].join('\n');
}

const ids = (rig: Rig, option: string, list: string | undefined): readonly string[] =>
  list === undefined ? [] : loadsOn(rig, list, option).map(({ load }) => load);

const asJson = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
