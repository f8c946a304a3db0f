import type { NumberStyle } from '@heliarch/core/units';
import {
  check,
  compile,
  dropOutOf,
  explain,
  explainLimit,
  shareWords,
  inputLimitOf,
  limitLabel,
  notChecked,
  partName,
  plainText,
  powerBackOf,
  spareOrOver,
  supplyNotices,
  unplannedLoadsOf,
  USUAL_UNPLANNED_W,
  VERDICT_WORDS,
  type CheckResult,
  type CheckScene,
  type CompiledRig,
  type Limit,
  type StartOrderRule,
} from '@heliarch/core/check';
import { formatAmount } from '@heliarch/core/units';
import { leaderOf, loadOf, theLoad, type Rig } from '@heliarch/core/rig';
import {
  cautionsOf,
  dimmingOf,
  voltageDropsOf,
  CAUTION_TEXTS,
  dimmingWords,
  inputLimitWords,
  powerBackWords,
  unplannedLoadWords,
  voltageDropWords,
  workingOf,
} from '@heliarch/core/explain';
import { reportAsJson } from './check-report.ts';
import { BadInput } from './exit-codes.ts';
import { sceneOf, type SceneOptions } from './scene-option.ts';

export interface CheckOptions extends SceneOptions {
  readonly order?: string;
  readonly json?: boolean;
  readonly explain?: boolean;
}

const ORDERS: readonly StartOrderRule[] = ['best', 'given', 'any'];

/** Checks a set and gives the report to print. */
export function checkCommand(
  style: NumberStyle,
  rig: Rig,
  options: CheckOptions,
): { readonly result: CheckResult; readonly text: string } {
  const scene = sceneOf(rig, options);
  const compiled = compile(rig);
  const result = check(compiled, scene, startOrderOf(options.order, scene));
  const text = options.json
    ? `${JSON.stringify(reportAsJson(style, compiled, scene, result), null, 2)}\n`
    : asText(style, compiled, scene, result, options.explain ?? false);
  return { result, text };
}

export function startOrderOf(asked: string | undefined, { startOrder = 'best' }: CheckScene): StartOrderRule {
  const order = asked ?? startOrder;
  const known = ORDERS.find((each) => each === order);
  if (!known) throw new BadInput(`--order: "${order}" is not known; use one of ${ORDERS.join(', ')}.`);
  return known;
}

function asText(
  style: NumberStyle,
  compiled: CompiledRig,
  scene: CheckScene,
  result: CheckResult,
  isExplained: boolean,
): string {
  const { rig } = compiled;
  const words = explain(style, rig, result);
  const order = result.order.map((consumer) => loadOf(rig, consumer.load.id).name);
  return [
    [words.word, words.condition].filter(Boolean).join(' '),
    words.action,
    plainText(words.reason),
    '',
    ...result.limits.flatMap((limit) => [
      row(style, rig, limit),
      ...(isExplained ? workingLines(style, rig, result, limit) : []),
    ]),
    '',
    ...supplyNoticeLines(style, rig, result),
    ...whatIfLines(style, compiled, scene, result),
    ...(order.length > 1 ? [`Start order: ${order.join(', ')}`] : []),
    ...followerLines(rig, scene),
    ...result.notFed.map(({ load, because }) => `Not on this supply: ${load.name}, because ${because}`),
    ...cautionsOf(rig, result).map((id) => `Caution: ${CAUTION_TEXTS[id].line}`),
    `Not checked: ${notChecked(rig, result).join(', ')}`,
    'Planning, not permission: local code and a licensed electrician decide.',
    '',
  ].join('\n');
}

function followerLines(rig: Rig, { on }: CheckScene): readonly string[] {
  return on.flatMap(({ load }) => {
    const leader = leaderOf(rig, on, load);
    return leader === undefined
      ? []
      : [`On with it: ${loadOf(rig, load).name} follows ${theLoad(loadOf(rig, leader).name)}`];
  });
}

/** What is said of the supply, whatever is on. */
function supplyNoticeLines(style: NumberStyle, rig: Rig, result: CheckResult): readonly string[] {
  return supplyNotices(style, rig, result).map(
    ({ headline, reason, does }) => `${headline} ${reason} ${does}`,
  );
}

/** The questions beside the verdict, each in a line. */
function whatIfLines(
  style: NumberStyle,
  compiled: CompiledRig,
  scene: CheckScene,
  result: CheckResult,
): readonly string[] {
  const { rig } = compiled;
  const dropOut = dropOutOf(compiled, scene);
  const back = powerBackOf(compiled, scene);
  const unplanned = unplannedLoadWords(style, rig, unplannedLoadsOf(rig, scene), USUAL_UNPLANNED_W);
  const dimming = dimmingOf(result);
  const limit = inputLimitOf(rig, result);
  const drop = voltageDropWords(style, voltageDropsOf(rig, result));
  return [
    ...(dropOut
      ? [
          `If the source drops out: ${dropOut.isAllDark ? 'all of it goes dark' : VERDICT_WORDS[dropOut.verdict]}`,
        ]
      : []),
    ...(back
      ? [`When power comes back: ${VERDICT_WORDS[back.verdict]}. ${powerBackWords(style, rig, back).line}`]
      : []),
    ...(unplanned ? [`One more load: ${unplanned.line}`] : []),
    ...(dimming ? [`Lights dip: ${dimmingWords(style, rig, dimming).line}`] : []),
    ...(drop ? [`Voltage drop: ${drop.line}`] : []),
    ...(limit ? [`Input limit: ${inputLimitWords(style, limit).line}`] : []),
  ];
}

/** The numbers that went into a limit, how they add up, which edge decided, and the sources. */
function workingLines(style: NumberStyle, rig: Rig, result: CheckResult, limit: Limit): readonly string[] {
  const { lines, sum, source, edge } = workingOf(style, result, limit);
  const amount = (value: number): string => formatAmount(style, value, limit.unit);
  return [
    plainText(explainLimit(style, rig, limit)),
    ...lines.map(({ amount: { lo, stated, hi }, basis, origin, what, ...part }) => {
      const name = `${partName(rig, part)}${what === 'start' ? ', start' : ''}`;
      const how = [basis, origin].filter(Boolean).join(': ');
      return `- ${name}: ${amount(stated)} (${amount(lo)} to ${amount(hi)}), ${how}`;
    }),
    `${sum} ${edge}`,
    source,
  ].map((line) => `${INDENT}${line}`);
}

const INDENT = ' '.repeat(23);
const LABEL_WIDTH = 46;
const VERDICT_WIDTH = 12;
const SHARE_WIDTH = 7;

function row(style: NumberStyle, rig: Rig, limit: Limit): string {
  const share = shareWords(style, limit).padStart(SHARE_WIDTH);
  const label = limitLabel(style, rig, limit).padEnd(LABEL_WIDTH);
  return `${limit.verdict.padEnd(VERDICT_WIDTH)} ${share}  ${label} ${spareOrOver(style, limit, limit.edge)}`;
}
