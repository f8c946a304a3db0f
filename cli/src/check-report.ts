import type { NumberStyle } from '@heliarch/core/units';
import {
  batteryClockOf,
  doubtsOf,
  dropOutOf,
  explain,
  explainLimit,
  inputLimitOf,
  isNothingFed,
  limitLabel,
  notChecked,
  plainText,
  powerBackOf,
  powerFlowsOf,
  settlementOf,
  unplannedLoadsOf,
  type CheckResult,
  type CheckScene,
  type CompiledRig,
  type Doubt,
  type Limit,
} from '@heliarch/core/check';
import type { Rig, Scene } from '@heliarch/core/rig';
import { cautionsOf, dimmingOf, CAUTION_TEXTS } from '@heliarch/core/explain';
import { contradictionsOf, wireTablesOf } from '@heliarch/core/describe';

/** Version of this report; docs/command-line.md describes it. */
const REPORT_FORMAT = 'heliarch-check';
const REPORT_VERSION = 4;

/** The whole result, for other programs. Figures in W, VA, A and s; null where there is none. */
export function reportAsJson(
  style: NumberStyle,
  compiled: CompiledRig,
  scene: CheckScene & Pick<Scene, 'charge'>,
  result: CheckResult,
): object {
  const { rig } = compiled;
  const words = explain(style, rig, result);
  const clock = batteryClockOf(scene, result);
  return {
    format: REPORT_FORMAT,
    version: REPORT_VERSION,
    supply: result.supply.id,
    verdict: isNothingFed(result) ? NOTHING_TO_CHECK : result.verdict,
    ...oddsAsJson(result),
    forThreeHours: result.forThreeHours?.id ?? null,
    condition: words.condition,
    action: words.action,
    because: plainText(words.reason),
    limits: result.limits.map((limit) => limitAsJson(style, rig, limit)),
    ofSupply: result.ofSupply.map((limit) => limitAsJson(style, rig, limit)),
    startOrder: result.order.map((consumer) => consumer.load.id),
    restarts: result.restarts.map(({ loadId, limit, switchOffFirst }) => ({
      load: loadId,
      verdict: limit.verdict,
      switchOffFirst,
    })),
    ifSourceDrops: dropOutAsJson(style, compiled, scene),
    whenPowerComesBack: powerBackAsJson(compiled, scene),
    oneUnplannedLoad: unplannedLoadsOf(rig, scene).map(({ circuit, mostW, limit }) => ({
      circuit: circuit.id,
      mostW,
      verdict: limit?.verdict ?? 'holds',
    })),
    dimming: dimmingAsJson(result),
    inputLimit: inputLimitAsJson(rig, result),
    ...powerFlowsOf(result),
    reserveInS: clock?.reserveInS ?? null,
    lastsS: clock?.lastsS ?? null,
    tripsWhen: result.tripsWhen ?? null,
    settledBy: settlementOf(compiled, scene, result) ?? null,
    doubts: result.decider ? doubtsOf(result.decider).map(doubtAsJson) : [],
    notFed: result.notFed.map(({ load, because }) => ({ load: load.id, because })),
    cautions: cautionsOf(rig, result).map((id) => ({ id, ...CAUTION_TEXTS[id] })),
    contradictions: contradictionsOf(rig, wireTablesOf(rig)).map(({ id, field, message }) => ({
      id,
      field,
      message,
    })),
    notChecked: notChecked(rig, result),
  };
}

function oddsAsJson({ odds }: CheckResult): object {
  const tooLittleKnown = odds === 'too-little-known';
  return { odds: tooLittleKnown ? null : (odds ?? null), tooLittleKnown };
}

/** In the place of a verdict where nothing that is on is fed, or nothing is on. */
const NOTHING_TO_CHECK = 'nothing-to-check';

function dropOutAsJson(style: NumberStyle, compiled: CompiledRig, scene: CheckScene): object | null {
  const dropOut = dropOutOf(compiled, scene);
  if (!dropOut) return null;
  const { verdict, decider, tripsWhen, dark, mayStall } = dropOut;
  return {
    verdict,
    because: decider ? plainText(explainLimit(style, compiled.rig, decider)) : '',
    tripsWhen: tripsWhen ?? null,
    dark: dark.map(({ load }) => load.id),
    mayStall: mayStall ?? null,
  };
}

function powerBackAsJson(compiled: CompiledRig, scene: CheckScene): object | null {
  const back = powerBackOf(compiled, scene);
  if (!back) return null;
  const { verdict, waves, switchOffFirst } = back;
  return {
    verdict,
    waves: waves.map(({ afterS, loads }) => ({ afterS, loads: loads.map(({ id }) => id) })),
    switchOffFirst: switchOffFirst.map(({ id }) => id),
  };
}

function dimmingAsJson(result: CheckResult): object | null {
  const found = dimmingOf(result);
  if (!found) return null;
  const { loadId, partId, dip, parts, says, remedies } = found;
  return { load: loadId, part: partId, dip, parts, says, remedies };
}

function inputLimitAsJson(rig: Rig, result: CheckResult): object | null {
  const found = inputLimitOf(rig, result);
  if (!found) return null;
  const { setA = null, atMostA, atLeastA = null, because, aheadA } = found;
  return { setA, atMostA, atLeastA, because, aheadA };
}

function limitAsJson(style: NumberStyle, rig: Rig, limit: Limit): object {
  const { id, kind, unit, start, running, worst, capacity, headroom, loading, verdict, edge } = limit;
  return {
    id,
    kind,
    label: limitLabel(style, rig, limit),
    load: start?.loadId ?? null,
    part: start?.partId ?? null,
    restart: start?.again ?? false,
    running,
    worst,
    capacity: edgesAsJson(capacity),
    unit,
    seconds: start?.seconds ?? null,
    headroom: edgesAsJson(headroom),
    loading,
    verdict,
    edge,
    decidedBy: doubtsOf(limit).map(doubtAsJson),
    because: plainText(explainLimit(style, rig, limit)),
  };
}

const edgesAsJson = ({ pessimistic, stated, optimistic }: Limit['capacity']) => ({
  pessimistic: finite(pessimistic),
  stated: finite(stated),
  optimistic: finite(optimistic),
});

/** No limit at that edge. */
const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

const doubtAsJson = ({ loadId, partId, field, basis, value, width }: Doubt) => ({
  load: loadId,
  part: partId,
  field,
  basis,
  value,
  width,
});
