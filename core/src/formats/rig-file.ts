import { capitalised } from '../units/format.js';
import { fieldName } from '../rig-file/field-names.js';
import { withOwnIds } from '../rig-file/own-ids.js';
import { describeProblem, type RigProblem } from '../rig-file/problems.js';
import { RIG_FORMAT, RIG_VERSION, rigSchema, type Rig } from '../rig-file/schema.js';
import { migrate } from '../rig-file/migrate.js';
import { validateRig, type Validation } from '../rig-file/validate.js';
import { faultOfDocument } from './document-bounds.js';
import { scanJson } from './json-scan.js';

/** Largest file that is read, in bytes of UTF-8. */
export const LARGEST_FILE_BYTES = 20 * 1024 * 1024;

/**
 * Reads a rig file.
 *
 * @param text The whole file.
 * @returns The rig, or everything that is wrong with the file; it never throws for bad input.
 */
export function readRigFile(text: string): Validation<Rig> {
  if (text.length > LARGEST_FILE_BYTES)
    return refuse('the file is larger than 20 MB; a rig file is far smaller');
  const json = text.startsWith(BYTE_ORDER_MARK) ? text.slice(1) : text;
  const { tooLarge, repeated } = scanJson(json);
  if (tooLarge !== undefined) return refuse(`the file ${tooLarge}`);
  let document: unknown;
  try {
    document = JSON.parse(json);
  } catch {
    return refuse('the file is not JSON, so it is not a rig file; choose one that Heliarch saved');
  }
  if (repeated !== undefined) return refuse(`the file ${repeated}`);
  return readRigDocument(document);
}

/** Some editors put it before the text of a file. */
const BYTE_ORDER_MARK = '\uFEFF';

/**
 * Reads a rig that is parsed already, of this version or an older one.
 *
 * @param document Any value at all, as a browser's storage may give it back.
 */
export function readRigDocument(document: unknown): Validation<Rig> {
  return refuseForeign(document) ?? refuseUnfit(document) ?? readOrMend(migrate(document));
}

function readOrMend(document: unknown): Validation<Rig> {
  const read = validateRig(document);
  if (read.ok) return read;
  const mended = withOwnIds(document, read.problems);
  return { ...read, ...(mended && { mended }) };
}

/** Refuses what is in a rig's place but cannot be written to a file and read again. */
function refuseUnfit(document: unknown): Validation<Rig> | undefined {
  const fault = faultOfDocument(document);
  if (!fault) return undefined;
  const { path, message } = fault;
  if (path === '') return refuse(`the file ${message}`);
  return { ok: false, problems: [{ path, field: fieldName(path, document) || `Field ${path}`, message }] };
}

/**
 * Writes a rig as a file: complete, in the key order of the field table, unknown fields kept after
 * the known ones in alphabetical order. `writeRigFile(read(writeRigFile(rig)))` changes nothing.
 */
export function writeRigFile(rig: Rig): string {
  return `${JSON.stringify(inCanonicalOrder(rig, rigSchema), null, 2)}\n`;
}

/** All problems as lines of text. */
export function problemLines(problems: readonly RigProblem[]): readonly string[] {
  return problems.map(describeProblem);
}

function refuse(message: string): Validation<Rig> {
  return { ok: false, problems: [{ path: '', field: '', message: capitalised(message) }] };
}

function refuseForeign(document: unknown): Validation<Rig> | undefined {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return refuse('the file holds no rig; choose one that Heliarch saved');
  }
  const { format, version } = document as Record<string, unknown>;
  if (format !== RIG_FORMAT)
    return refuse('the file is JSON but not a rig file; choose one that Heliarch saved');
  if (typeof version === 'number' && version > RIG_VERSION) {
    return refuse(
      `the file was saved by a newer Heliarch (file version ${version}); update this one, then open it again`,
    );
  }
  return undefined;
}

/** The part of a Yup schema that names the keys of an object and the entries of a list. */
interface Ordered {
  readonly fields?: Readonly<Record<string, unknown>>;
  readonly innerType?: unknown;
}

function inCanonicalOrder(value: unknown, schema: unknown): unknown {
  const { fields = {}, innerType } = (schema ?? {}) as Ordered;
  if (Array.isArray(value)) return value.map((entry: unknown) => inCanonicalOrder(entry, innerType));
  if (typeof value !== 'object' || value === null) return value;
  const entries = value as Record<string, unknown>;
  const known = Object.keys(fields).filter((key) => entries[key] !== undefined);
  const unknown = Object.keys(entries)
    .filter((key) => !Object.hasOwn(fields, key))
    .sort();
  return Object.fromEntries(
    [...known, ...unknown].map((key) => [
      key,
      inCanonicalOrder(entries[key], Object.hasOwn(fields, key) ? fields[key] : undefined),
    ]),
  );
}
