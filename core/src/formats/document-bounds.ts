import { pathOfSteps, type PathStep } from '../rig-file/field-names.js';

/** Far above any rig, and far below what a browser cannot work with. */
export const MOST_DEPTH = 64;
export const MOST_VALUES = 100_000;

export const TOO_DEEP = `is nested more than ${MOST_DEPTH} levels deep, which no rig is; remove what is nested`;
export const TOO_MANY = `holds more than ${MOST_VALUES} values, which no rig does; remove what is not of it`;

/** A place in a document and why a rig file cannot hold what stands there. */
export interface DocumentFault {
  readonly path: string;
  /** In words that follow the name of the place. */
  readonly message: string;
}

interface Node {
  readonly value: unknown;
  readonly depth: number;
  readonly key: PathStep;
  readonly parent: Node | undefined;
}

/**
 * Finds what a rig file cannot hold in a value that did not come from JSON: a cycle, a date, a number
 * without end. Without recursion, so that no depth exhausts the stack.
 */
export function faultOfDocument(document: unknown): DocumentFault | undefined {
  const left: Node[] = [{ value: document, depth: 0, key: '', parent: undefined }];
  let values = 0;
  for (let node = left.pop(); node; node = left.pop()) {
    values += 1;
    if (values > MOST_VALUES) return { path: '', message: TOO_MANY };
    if (node.depth > MOST_DEPTH) return { path: pathOf(node, 2), message: TOO_DEEP };
    const message = faultOf(node);
    if (message !== undefined) return { path: pathOf(node), message };
    if (typeof node.value === 'object' && node.value !== null) pushChildren(left, node, node.value);
  }
  return undefined;
}

function pushChildren(left: Node[], parent: Node, value: object): void {
  const depth = parent.depth + 1;
  if (Array.isArray(value)) {
    // By index, for a hole in a list is seen no other way.
    for (let index = 0; index < value.length && index <= MOST_VALUES; index += 1)
      left.push({ value: value[index], depth, key: index, parent });
    return;
  }
  for (const key of Object.keys(value))
    left.push({ value: (value as Record<string, unknown>)[key], depth, key, parent });
}

function faultOf({ value, parent }: Node): string | undefined {
  switch (typeof value) {
    case 'string':
    case 'boolean':
      return undefined;
    case 'number':
      return Number.isFinite(value) ? undefined : 'must be a number with an end; correct it';
    case 'undefined':
      // A field without a value is a field that is not there; an entry of a list cannot be.
      return Array.isArray(parent?.value) ? 'must not be empty; remove the entry' : undefined;
    case 'object':
      return value === null || isPlain(value) ? undefined : NOT_FOR_A_FILE;
    default:
      return NOT_FOR_A_FILE;
  }
}

const NOT_FOR_A_FILE = 'must be text, a number, a list or a group of fields; remove it';

function isPlain(value: object): boolean {
  if (Array.isArray(value)) return true;
  const prototype: unknown = Object.getPrototypeOf(value);
  return prototype === null || Object.getPrototypeOf(prototype) === null;
}

/** Where a node stands; at most so many steps from the top where it lies too deep to be read. */
function pathOf(node: Node, most = MOST_DEPTH): string {
  const steps: PathStep[] = [];
  for (let at = node; at.parent; at = at.parent) steps.unshift(at.key);
  return pathOfSteps(steps.slice(0, most));
}
