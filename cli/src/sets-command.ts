import { compile, VERDICT_WORDS, type NumberStyle, type Rig, type SetQuestion } from '@heliarch/core';
import { shortMargin } from '@heliarch/core/explaining';
import { combinationsOf, whoRunsWithWhom } from '@heliarch/core/planning';
import { loadsOn, supplyId } from './scene-option.ts';

export interface SetsOptions {
  readonly supply: string;
  readonly with?: string;
  readonly without?: string;
  readonly tight?: boolean;
  readonly json?: boolean;
}

/** The largest combinations of a supply: every set to which nothing can be added. */
export function setsCommand(
  style: NumberStyle,
  rig: Rig,
  options: SetsOptions,
  tell: (line: string) => void,
): string {
  const question: SetQuestion = {
    supply: supplyId(rig, options.supply),
    edge: options.tight ? 'optimistic' : 'pessimistic',
    mustInclude: ids(rig, '--with', options.with),
    mustNot: ids(rig, '--without', options.without),
  };
  const { found, of, leftOut, extent } = combinationsOf(compile(rig), question, ({ found: soFar }) =>
    tell(`${soFar.length} so far\n`),
  );
  if (options.json) {
    const sets = found.map(({ loads, verdict, decider, notLast }) => ({
      loads,
      verdict,
      decidedBy: decider?.id ?? null,
      headroom: decider ? { amount: decider.headroom.pessimistic, unit: decider.unit } : null,
      notLast,
    }));
    return asJson({
      format: 'heliarch-sets',
      version: 1,
      supply: question.supply,
      of,
      leftOut,
      extent,
      sets,
    });
  }
  const lines = found.map(
    ({ loads, verdict, decider }) =>
      `${VERDICT_WORDS[verdict].padEnd(6)} ${loads.length}: ${loads.join(', ')}${decider ? ` (${shortMargin(style, decider)})` : ''}`,
  );
  const head = extent === 'all' ? `${found.length} in all` : `The ${found.length} largest; there are more`;
  const beyond =
    leftOut.length > 0 ? [`Not looked at, the smallest of very many: ${leftOut.join(', ')}.`] : [];
  return [`${head}, of ${of} loads.`, ...beyond, ...lines, ''].join('\n');
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
