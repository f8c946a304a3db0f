import { valueAt, withValueAt } from './document-path.js';
import { freeId } from './free-names.js';
import type { RigProblem } from './problems.js';
import type { Rig } from './schema.js';
import { validateRig } from './validate.js';

/**
 * The rig with an id of its own for each entry that has one of another's: what names the id goes on naming the first.
 *
 * @param problems All that is wrong with the document.
 * @returns Undefined where more is wrong with it.
 */
export function withOwnIds(document: unknown, problems: readonly RigProblem[]): Rig | undefined {
  if (problems.length === 0 || !problems.every(({ isRepeatedId }) => isRepeatedId)) return undefined;
  const mended = problems.reduce((before, { path }) => withOwnId(before, path), document);
  const read = validateRig(mended);
  return read.ok ? read.value : undefined;
}

function withOwnId(document: unknown, path: string): unknown {
  const list = valueAt(document, path.replace(/\[\d+\]\.id$/, ''));
  const id = valueAt(document, path);
  if (!Array.isArray(list) || typeof id !== 'string') return document;
  const taken = (list as readonly { readonly id: string }[]).map((entry) => entry.id);
  return withValueAt(document, path, freeId(id, taken));
}
