import type { Basis, Quantity } from '../quantity/quantity.js';
import { partNumber } from '../electrical/part-numbers.js';
import type { PartNumber } from '../rig/edits.js';
import type { Rig } from '../rig/schema.js';
import { check } from '../verdict/check.js';
import { noProgress, type Progress } from './progress.js';
import { outlooksOf } from './outlook.js';
import { settlementOf } from './settle.js';
import type { CheckScene } from '../verdict/situation.js';
import type { CompiledRig } from '../system/compile.js';
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

/** The number whose doubt is in the way of the most verdicts. */
export interface WorthLookingUp {
  readonly loadId: string;
  readonly partId: string;
  readonly field: PartNumber;
  readonly quantity: Quantity;
  /** Verdicts that are Tight now: of the set, and of loads on top of it. */
  readonly tight: number;
  /** Verdicts that are Tight now and would no longer be, were it known. */
  readonly settles: number;
  /** At this value or less the set that is on holds; undefined where that is not at stake. */
  readonly threshold: number | undefined;
}

type Candidate = Pick<WorthLookingUp, 'loadId' | 'partId' | 'field' | 'quantity'>;

/**
 * The numbers worth looking up, the one that settles most first: with its doubt taken away, the set that is on and the
 * outlooks of all other loads lose the most Tight verdicts. Where none settles anything, the widest of the doubtful numbers.
 *
 * @param progress Told after each number.
 * @returns At most five; none where nothing is doubtful. Source: our own; the doubts by methods.md, rules 1 to 4.
 */
export function worthLookingUp(
  compiled: CompiledRig,
  scene: CheckScene,
  progress: Progress = noProgress,
): readonly WorthLookingUp[] {
  const tight = tightCount(compiled, scene);
  const settlement = settlementOf(compiled, scene, check(compiled, scene));
  const counted: WorthLookingUp[] = [];
  const candidates = candidatesOf(compiled.rig);
  for (const candidate of candidates) {
    const { loadId, partId, field, quantity } = candidate;
    const certain: Quantity = { value: quantity.value, basis: 'setting' };
    const left = tight === 0 ? 0 : tightCount(withNumber(compiled, candidate, certain), scene);
    const decides =
      settlement?.by === 'measuring' &&
      settlement.loadId === loadId &&
      settlement.partId === partId &&
      settlement.field === field;
    const threshold = decides ? settlement.threshold : undefined;
    counted.push({ loadId, partId, field, quantity, tight, settles: tight - left, threshold });
    progress(counted.length, candidates.length);
  }
  const ranked = counted.sort(
    (a, b) =>
      Number(b.threshold !== undefined) - Number(a.threshold !== undefined) ||
      b.settles - a.settles ||
      widthOf(b) - widthOf(a),
  );
  const settling = ranked.filter(({ threshold, settles }) => threshold !== undefined || settles > 0);
  return settling.length > 0 ? settling.slice(0, MOST_TOLD) : ranked.slice(0, 1);
}

/** More numbers than this are no advice. */
const MOST_TOLD = 5;

const widthOf = ({ quantity }: Pick<WorthLookingUp, 'quantity'>): number =>
  (quantity.plus ?? 0) + (quantity.minus ?? 0);

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

function tightCount(compiled: CompiledRig, scene: CheckScene): number {
  const outlooks = [...outlooksOf(compiled, scene).values()];
  const tight = outlooks.filter(
    (outlook) =>
      outlook.answer === 'tight' || (outlook.answer === 'worse' && outlook.limit.verdict === 'tight'),
  ).length;
  return tight + (check(compiled, scene).verdict === 'tight' ? 1 : 0);
}
