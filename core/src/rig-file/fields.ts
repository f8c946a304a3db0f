import { array, mixed, number, object, string, type ISchema, type ObjectShape } from 'yup';
import { BASES, type Basis } from '../units/quantity.js';
import type { QuantityRole } from './half-widths.js';

/**
 * The building blocks of the field table (schema.ts). A field's label, unit and role are
 * written there once; validation, messages, forms and documentation read them. What a field means to a
 * person stands beside it, in field-help.ts.
 */
export interface FieldMeta {
  readonly label: string;
  readonly unit?: string;
  readonly role?: QuantityRole;
  /** The list in the same file that an id must be found in. */
  readonly refersTo?: RigList;
  /** The list of the same load or day that an id must be found in. */
  readonly refersWithin?: OwnList;
  /** What its text stands for, where it is picked rather than typed. */
  readonly picked?: 'time' | 'date';
  /** The one value that is accepted. */
  readonly constant?: string | number;
}

export type RigList = 'buses' | 'sources' | 'circuits' | 'loads' | 'supplies';

export type OwnList = 'parts' | 'states' | 'jobs';

const ID_PATTERN = /^[a-z0-9][a-z0-9-]{0,63}$/;
const TIME_PATTERN = /^([01]\d|2[0-3]):[0-5]\d$/;
const DATE_PATTERN = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;
const LONGEST_TEXT = 2000;
const MOST_ITEMS = 500;

const isFiniteNumber = (value: unknown): value is number =>
  typeof value === 'number' && Number.isFinite(value);

export function idField(label: string) {
  return string()
    .strict()
    .meta({ label })
    .typeError('must be text')
    .matches(ID_PATTERN, {
      message: 'must be an id of small letters, digits and dashes, such as "dust-extractor"',
      excludeEmptyString: true,
    })
    .required('is missing; give it an id such as "dust-extractor"');
}

export function referenceField(label: string, refersTo: RigList) {
  return idField(label).meta({ label, refersTo });
}

/** An id among the parts or the states of the same load, or the jobs of the same day. */
export function ownReferenceField(label: string, refersWithin: OwnList) {
  return idField(label).meta({ label, refersWithin });
}

/** A time of the day. */
export function timeField(label: string) {
  const wanted = 'must be a time of the day, such as 22:00';
  return string()
    .strict()
    .meta({ label, picked: 'time' })
    .typeError(wanted)
    .matches(TIME_PATTERN, { message: wanted, excludeEmptyString: true })
    .required(`is missing; it ${wanted}`);
}

/** A day of the calendar. */
export function dateField(label: string) {
  const wanted = 'must be a date, such as 2026-06-21';
  return string()
    .strict()
    .meta({ label, picked: 'date' })
    .typeError(wanted)
    .matches(DATE_PATTERN, { message: wanted, excludeEmptyString: true })
    .required(`is missing; it ${wanted}`);
}

export function textField(label: string) {
  return string()
    .strict()
    .meta({ label })
    .typeError('must be text')
    .nonNullable('must be text; leave it out where there is none')
    .max(LONGEST_TEXT, `must be at most ${LONGEST_TEXT} characters; shorten it`);
}

export function nameField(label: string) {
  return textField(label)
    .trim('must not begin or end with a space; take the space away')
    .required('is missing; give it a name');
}

export function choiceField<const T extends string>(label: string, options: readonly T[]) {
  const oneOf = `must be one of ${options.join(', ')}`;
  return string<T>()
    .strict()
    .meta({ label })
    .typeError(oneOf)
    .oneOf(options, oneOf)
    .required(`is missing; it ${oneOf}`);
}

export const yesOrNo = (label: string) => choiceField(label, ['yes', 'no']).optional();

/** A plain number that needs no basis, such as the nominal volts of a bus. */
export function numberField(meta: FieldMeta & { readonly unit: string }, range: NumberRange) {
  const wanted =
    range.above === undefined
      ? `must be a number of ${meta.unit} from ${range.min} to ${range.max}`
      : `must be a number of ${meta.unit} above ${range.above} and at most ${range.max}`;
  const from = number().strict().meta(meta).typeError(wanted).nonNullable(wanted);
  const bounded =
    range.above === undefined ? from.min(range.min, wanted) : from.moreThan(range.above, wanted);
  return bounded.max(range.max, wanted);
}

/** Bounds of a plain number: above one that it may not be, or from one that it may. */
export type NumberRange =
  | { readonly above: number; readonly min?: undefined; readonly max: number }
  | { readonly min: number; readonly above?: undefined; readonly max: number };

/** A quantity with its basis and, where given, its own half-widths. */
export function quantityField(
  meta: FieldMeta & { readonly unit: string; readonly role: QuantityRole },
  range: { readonly min: number; readonly max: number },
) {
  const wanted = `must be a number of ${meta.unit} from ${range.min} to ${range.max}`;
  const halfWidth = `must be a number of ${meta.unit}, 0 or more`;
  return object({
    value: number()
      .strict()
      .typeError(wanted)
      .test('finite', wanted, (value) => value === undefined || isFiniteNumber(value))
      .min(range.min, wanted)
      .max(range.max, wanted)
      .required(`is missing; it ${wanted}`),
    basis: choiceField<Basis>('basis', BASES),
    minus: number().strict().typeError(halfWidth).nonNullable(halfWidth).min(0, halfWidth),
    plus: number().strict().typeError(halfWidth).nonNullable(halfWidth).min(0, halfWidth),
    commonCause: textField('common cause'),
    readings: number().strict().integer().min(1).label('readings'),
    source: textField('source'),
    note: textField('note'),
  })
    .strict()
    .meta(meta)
    .default(undefined)
    .typeError(`must be a quantity: a value in ${meta.unit} and how it is known`)
    .required(`is missing; it ${wanted}`);
}

/** Fields that belong together; in the file an object of its own. */
export function groupField<T extends ObjectShape>(shape: T) {
  const wanted = 'must be a group of fields in curly brackets';
  return object(shape).strict().typeError(wanted).nonNullable(`${wanted}; leave it out where there is none`);
}

/** A list of objects; `least` names how many there must be. */
export function listField<T>(label: string, of: ISchema<T>, least = 0) {
  return array(of)
    .strict()
    .meta({ label })
    .typeError('must be a list')
    .min(least, `must hold at least ${least}`)
    .max(MOST_ITEMS, `must hold at most ${MOST_ITEMS}`)
    .required('is missing; it must be a list');
}

/** The exact value that a file must carry to be read at all. */
export function constantField<const T extends string | number>(label: string, value: T) {
  return mixed<T>((candidate): candidate is T => candidate === value)
    .strict()
    .meta({ label, constant: value })
    .typeError(`must be ${JSON.stringify(value)}`)
    .required(`is missing; it must be ${JSON.stringify(value)}`);
}
