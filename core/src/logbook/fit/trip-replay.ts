import { withNumber } from '../../outlook/settling/with-number.js';
import { partNumber } from '../../loads/part-numbers.js';
import { sceneOf, type Trip } from '../../now/live-state.js';
import { tripCauses, type TripCause } from '../../now/trip/trip-causes.js';
import { loadOf } from '../../rig/lookup.js';
import type { PartNumber } from '../../rig/edits.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import type { Limit } from '../../check/limits/limit.js';
import { momentsOf, situationOf, steadyLimitsOf, type CheckScene } from '../../check/situation.js';

/** A number that would have to be larger for a device to open as it did. */
export interface WrongNumber {
  readonly loadId: string;
  readonly partId: string;
  readonly field: Exclude<PartNumber, 'seconds'>;
  readonly value: number;
  /** From this value on the limit is exceeded as entered. */
  readonly needed: number;
}

/** A device that fits what was seen, and whether the sums explain it. */
export interface TripReplayed {
  readonly cause: TripCause;
  /** Explained as entered, only with the doubts against it, or by no sum. */
  readonly explained: 'as-entered' | 'by-doubt' | 'not';
  /** What would have to be wrong otherwise: the smallest change first. Empty where it is explained as entered. */
  readonly wrong: readonly WrongNumber[];
}

/** Only so many of the causes are worth a line. */
const MOST_CAUSES = 3;
const MOST_NUMBERS = 3;
/** A number that would have to be more than four times as large is not what was wrong. */
const LARGEST_FACTOR = 4;
const HALVINGS = 12;

/**
 * A trip replayed against the check: which devices fit what was seen, and which number of a load would have to be wrong, and by
 * how much, where the sums do not explain it.
 *
 * @param compiled The rig as it is now: what it no longer has is left out.
 */
export function replayTrip(compiled: CompiledRig, trip: Trip): readonly TripReplayed[] {
  const charge = trip.percent === undefined ? undefined : { percent: trip.percent, atS: trip.atS };
  const { rig } = compiled;
  const isThere = (load: string): boolean => rig.loads.some(({ id }) => id === load);
  if (!rig.supplies.some(({ id }) => id === trip.supply)) return [];
  const on = trip.on.filter(({ load }) => isThere(load));
  const scene = sceneOf({ supply: trip.supply, on, charge });
  return tripCauses(compiled, scene, trip.started, trip.observation)
    .causes.slice(0, MOST_CAUSES)
    .map((cause): TripReplayed => {
      const { limit } = cause;
      if (!limit) return { cause, explained: 'not', wrong: [] };
      if (limit.headroom.stated < 0) return { cause, explained: 'as-entered', wrong: [] };
      return {
        cause,
        explained: limit.headroom.pessimistic < 0 ? 'by-doubt' : 'not',
        wrong: wrongNumbers(compiled, scene, trip.started, limit),
      };
    });
}

function wrongNumbers(
  compiled: CompiledRig,
  scene: CheckScene,
  started: string | undefined,
  limit: Limit,
): readonly WrongNumber[] {
  const { rig } = compiled;
  const candidates = scene.on.flatMap(({ load: loadId }) => {
    const load = loadOf(rig, loadId);
    const fields = loadId === started ? (['start', 'running'] as const) : (['running'] as const);
    return load.parts.flatMap((part) =>
      fields.flatMap((field) => {
        const quantity = partNumber(rig, load, part, field);
        return quantity && quantity.value > 0
          ? [{ loadId, partId: part.id, field, value: quantity.value }]
          : [];
      }),
    );
  });
  return candidates
    .flatMap((candidate): readonly WrongNumber[] => {
      const needed = valueThatTrips(compiled, scene, started, limit.id, candidate);
      return needed === undefined ? [] : [{ ...candidate, needed }];
    })
    .sort((a, b) => a.needed / a.value - b.needed / b.value)
    .slice(0, MOST_NUMBERS);
}

/** The least value with which a limit is over as entered, by halving: more of a number never helps a limit. */
function valueThatTrips(
  compiled: CompiledRig,
  scene: CheckScene,
  started: string | undefined,
  limitId: string,
  at: Omit<WrongNumber, 'needed'>,
): number | undefined {
  const isOver = (factor: number): boolean => {
    const changed = withNumber(compiled, at, { value: at.value * factor, basis: 'measured' });
    const found = limitsWith(changed, scene, started).find(({ id }) => id === limitId);
    return found !== undefined && found.headroom.stated < 0;
  };
  if (!isOver(LARGEST_FACTOR)) return undefined;
  let [low, high] = [1, LARGEST_FACTOR];
  for (let step = 0; step < HALVINGS; step += 1) {
    const middle = (low + high) / 2;
    if (isOver(middle)) high = middle;
    else low = middle;
  }
  return at.value * high;
}

function limitsWith(compiled: CompiledRig, scene: CheckScene, started: string | undefined): readonly Limit[] {
  const situation = situationOf(compiled.on(scene.supply), scene);
  const { consumers, test } = situation;
  const starting = consumers.find(({ load }) => load.id === started);
  return [
    ...steadyLimitsOf(situation, consumers),
    ...(starting ? test(consumers, starting) : []),
    ...momentsOf(situation, consumers),
  ];
}
