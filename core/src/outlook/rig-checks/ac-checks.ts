import type { NumberStyle } from '../../units/number-style.js';
import { isIec } from '../../reference/breaker-curves.js';
import { wireTablesOf } from '../../protection/wire-tables.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Bus, Circuit, Converter, Rig, Supply } from '../../rig-file/schema.js';
import {
  cableOfCircuit,
  inputLimitOf,
  NEUTRAL_AND_GROUND,
  outputBreakerWithAssist,
  receptacleOfCircuit,
  sharedNeutral,
  smallestPlug,
  transferRelay,
} from './ac-check-words.js';
import { inWords, judged, type CheckWords, type RigCheck } from './rig-check.js';

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
          fitting(
            about,
            `${circuit.id}:cable`,
            { demand: protection.amps, carries: most },
            cableOfCircuit(style, circuit.name, protection.amps, most),
          ),
        ]),
    ...(receptacleA === undefined
      ? []
      : [
          fitting(
            about,
            `${circuit.id}:receptacle`,
            {
              demand: protection.amps,
              carries: receptacleA,
              atBest: receptacleA < 20 ? 20 : receptacleA,
            },
            receptacleOfCircuit(circuit.name, protection.amps, receptacleA),
          ),
        ]),
  ];
}

interface Fit {
  readonly demand: number;
  readonly carries: number;
  readonly atBest?: number;
}

function fitting(
  about: Pick<RigCheck, 'list' | 'entryId'>,
  id: string,
  { demand, carries, atBest = carries }: Fit,
  words: CheckWords,
): RigCheck {
  return inWords({ ...about, id, verdict: judged(demand, carries, atBest) }, words);
}

/** The smallest plug of the chain against the breaker at the post. */
function chainCheck(supply: Supply): readonly RigCheck[] {
  const plugs = (supply.cords ?? []).flatMap(({ plugA, name }) =>
    plugA === undefined ? [] : [{ plugA, name }],
  );
  const [smallest] = [...plugs].sort((a, b) => a.plugA - b.plugA);
  if (!smallest || !supply.breaker) return [];
  const { amps } = supply.breaker;
  return [
    fitting(
      { list: 'supplies', entryId: supply.id },
      `${supply.id}:chain`,
      { demand: amps, carries: smallest.plugA },
      smallestPlug(supply.name, amps, smallest.plugA, smallest.name),
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
  return [
    inWords(
      { id: `${supply.id}:limit`, list: 'supplies', entryId: supply.id, verdict },
      inputLimitOf(style, supply.name, inputLimitA, least, left.surely, otherLoadsA && others.stated),
    ),
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
      { demand: amps, carries: passThroughA },
      transferRelay(style, supply.name, converter.name, amps, passThroughA),
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
      { demand: own + fromSource, carries: outputBreaker.amps, atBest: outputBreaker.amps * atBest },
      outputBreakerWithAssist(style, supply.name, fromSource, own, outputBreaker.amps),
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
    inWords(
      {
        id: `${supply.id}:neutral`,
        list: 'buses',
        entryId: bus.id,
        verdict: isKnown ? 'tight' : 'unknown',
      },
      sharedNeutral(supply.name, isKnown),
    ),
  ];
}

/** Where neutral meets ground, when inverter and generator or shore take turns. */
function bondCheck(rig: Rig): readonly RigCheck[] {
  const [converter] = rig.converters;
  if (!converter || rig.sources.length === 0) return [];
  return [
    inWords(
      { id: `${converter.id}:bond`, list: 'converters', entryId: converter.id, verdict: 'unknown' },
      NEUTRAL_AND_GROUND,
    ),
  ];
}
