import type { Basis, Quantity } from '../../units/quantity.js';
import { partNumber } from '../../loads/part-numbers.js';
import type { PartNumber } from '../../rig/edits.js';
import type { Rig } from '../../rig-file/schema.js';
import { check } from '../../check/check.js';
import { mayMeasure } from './may-measure.js';
import { noProgress, type Progress } from '../../units/progress.js';
import { outlooksOf, type Outlook } from '../outlook.js';
import { settlementOf, type Settlement } from './settle.js';
import type { CheckScene } from '../../check/situation.js';
import type { Verdict } from '../../check/verdict.js';
import { compile, type CompiledRig } from '../../check/wiring/compile.js';
import { supplyOf } from '../../rig/lookup.js';
import { withNumber } from './with-number.js';

/** How well the numbers of a rig are known. */
export interface DoubtCount {
  /** Numbers that state how they are known. */
  readonly numbers: number;
  /** Those that are typical of their kind or guessed. */
  readonly doubtful: number;
}

const DOUBTFUL: readonly Basis[] = ['typical', 'guess', 'table'];

/** Numbers entered anywhere in a rig, and how many of them are doubtful; scenes apart. */
export function countDoubts(rig: Rig): DoubtCount {
  const { scenes: _scenes, ...system } = rig;
  const found = quantitiesIn(system);
  return { numbers: found.length, doubtful: found.filter(({ basis }) => DOUBTFUL.includes(basis)).length };
}

function quantitiesIn(value: unknown): readonly Quantity[] {
  if (typeof value !== 'object' || value === null) return [];
  const { value: stated, basis } = value as Partial<Quantity>;
  if (typeof stated === 'number' && typeof basis === 'string') return [value as Quantity];
  return Object.values(value).flatMap(quantitiesIn);
}

/** A number or a fact whose doubt is in the way of verdicts. */
export type WorthLookingUp = DoubtfulNumber | DoubtfulFact;

interface InTheWay {
  /** Verdicts that are Tight now: of the set, and of loads on top of it. */
  readonly tight: number;
  /** Verdicts that are Tight now and would no longer be, were it known; of a fact at most. */
  readonly settles: number;
}

export interface DoubtfulNumber extends InTheWay {
  readonly by: 'number';
  readonly loadId: string;
  readonly partId: string;
  readonly field: PartNumber;
  readonly quantity: Quantity;
  /** At this value or less so many more verdicts hold; undefined where no value makes one hold. */
  readonly threshold:
    | { readonly value: number; readonly holds: number; readonly isOfSet: boolean }
    | undefined;
}

/** Who carries a start on a hookup with assist: three starts tell. */
interface DoubtfulFact extends InTheWay {
  readonly by: 'who-carries';
  readonly supplyId: string;
}

type Candidate = Pick<DoubtfulNumber, 'loadId' | 'partId' | 'field' | 'quantity'>;

/**
 * The numbers and facts worth looking up, the one that settles most first: with its doubt taken away, the set that is on
 * and the outlooks of all other loads lose the most Tight verdicts. Where none settles anything, the widest of the
 * doubtful numbers.
 *
 * @param progress Told after each number.
 * @returns At most five; none where nothing is doubtful. Source: our own; the doubts by methods.md, rules 1 to 4.
 */
export function worthLookingUp(
  compiled: CompiledRig,
  scene: CheckScene,
  progress: Progress = noProgress,
): readonly WorthLookingUp[] {
  const now = countVerdicts(compiled, scene);
  const settlement = settlementOf(compiled, scene, check(compiled, scene));
  const candidates = candidatesOf(compiled.rig);
  const counted = candidates.map((candidate, index) => {
    progress(index, candidates.length);
    const certain: Quantity = { value: candidate.quantity.value, basis: 'setting' };
    const isFree = now.tight === 0;
    const { tight } = isFree ? now : countVerdicts(withNumber(compiled, candidate, certain), scene);
    return { ...candidate, settles: now.tight - tight, ofSet: thresholdOfSet(settlement, candidate) };
  });
  const ranked = counted.sort(
    (a, b) =>
      Number(b.ofSet !== undefined) - Number(a.ofSet !== undefined) ||
      b.settles - a.settles ||
      widthOf(b) - widthOf(a),
  );
  const facts = factsOf(compiled, scene, now);
  const settling = ranked.filter(({ ofSet, settles }) => ofSet !== undefined || settles > 0);
  const best = settling.length > 0 || facts.length > 0 ? settling.slice(0, MOST_TOLD) : ranked.slice(0, 1);
  const numbers = best.map(({ ofSet, ...number }): DoubtfulNumber => {
    const threshold =
      ofSet === undefined
        ? thresholdOf(compiled, scene, number, now)
        : { value: ofSet, holds: 1, isOfSet: true };
    return { ...number, by: 'number', tight: now.tight, threshold };
  });
  return [...numbers, ...facts]
    .sort((a, b) => Number(isOfSet(b)) - Number(isOfSet(a)) || b.settles - a.settles)
    .slice(0, MOST_TOLD);
}

const isOfSet = (worth: WorthLookingUp): boolean =>
  worth.by === 'number' && worth.threshold?.isOfSet === true;

/** At this value or less the set that is on holds; undefined where that is not at stake. */
function thresholdOfSet(
  settlement: Settlement | undefined,
  { loadId, partId, field }: Candidate,
): number | undefined {
  const decides =
    settlement?.by === 'measuring' &&
    settlement.loadId === loadId &&
    settlement.partId === partId &&
    settlement.field === field;
  return decides ? settlement.threshold : undefined;
}

const BISECTIONS = 5;

/** The largest value, measured, with which as many verdicts hold as with the least that it may be. */
function thresholdOf(
  compiled: CompiledRig,
  scene: CheckScene,
  number: Candidate,
  now: VerdictCount,
): DoubtfulNumber['threshold'] {
  if (now.tight === 0) return undefined;
  const band = mayMeasure(compiled.rig, number);
  if (!band) return undefined;
  const { lo, hi } = band;
  const holdAt = (value: number): number =>
    countVerdicts(withNumber(compiled, number, { value, basis: 'measured' }), scene).holds;
  const most = holdAt(lo);
  if (most <= now.holds) return undefined;
  let [holds, fails] = [lo, hi];
  for (let step = 0; step < BISECTIONS; step += 1) {
    const middle = (holds + fails) / 2;
    if (holdAt(middle) >= most) holds = middle;
    else fails = middle;
  }
  return { value: holds, holds: most - now.holds, isOfSet: false };
}

/** The most that is settled, by who it turns out to be. */
function factsOf(compiled: CompiledRig, scene: CheckScene, now: VerdictCount): readonly DoubtfulFact[] {
  const { rig } = compiled;
  const { assist, sources, whoCarriesStart = 'unknown' } = supplyOf(rig, scene.supply);
  if (assist !== 'on' || sources.length === 0 || whoCarriesStart !== 'unknown') return [];
  const known = (['inverter', 'shared'] as const).map((carrier) => {
    const supplies = rig.supplies.map((supply) =>
      supply.id === scene.supply ? { ...supply, whoCarriesStart: carrier } : supply,
    );
    return countVerdicts(compile({ ...rig, supplies }), scene).tight;
  });
  const settles = now.tight - Math.min(...known);
  return settles > 0 ? [{ by: 'who-carries', supplyId: scene.supply, tight: now.tight, settles }] : [];
}

/** More numbers than this are no advice. */
const MOST_TOLD = 5;

const widthOf = ({ quantity }: Candidate): number => (quantity.plus ?? 0) + (quantity.minus ?? 0);

function candidatesOf(rig: Rig): readonly Candidate[] {
  const fields: readonly PartNumber[] = ['running', 'start'];
  return rig.loads.flatMap((load) =>
    load.parts.flatMap((part) =>
      fields.flatMap((field) => {
        const quantity = partNumber(rig, load, part, field);
        const isDoubtful = quantity && (DOUBTFUL.includes(quantity.basis) || quantity.basis === 'nameplate');
        return isDoubtful ? [{ loadId: load.id, partId: part.id, field, quantity }] : [];
      }),
    ),
  );
}

interface VerdictCount {
  readonly tight: number;
  readonly holds: number;
}

/** Of the set, and of each load that is off on top of it. */
function countVerdicts(compiled: CompiledRig, scene: CheckScene): VerdictCount {
  const outlooks = [...outlooksOf(compiled, scene).values()];
  const { verdict } = check(compiled, scene);
  const isOpen = (each: Verdict): boolean => each === 'tight' || each === 'likely-trips';
  const isTight = (outlook: Outlook): boolean =>
    outlook.answer === 'tight' ||
    outlook.answer === 'likely-trips' ||
    (outlook.answer === 'worse' && isOpen(outlook.limit.verdict));
  const isFine = ({ answer }: Outlook): boolean => answer === 'can-start' || answer === 'beside';
  return {
    tight: outlooks.filter(isTight).length + Number(isOpen(verdict)),
    holds: outlooks.filter(isFine).length + Number(verdict === 'holds'),
  };
}
