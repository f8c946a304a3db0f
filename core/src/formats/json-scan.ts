import { MOST_DEPTH, MOST_VALUES, TOO_DEEP, TOO_MANY } from './document-bounds.js';

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const COLON = 0x3a;
const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;
const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;

/** What parsing a text would not tell, in words that follow "the file". */
export interface JsonScan {
  /** Why it must not even be parsed: a parser may exhaust stack or memory on it. */
  readonly tooLarge?: string;
  /** Of two fields with one name a parser silently drops the first; only sure where the text is JSON. */
  readonly repeated?: string;
}

/** Looks through a JSON text once before it is parsed. */
export function scanJson(text: string): JsonScan {
  const fieldsOfOpen: (Set<string> | undefined)[] = [];
  let values = 1;
  let repeated: string | undefined;
  let lastString = '';
  for (let at = 0; at < text.length; at += 1) {
    switch (text.charCodeAt(at)) {
      case QUOTE: {
        const end = endOfString(text, at);
        lastString = text.slice(at, end + 1);
        at = end;
        break;
      }
      case COLON: {
        const fields = fieldsOfOpen.at(-1);
        if (fields?.has(lastString)) repeated ??= lastString;
        fields?.add(lastString);
        break;
      }
      case COMMA:
        values += 1;
        break;
      case OPEN_OBJECT:
      case OPEN_LIST:
        values += 1;
        fieldsOfOpen.push(text.charCodeAt(at) === OPEN_OBJECT ? new Set() : undefined);
        if (fieldsOfOpen.length > MOST_DEPTH) return { tooLarge: TOO_DEEP };
        break;
      case CLOSE_OBJECT:
      case CLOSE_LIST:
        fieldsOfOpen.pop();
    }
    if (values > MOST_VALUES) return { tooLarge: TOO_MANY };
  }
  return repeated === undefined
    ? {}
    : { repeated: `has the field ${repeated} twice in one place; remove one of the two` };
}

/** The index of the closing quote of a string, or the end of a text that has none. */
function endOfString(text: string, start: number): number {
  let at = start + 1;
  while (at < text.length && text.charCodeAt(at) !== QUOTE) at += text.charCodeAt(at) === BACKSLASH ? 2 : 1;
  return at;
}
