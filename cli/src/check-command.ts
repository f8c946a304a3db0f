import {
  check,
  explain,
  formatPercent,
  ladderOf,
  limitLabel,
  loadOf,
  notChecked,
  plainText,
  spareOrOver,
  type CheckResult,
  type Limit,
  type Rig,
} from '@heliarch/core';
import { BadInput } from './exit-codes.ts';

export interface CheckOptions {
  readonly supply: string;
  readonly on: string;
  readonly json?: boolean;
}

/** Checks a set and gives the report to print. */
export function checkCommand(
  rig: Rig,
  options: CheckOptions,
): { readonly result: CheckResult; readonly text: string } {
  const result = check(rig, { supply: supplyOf(rig, options.supply), on: loadsOf(rig, options.on) });
  const text = options.json ? `${JSON.stringify(asJson(rig, result), null, 2)}\n` : asText(rig, result);
  return { result, text };
}

function supplyOf(rig: Rig, id: string): string {
  if (rig.supplies.some((supply) => supply.id === id)) return id;
  throw new BadInput(`--supply: "${id}" is not in this rig; use one of ${idsOf(rig.supplies)}.`);
}

function loadsOf(rig: Rig, list: string): readonly { readonly load: string }[] {
  const ids = list
    .split(',')
    .map((id) => id.trim())
    .filter(Boolean);
  const unknown = ids.find((id) => !rig.loads.some((load) => load.id === id));
  if (unknown) throw new BadInput(`--on: "${unknown}" is not in this rig; use some of ${idsOf(rig.loads)}.`);
  return [...new Set(ids)].map((load) => ({ load }));
}

const idsOf = (entries: readonly { readonly id: string }[]): string => entries.map(({ id }) => id).join(', ');

function asText(rig: Rig, result: CheckResult): string {
  const words = explain(rig, result);
  const order = result.order.map((consumer) => loadOf(rig, consumer.load.id).name);
  return [
    [words.word, words.condition].filter(Boolean).join(' '),
    words.action,
    plainText(words.reason),
    '',
    ...ladderOf(result).map((limit) => row(rig, limit)),
    '',
    ...(order.length > 1 ? [`Start order: ${order.join(', ')}`] : []),
    ...result.notFed.map(
      ({ load, circuit }) => `Not on this supply: ${load.name}, because nothing feeds ${circuit.name}`,
    ),
    `Not checked: ${notChecked(result).join(', ')}`,
    'Planning, not permission: local code and a licensed electrician decide.',
    '',
  ].join('\n');
}

const LABEL_WIDTH = 42;
const VERDICT_WIDTH = 6;
const SHARE_WIDTH = 7;

function row(rig: Rig, limit: Limit): string {
  const share = formatPercent(limit.loading).padStart(SHARE_WIDTH);
  const label = limitLabel(rig, limit).padEnd(LABEL_WIDTH);
  return `${limit.verdict.padEnd(VERDICT_WIDTH)} ${share}  ${label} ${spareOrOver(limit, limit.edge)}`;
}

function asJson(rig: Rig, result: CheckResult): object {
  const words = explain(rig, result);
  return {
    supply: result.supply.id,
    verdict: result.verdict,
    condition: words.condition,
    action: words.action,
    because: plainText(words.reason),
    limits: ladderOf(result).map((limit) => limitAsJson(rig, limit)),
    startOrder: result.order.map((consumer) => consumer.load.id),
    restarts: result.restarts.map(({ loadId, holds, switchOffFirst }) => ({
      load: loadId,
      holds,
      switchOffFirst,
    })),
    tripsWhen: result.tripsWhen ?? null,
    notFed: result.notFed.map(({ load }) => load.id),
    notChecked: notChecked(result),
  };
}

function limitAsJson(rig: Rig, limit: Limit): object {
  const { id, kind, unit, start, running, worst, capacity, headroom, loading, verdict, edge, doubts } = limit;
  return {
    id,
    kind,
    label: limitLabel(rig, limit),
    unit,
    ...(start && { load: start.loadId, part: start.partId, seconds: start.seconds, restart: start.again }),
    running,
    worst,
    capacity,
    headroom,
    loading,
    verdict,
    edge,
    decidedBy: doubts.map(({ loadId, field, basis }) => ({ load: loadId, field, basis })),
  };
}
