import type { NumberStyle } from '../../units/number-style.js';
import { formatAmount } from '../../units/format.js';
import { isIec } from '../../reference/breaker-curves.js';
import { COMMON_PRACTICE } from '../../reference/provenance.js';
import { wireTablesOf } from '../../protection/wire-tables.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Bus, Circuit, Converter, Rig, Supply } from '../../rig-file/schema.js';
import { theElement } from '../../rig/names-in-sentences.js';
import { judged, type RigCheck } from './rig-check.js';

/** Whether breakers, plugs, cords, relay and input limit of the mains side fit each other. */
export function acChecks(style: NumberStyle, rig: Rig): readonly RigCheck[] {
  return [
    ...rig.circuits.flatMap((circuit) => circuitChecks(style, rig, circuit)),
    ...rig.supplies.flatMap((supply) => [
      ...chainCheck(supply),
      ...limitCheck(style, supply),
      ...neutralCheck(rig, supply),
    ]),
    ...rig.converters.flatMap((converter) =>
      rig.supplies.flatMap((supply) => [
        ...relayCheck(style, rig, converter, supply),
        ...outputCheck(style, rig, converter, supply),
      ]),
    ),
    ...bondCheck(rig),
  ];
}

function circuitChecks(style: NumberStyle, rig: Rig, circuit: Circuit): readonly RigCheck[] {
  const { cable, protection, receptacleA } = circuit;
  const about = { list: 'circuits', entryId: circuit.id } as const;
  const tables = wireTablesOf(rig);
  const most = cable && (tables.largestBreakerOn(cable) ?? tables.ampacity(cable));
  return [
    ...(most === undefined
      ? []
      : [
          fitting(about, `${circuit.id}:cable`, `Breaker on the cable of ${theElement(circuit.name)}`, {
            demand: protection.amps,
            carries: most,
            sentence: `A ${protection.amps} A breaker; the cable carries ${formatAmount(style, most, 'A')}.`,
            source: 'NEC 240.4(D) and 310.16, or IEC 60364-5-52 for metric sizes; from memory',
            fix: 'A smaller breaker, or a thicker cable all the way.',
          }),
        ]),
    ...(receptacleA === undefined
      ? []
      : [
          fitting(about, `${circuit.id}:receptacle`, `Receptacle of ${theElement(circuit.name)}`, {
            demand: protection.amps,
            carries: receptacleA,
            sentence: `A ${receptacleA} A receptacle on a ${protection.amps} A breaker.`,
            source: 'NEC 210.21(B)(3) takes 15 A receptacles on a 20 A circuit with several; from memory',
            fix: 'Keep what you plug in there below the receptacle’s own amps.',
            atBest: receptacleA < 20 ? 20 : receptacleA,
          }),
        ]),
  ];
}

interface Fit {
  readonly demand: number;
  readonly carries: number;
  readonly atBest?: number;
  readonly sentence: string;
  readonly source: string;
  readonly fix: string;
}

function fitting(
  about: Pick<RigCheck, 'list' | 'entryId'>,
  id: string,
  title: string,
  { demand, carries, atBest = carries, sentence, source, fix }: Fit,
): RigCheck {
  const verdict = judged(demand, carries, atBest);
  return { ...about, id, title, verdict, sentence, source, ...(verdict !== 'holds' && { fix }) };
}

/** The smallest plug of the chain against the breaker at the post. */
function chainCheck(supply: Supply): readonly RigCheck[] {
  const plugs = (supply.cords ?? []).flatMap(({ plugA, name }) =>
    plugA === undefined ? [] : [{ plugA, name: name ?? 'the cord' }],
  );
  const [smallest] = [...plugs].sort((a, b) => a.plugA - b.plugA);
  if (!smallest || !supply.breaker) return [];
  const { amps } = supply.breaker;
  return [
    fitting(
      { list: 'supplies', entryId: supply.id },
      `${supply.id}:chain`,
      `Plug and cord on ${supply.name}`,
      {
        demand: amps,
        carries: smallest.plugA,
        sentence: `The smallest plug, of ${smallest.name}, is for ${smallest.plugA} A; the breaker behind it is ${amps} A.`,
        source: COMMON_PRACTICE,
        fix: `Nothing opens before this plug overheats: set an input limit of ${smallest.plugA} A or less by hand.`,
      },
    ),
  ];
}

function limitCheck(style: NumberStyle, supply: Supply): readonly RigCheck[] {
  const { breaker, inputLimitA, otherLoadsA, cords = [] } = supply;
  const least = Math.min(breaker?.amps ?? Infinity, ...cords.flatMap(({ plugA }) => plugA ?? []));
  if (inputLimitA === undefined || !Number.isFinite(least)) return [];
  const others = otherLoadsA ? intervalOf(otherLoadsA, 'running') : { lo: 0, stated: 0, hi: 0 };
  const left = { surely: least - others.hi, atBest: least - others.lo };
  const verdict = judged(inputLimitA, left.surely, left.atBest);
  const beside = otherLoadsA ? `, of which ${formatAmount(style, others.stated, 'A')} go elsewhere` : '';
  return [
    {
      id: `${supply.id}:limit`,
      list: 'supplies',
      entryId: supply.id,
      verdict,
      title: `Input limit on ${supply.name}`,
      sentence: `${formatAmount(style, inputLimitA, 'A')} are asked at most; the chain bears ${formatAmount(style, least, 'A')}${beside}.`,
      source: COMMON_PRACTICE,
      ...(verdict !== 'holds' && {
        fix: `Set ${formatAmount(style, Math.max(0, Math.floor(left.surely)), 'A')} or less on the inverter’s own panel.`,
      }),
    },
  ];
}

/** Whether a converter passes this supply on. */
function passes(rig: Rig, converter: Converter, supply: Supply): boolean {
  return rig.sources.some(
    (source) => source.bus === converter.passThroughFrom && supply.sources.includes(source.id),
  );
}

/** What the source side gives at most, A. */
function sourceAmps(rig: Rig, supply: Supply): number {
  const own = rig.sources
    .filter((source) => supply.sources.includes(source.id))
    .map((source) => source.breaker?.amps ?? Infinity);
  return Math.min(supply.inputLimitA ?? Infinity, supply.breaker?.amps ?? Infinity, ...own);
}

function relayCheck(style: NumberStyle, rig: Rig, converter: Converter, supply: Supply): readonly RigCheck[] {
  const { passThroughA } = converter;
  const amps = sourceAmps(rig, supply);
  if (passThroughA === undefined || !Number.isFinite(amps) || !passes(rig, converter, supply)) return [];
  return [
    fitting(
      { list: 'converters', entryId: converter.id },
      `${converter.id}:${supply.id}:relay`,
      `Transfer relay on ${supply.name}`,
      {
        demand: amps,
        carries: passThroughA,
        sentence: `Up to ${formatAmount(style, amps, 'A')} pass; the relay of ${theElement(converter.name)} carries ${passThroughA} A.`,
        source: 'its data sheet, as entered',
        fix: 'Set a lower input limit on this supply.',
      },
    ),
  ];
}

/** With assist the output can carry the source's amps and the inverter's own together. */
function outputCheck(
  style: NumberStyle,
  rig: Rig,
  converter: Converter,
  supply: Supply,
): readonly RigCheck[] {
  const { outputBreaker, continuousVA, to } = converter;
  const bus = rig.buses.find(({ id }) => id === to);
  const volts = bus?.volts ?? 0;
  const fromSource = sourceAmps(rig, supply);
  const assists = supply.assist === 'on' && converter.canAssist === 'yes' && passes(rig, converter, supply);
  if (!outputBreaker || !assists || volts === 0 || !Number.isFinite(fromSource)) return [];
  const own = (continuousVA.value * (converter.unitsInParallel ?? 1)) / (volts * legsOf(converter, bus));
  const atBest = isIec(outputBreaker.curve) ? IEC_HOLDS : UL_HOLDS;
  return [
    fitting(
      { list: 'converters', entryId: converter.id },
      `${converter.id}:${supply.id}:output`,
      `Output breaker with assist on ${supply.name}`,
      {
        demand: own + fromSource,
        carries: outputBreaker.amps,
        atBest: outputBreaker.amps * atBest,
        sentence: `${formatAmount(style, fromSource, 'A')} from the source and ${formatAmount(style, own, 'A')} from the inverter are ${formatAmount(style, own + fromSource, 'A')} together; the breaker is ${outputBreaker.amps} A.`,
        source:
          'UL 489: holds 100 %, opens within the hour at 135 %; IEC 60898-1: 113 and 145 %; from memory',
        fix: 'The breaker limits what both give together: plan with its amps.',
      },
    ),
  ];
}

/** An inverter on two legs gives half of its rating on each; its breaker has a pole for each. */
function legsOf({ pole }: Converter, bus: Bus | undefined): number {
  return pole === 'both' && bus?.poles !== undefined && bus.poles !== 'single' ? 2 : 1;
}

/** Multiples of its rating at which a breaker may hold for an hour and no longer. */
const UL_HOLDS = 1.35;
const IEC_HOLDS = 1.45;

/** One pole on both legs adds up in a shared neutral. */
function neutralCheck(rig: Rig, supply: Supply): readonly RigCheck[] {
  const shared = rig.buses.filter(
    (bus) => bus.kind === 'ac' && bus.poles !== undefined && bus.poles !== 'single',
  );
  const isInPhase = supply.legs === 'in-phase' || shared.some(({ poles }) => poles === 'two-poles-in-phase');
  const [bus] = shared;
  if (!bus || !isInPhase || bus.sharedNeutral === 'no') return [];
  const isKnown = bus.sharedNeutral === 'yes';
  return [
    {
      id: `${supply.id}:neutral`,
      list: 'buses',
      entryId: bus.id,
      verdict: isKnown ? 'tight' : 'unknown',
      title: `Neutral on ${supply.name}`,
      sentence: isKnown
        ? 'Both legs are on one pole, so their currents add in the shared neutral, and no breaker watches it.'
        : 'Both legs are on one pole. Whether branches share a neutral is not entered.',
      source: 'NEC 300.13(B) and 551.42 for the wording; physics; from memory',
      fix: isKnown
        ? 'Keep the sum of both legs within one conductor, or have the branches rewired.'
        : 'Have a licensed person look, and enter it on the bus.',
    },
  ];
}

/** Where neutral meets ground, when inverter and generator or shore take turns. */
function bondCheck(rig: Rig): readonly RigCheck[] {
  const [converter] = rig.converters;
  if (!converter || rig.sources.length === 0) return [];
  return [
    {
      id: `${converter.id}:bond`,
      list: 'converters',
      entryId: converter.id,
      verdict: 'unknown',
      title: 'Neutral and ground',
      sentence:
        'On battery they must meet in one place, on shore at the post only. No number here can tell whether they do.',
      source: 'NEC 250.30 and 551.54 for the principle; from memory',
      fix: 'Have a licensed person test it on each source.',
    },
  ];
}
