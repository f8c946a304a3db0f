import { ValidationError, type Schema } from 'yup';
import type { HalfWidths } from '../units/quantity.js';
import { WIDEST_MINUS } from '../reference/default-doubts.js';
import { fieldName } from './field-names.js';
import { found, type RigProblem } from './problems.js';
import { checkCompleteness } from './completeness.js';
import { checkReferences } from './references.js';
import { rigSchema, type Rig } from './schema.js';

export type Validation<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly problems: readonly RigProblem[];
      /** The same with each problem mended, where that takes no judgement. */
      readonly mended?: T;
    };

/**
 * Says whether a document is a rig that the core can compute with, or everything that is wrong with
 * it. Unknown fields are kept and never a problem.
 *
 * @param document Any value, typically parsed JSON.
 * @param sound A rig that is known to be one: lists that the document shares with it are not gone through
 *   again, so that a small change costs little.
 */
export function validateRig(document: unknown, sound?: Rig): Validation<Rig> {
  const shape = problemsOfShape(document, sound);
  if (shape.length > 0) return { ok: false, problems: shape };
  const rig = document as Rig;
  const problems = [...checkReferences(rig), ...checkCompleteness(rig), ...problemsOfDoubt(rig, '', rig)];
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: rig };
}

function problemsOfShape(document: unknown, sound: Rig | undefined): readonly RigProblem[] {
  try {
    schemaOfChange(document, sound).validateSync(document, {
      abortEarly: false,
      strict: true,
      disableStackTrace: true,
    });
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const faults = error.inner.length > 0 ? error.inner : [error];
    return faults.map((fault) => problemOf(fault, document));
  }
}

/** The part of the field table that what has changed must obey. */
function schemaOfChange(document: unknown, sound: Rig | undefined): Schema {
  if (!sound || typeof document !== 'object' || document === null) return rigSchema;
  const changed = keysOf(rigSchema.fields).filter((key) => (document as Partial<Rig>)[key] !== sound[key]);
  return rigSchema.pick(changed);
}

const keysOf = <T extends object>(value: T): readonly (keyof T)[] => Object.keys(value) as (keyof T)[];

function problemOf(fault: ValidationError, document: unknown): RigProblem {
  const path = fault.path ?? '';
  const value: unknown = fault.params?.['originalValue'] ?? fault.value;
  return { path, field: fieldName(path, document), message: `${fault.message}${found(value)}` };
}

/** Rule 3 of methods.md: an entered half-width downwards may not exceed 86 % of its value. */
function problemsOfDoubt(value: unknown, path: string, rig: Rig): readonly RigProblem[] {
  if (typeof value !== 'object' || value === null) return [];
  const here = isTooDoubtful(value)
    ? [
        {
          path: `${path}.minus`,
          field: fieldName(path, rig),
          message: `its doubt downwards must be at most ${WIDEST_MINUS * 100} % of its value, else it says nothing; measure it, or lower the doubt`,
        },
      ]
    : [];
  const isList = Array.isArray(value);
  const within = Object.entries(value).flatMap(([key, child]) =>
    problemsOfDoubt(child, isList ? `${path}[${key}]` : path ? `${path}.${key}` : key, rig),
  );
  return [...here, ...within];
}

function isTooDoubtful(value: object): boolean {
  const { value: stated, minus } = value as Partial<HalfWidths & { value: number }>;
  return typeof stated === 'number' && typeof minus === 'number' && minus > WIDEST_MINUS * stated;
}
