import type { ISchema } from 'yup';
import { RIG_VERSION, rigSchema } from './schema.js';
import { helpOf } from './help/field-help.js';
import type { FieldMeta } from './fields.js';

/** The part of a Yup schema that a JSON Schema is made of. */
interface Described {
  readonly type: string;
  readonly meta?: Partial<FieldMeta>;
  readonly optional: boolean;
  readonly oneOf: readonly unknown[];
  readonly tests: readonly { readonly name?: string; readonly params?: Readonly<Record<string, unknown>> }[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
}

/**
 * The rig file as a JSON Schema, from the field table: what docs/rig.schema.json holds. References
 * between entries and the doubt rule are beyond it; `validate` knows them.
 */
export function rigJsonSchema(): object {
  const described = (rigSchema as unknown as ISchema<unknown>).describe() as unknown as Described;
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Heliarch rig file, version ${RIG_VERSION}`,
    ...schemaOf(described, ''),
  };
}

function schemaOf(field: Described, path: string): object {
  const { meta, oneOf } = field;
  const description = [meta?.label, meta?.unit && `in ${meta.unit}`, helpOf(path)?.means]
    .filter(Boolean)
    .join('; ');
  return {
    ...(description && { description }),
    ...(oneOf.length > 0 && { enum: oneOf }),
    ...(meta?.constant !== undefined && { const: meta.constant }),
    ...typeOf(field, path),
  };
}

function typeOf(field: Described, path: string): object {
  switch (field.type) {
    case 'object':
      return objectOf(field.fields ?? {}, path);
    case 'array':
      return {
        type: 'array',
        ...boundsOf(field),
        ...(field.innerType && { items: schemaOf(field.innerType, `${path}[]`) }),
      };
    case 'number':
      return { type: 'number', ...boundsOf(field) };
    case 'string':
      return { type: 'string', ...boundsOf(field) };
    default:
      return {};
  }
}

function objectOf(fields: Readonly<Record<string, Described>>, path: string): object {
  const required = Object.keys(fields).filter((key) => fields[key]?.optional === false);
  const properties = Object.fromEntries(
    Object.entries(fields).map(([key, field]) => [
      key,
      schemaOf(field, path === '' ? key : `${path}.${key}`),
    ]),
  );
  return { type: 'object', properties, ...(required.length > 0 && { required }), additionalProperties: true };
}

const KEYWORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  number: { min: 'minimum', max: 'maximum', moreThan: 'exclusiveMinimum' },
  string: { min: 'minLength', max: 'maxLength' },
  array: { min: 'minItems', max: 'maxItems' },
};

function boundsOf({ type, tests }: Described): object {
  const keywords = KEYWORDS[type] ?? {};
  return Object.fromEntries(
    tests.flatMap(({ params }) =>
      Object.entries(params ?? {}).flatMap(([name, value]) => {
        if (name === 'regex' && value instanceof RegExp) return [['pattern', value.source]];
        if (name === 'more') return [[keywords['moreThan'] ?? name, value]];
        const keyword = keywords[name];
        return keyword === undefined ? [] : [[keyword, value]];
      }),
    ),
  );
}
