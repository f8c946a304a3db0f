import { MOST_DEPTH, MOST_VALUES, TOO_DEEP, TOO_MANY } from './document-bounds.js';

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const COLON = 0x3a;
const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;
const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;
const CLOSES: readonly number[] = [CLOSE_LIST, CLOSE_OBJECT];
const BEGINS_A_VALUE: readonly number[] = [COMMA, OPEN_LIST, OPEN_OBJECT];

/** What parsing a text would not tell, in words that follow "the file". */
export interface JsonScan {
  /** Why it must not even be parsed: a parser may exhaust stack or memory on it. */
  readonly tooLarge?: string;
  /** Of two fields with one name a parser silently drops the first; only sure where the text is JSON. */
  readonly repeated?: string;
}

/** Looks through a JSON text once before it is parsed. */
export function scanJson(text: string): JsonScan {
  const open: Fields[] = [];
  let values = 1;
  let lastString = '';
  let repeated: string | undefined;
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at);
    if (code === QUOTE) {
      const end = endOfString(text, at);
      lastString = text.slice(at, end + 1);
      at = end;
    } else if (code === COLON) {
      repeated ??= fieldMetAgain(open.at(-1), lastString);
    } else if (BEGINS_A_VALUE.includes(code)) {
      values += 1;
      if (code !== COMMA) open.push(code === OPEN_OBJECT ? new Set() : undefined);
    } else if (CLOSES.includes(code)) open.pop();
    if (open.length > MOST_DEPTH) return { tooLarge: TOO_DEEP };
    if (values > MOST_VALUES) return { tooLarge: TOO_MANY };
  }
  return repeated === undefined
    ? {}
    : { repeated: `has the field ${repeated} twice in one place; remove one of the two` };
}

/** The names met so far in an object that is open; a list has none. */
type Fields = Set<string> | undefined;

/** The field's name where the object has one of that name already; from now on it has. */
function fieldMetAgain(fields: Fields, name: string): string | undefined {
  if (fields?.has(name)) return name;
  fields?.add(name);
  return undefined;
}

/** The index of the closing quote of a string, or the end of a text that has none. */
function endOfString(text: string, start: number): number {
  let at = start + 1;
  while (at < text.length && text.charCodeAt(at) !== QUOTE) at += text.charCodeAt(at) === BACKSLASH ? 2 : 1;
  return at;
}
