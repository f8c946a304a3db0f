import type { ISchema } from 'yup';
import type { FieldMeta, OwnList, RigList } from './fields.js';
import type { QuantityRole } from './half-widths.js';
import { rigSchema } from './schema.js';

/** What a field holds, as a form needs to know it. */
type FieldKind =
  | 'quantity'
  | 'number'
  | 'choice'
  | 'text'
  | 'time'
  | 'date'
  | 'id'
  | 'reference'
  | 'references'
  | 'list'
  | 'group'
  | 'constant';

/** One field of the rig file, read from the field table (schema.ts). */
export interface Field {
  /** Its place, with `[]` for any entry of a list: `loads[].parts[].runningW`. */
  readonly path: string;
  readonly key: string;
  readonly kind: FieldKind;
  readonly label: string;
  readonly isRequired: boolean;
  readonly unit?: string | undefined;
  readonly role?: QuantityRole | undefined;
  readonly options: readonly string[];
  /** Of a number: the least it may be, or what it must be above, and the most. */
  readonly range?: FieldRange | undefined;
  readonly refersTo?: RigList | undefined;
  readonly refersWithin?: OwnList | undefined;
  /** Of a group, and of one entry of a list. */
  readonly fields: readonly Field[];
}

interface FieldRange {
  readonly least?: number | undefined;
  readonly above?: number | undefined;
  readonly most: number;
}

/** The part of a Yup description that a form is made of. */
interface Described {
  readonly type: string;
  readonly meta?: Partial<FieldMeta>;
  readonly optional: boolean;
  readonly oneOf: readonly unknown[];
  readonly tests: readonly {
    readonly name?: string;
    readonly params?: { readonly min?: number; readonly more?: number; readonly max?: number };
  }[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
}

const FIELDS: ReadonlyMap<string, Field> = new Map(allFields().map((field) => [field.path, field]));

/**
 * The field at a place, whatever the indexes in it: `loads[3].parts[0].runningW`.
 *
 * @throws RangeError for a place that the rig file does not have.
 */
export function fieldAt(path: string): Field {
  const field = FIELDS.get(withoutIndexes(path));
  if (!field) throw new RangeError(`The rig file has no field at ${path}`);
  return field;
}

/** All fields of the rig file, groups before what is in them. */
export function allFields(fields: readonly Field[] = topFields()): readonly Field[] {
  return fields.flatMap((field) => [field, ...allFields(field.fields)]);
}

/** `loads[3].parts[0]` as `loads[].parts[]`. */
export function withoutIndexes(path: string): string {
  return path.replace(/\[\d+\]/g, '[]');
}

/** The fields of a rig itself. */
export function topFields(): readonly Field[] {
  const described = (rigSchema as unknown as ISchema<unknown>).describe() as unknown as Described;
  return fieldsIn(described, '');
}

function fieldsIn({ fields = {} }: Described, path: string): readonly Field[] {
  return Object.entries(fields).map(([key, described]) =>
    fieldOf(key, path === '' ? key : `${path}.${key}`, described),
  );
}

function fieldOf(key: string, path: string, described: Described): Field {
  const { meta = {}, oneOf } = described;
  const kind = kindOf(key, described);
  return {
    path,
    key,
    kind,
    label: meta.label ?? key,
    isRequired: !described.optional,
    unit: meta.unit,
    role: meta.role,
    options: oneOf.filter((option): option is string => typeof option === 'string'),
    range: rangeOf(kind === 'quantity' ? described.fields?.['value'] : described),
    refersTo: meta.refersTo ?? described.innerType?.meta?.refersTo,
    refersWithin: meta.refersWithin,
    fields: fieldsWithin(kind, path, described),
  };
}

function rangeOf(described: Described | undefined): FieldRange | undefined {
  const params = (name: string) => described?.tests.find((test) => test.name === name)?.params;
  const most = described?.type === 'number' ? params('max')?.max : undefined;
  const { min: least, more: above } = params('min') ?? {};
  return most === undefined ? undefined : { least, above, most };
}

function fieldsWithin(kind: FieldKind, path: string, described: Described): readonly Field[] {
  if (kind === 'group') return fieldsIn(described, path);
  return kind === 'list' && described.innerType ? fieldsIn(described.innerType, `${path}[]`) : [];
}

function kindOf(key: string, { type, meta, oneOf, innerType }: Described): FieldKind {
  if (meta?.constant !== undefined) return 'constant';
  switch (type) {
    case 'object':
      return meta?.role === undefined ? 'group' : 'quantity';
    case 'array':
      return innerType?.type === 'object' ? 'list' : 'references';
    case 'number':
      return 'number';
    default:
      return kindOfText(key, meta, oneOf.length > 0);
  }
}

function kindOfText(key: string, meta: Described['meta'], hasOptions: boolean): FieldKind {
  if (hasOptions) return 'choice';
  if (meta?.refersTo ?? meta?.refersWithin) return 'reference';
  return key === 'id' ? 'id' : (meta?.picked ?? 'text');
}
