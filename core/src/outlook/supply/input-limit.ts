import { inputLimitAdvice, type InputLimitAdvice } from '../../supply/source-test.js';
import { CONTINUOUS_SHARE } from '../../reference/breaker-curves.js';
import { LOW_VOLTAGE } from '../../reference/voltage-quality.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Rig, Supply } from '../../rig-file/schema.js';
import { runningSetOf, type CheckResult } from '../../check/check.js';
import { runningSum } from '../../check/wiring/running-set.js';
import type {
  BreakerElement,
  GeneratorElement,
  InverterElement,
  SeriesElement,
} from '../../check/wiring/series-elements.js';

/** What to set as input limit, and what is set. */
export interface InputLimit extends InputLimitAdvice {
  /** As set now, A; undefined where none is. */
  readonly setA: number | undefined;
  /** What the loads ahead of the limit draw at most, A. */
  readonly aheadA: number;
  /** Whether no more than 80 % of a breaker is planned for hours. */
  readonly keepsContinuousRule: boolean;
}

type Post = BreakerElement | GeneratorElement;

/**
 * The input limit that a hookup bears for hours, and the least that keeps the inverter from carrying more
 * than its continuous rating, for the set that is on. Of several legs the one with the least room decides.
 *
 * @returns Undefined without a source or without an inverter/charger that passes it on.
 * Source: inputLimitAdvice; loads ahead at the pessimistic edge.
 */
export function inputLimitOf(rig: Rig, result: CheckResult): InputLimit | undefined {
  const { elements, supply } = result;
  const voltsOf = (post: Post): number =>
    'volts' in post ? post.volts : (rig.buses.find(({ id }) => id === post.source.bus)?.volts ?? 0);
  const relays = elements.filter((element) => element.kind === 'relay');
  const posts = elements.filter(
    (element): element is Post => element.kind === 'source-breaker' || element.kind === 'generator',
  );
  if (posts.length === 0 || relays.length === 0) return undefined;
  const relayA = Math.min(...relays.map(({ amps }) => amps));
  const cordA = Math.min(
    Infinity,
    ...elements.flatMap((element) =>
      element.kind === 'plug-and-cord' && element.id.startsWith(`${supply.id}:`) ? [element.amps] : [],
    ),
    ...elements.flatMap((element) => (element.kind === 'inlet-breaker' ? [element.protection.amps] : [])),
  );
  const needA = Math.max(0, ...assisting(elements).map((inverter) => neededAmps(result, inverter)));
  const advice = posts.map((post) => {
    const volts = voltsOf(post);
    const aheadA = aheadAmps(result, post, volts);
    const rating = ratingOf(post, volts);
    const source = {
      ...rating,
      aheadA,
      relayA,
      lowVoltageA: ampsAtLowVoltage(supply, volts),
    };
    return {
      ...inputLimitAdvice({ ...source, breakerA: Math.min(source.breakerA, cordA) }, needA),
      aheadA,
      keepsContinuousRule: rating.breakerShare !== 1,
      setA: supply.inputLimitA,
    };
  });
  return advice.reduce((least, each) => (each.atMostA < least.atMostA ? each : least));
}

interface Rating {
  readonly breakerA: number;
  readonly generatorA?: number;
  readonly breakerShare?: number;
}

function ratingOf(post: Post, volts: number): Rating {
  if (post.kind === 'generator')
    return { breakerA: Infinity, generatorA: post.rating.continuousVA.value / volts };
  if (post.kind !== 'source-breaker') return { breakerA: Infinity };
  // Whether the rule is kept was decided where the breaker was wired in.
  return { breakerA: post.protection.amps, breakerShare: post.hasContinuousRule ? CONTINUOUS_SHARE : 1 };
}

function aheadAmps(result: CheckResult, post: Post, volts: number): number {
  const isBehind = (id: string): boolean => post.behindLimits.some(({ behind }) => behind.has(id));
  const ahead = runningSetOf(result)
    .through(post.members)
    .filter(({ load }) => !isBehind(load.id));
  const others = result.supply.otherLoadsA ? intervalOf(result.supply.otherLoadsA, 'running').hi : 0;
  return runningSum(ahead).va.hi / volts + others;
}

const assisting = (elements: readonly SeriesElement[]): readonly InverterElement[] =>
  elements.filter((element): element is InverterElement => element.kind === 'inverter' && !!element.assists);

/** Amps behind the limit beyond what the inverter gives for hours. */
function neededAmps(result: CheckResult, inverter: InverterElement): number {
  const whole = runningSetOf(result).sum(inverter.members).va.hi;
  const volts = inverter.assists?.volts ?? Infinity;
  return Math.max(0, whole - inverter.rating.continuousVA.value) / volts;
}

/** Only where an arrival test gave volts and resistance. */
function ampsAtLowVoltage({ volts, sourceOhms }: Supply, nominalV: number): number | undefined {
  if (!volts || !sourceOhms || sourceOhms.value <= 0) return undefined;
  return Math.max(0, intervalOf(volts, 'running').lo - LOW_VOLTAGE * nominalV) / sourceOhms.value;
}
