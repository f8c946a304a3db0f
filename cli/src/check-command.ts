import {
  check,
  dropOutOf,
  explain,
  formatPercent,
  ladderOf,
  limitLabel,
  loadOf,
  notChecked,
  plainText,
  spareOrOver,
  VERDICT_WORDS,
  type CheckResult,
  type Limit,
  type Rig,
  type StartOrderRule,
} from '@heliarch/core';
import { reportAsJson } from './check-report.ts';
import { BadInput } from './exit-codes.ts';
import { sceneOf, type SceneOptions } from './scene-option.ts';

export interface CheckOptions extends SceneOptions {
  readonly order?: string;
  readonly json?: boolean;
}

const ORDERS: readonly StartOrderRule[] = ['best', 'given', 'any'];

/** Checks a set and gives the report to print. */
export function checkCommand(
  rig: Rig,
  options: CheckOptions,
): { readonly result: CheckResult; readonly text: string } {
  const scene = sceneOf(rig, options);
  const result = check(rig, scene, orderOf(options.order));
  const text = options.json
    ? `${JSON.stringify(reportAsJson(rig, scene, result), null, 2)}\n`
    : asText(rig, result, dropOutOf(rig, scene)?.verdict);
  return { result, text };
}

function orderOf(order = 'best'): StartOrderRule {
  const known = ORDERS.find((each) => each === order);
  if (!known) throw new BadInput(`--order: "${order}" is not known; use one of ${ORDERS.join(', ')}.`);
  return known;
}

function asText(rig: Rig, result: CheckResult, ifSourceDrops: CheckResult['verdict'] | undefined): string {
  const words = explain(rig, result);
  const order = result.order.map((consumer) => loadOf(rig, consumer.load.id).name);
  return [
    [words.word, words.condition].filter(Boolean).join(' '),
    words.action,
    plainText(words.reason),
    '',
    ...ladderOf(result).map((limit) => row(rig, limit)),
    '',
    ...(ifSourceDrops ? [`If the source drops out: ${VERDICT_WORDS[ifSourceDrops]}`] : []),
    ...(order.length > 1 ? [`Start order: ${order.join(', ')}`] : []),
    ...result.notFed.map(({ load, because }) => `Not on this supply: ${load.name}, because ${because}`),
    `Not checked: ${notChecked(result).join(', ')}`,
    'Planning, not permission: local code and a licensed electrician decide.',
    '',
  ].join('\n');
}

const LABEL_WIDTH = 46;
const VERDICT_WIDTH = 6;
const SHARE_WIDTH = 7;

function row(rig: Rig, limit: Limit): string {
  const share = formatPercent(limit.loading).padStart(SHARE_WIDTH);
  const label = limitLabel(rig, limit).padEnd(LABEL_WIDTH);
  return `${limit.verdict.padEnd(VERDICT_WIDTH)} ${share}  ${label} ${spareOrOver(limit, limit.edge)}`;
}
