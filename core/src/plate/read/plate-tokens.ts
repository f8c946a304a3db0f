import {
  PLATE_CURRENTS,
  PLATE_LABELS,
  PLATE_MANNERS,
  PLATE_PASSED_OVER,
  PLATE_PLACES,
  PLATE_SUMS,
  PLATE_UNITS,
  type PlateManner,
  type PlatePlace,
  type PlateQuantity,
  type PlateUnit,
} from '../../reference/plate-terms.js';

/** A number with the unit behind it, or bare. Several where the plate is for several voltages, or gives a range. */
export interface NumberToken {
  readonly is: 'number';
  readonly digits: readonly string[];
  readonly isRange: boolean;
  /** How many of it: 2 in `2 x 1000 W`. */
  readonly times: number;
  readonly unit: PlateUnit | undefined;
  readonly text: string;
}

/** A word of which the meaning is known. */
export type WordToken = { readonly text: string; readonly hasColon: boolean } & (
  | { readonly is: 'label'; readonly quantity: PlateQuantity }
  | { readonly is: 'place'; readonly place: PlatePlace }
  | { readonly is: 'manner'; readonly manner: PlateManner }
);

export type PlateToken =
  | NumberToken
  | WordToken
  | { readonly is: 'code'; readonly letter: string; readonly text: string }
  | { readonly is: 'hours'; readonly hours: string; readonly text: string }
  | { readonly is: 'current'; readonly current: 'ac' | 'dc'; readonly text: string }
  /** Known, and nothing of ours. */
  | { readonly is: 'passed'; readonly text: string }
  | { readonly is: 'word'; readonly text: string };

const sticky = (source: string): RegExp => new RegExp(source, 'iy');
/** What follows at once begins anew where it is a digit: 120V60Hz, RLA11.2. */
const whole = ({ source }: RegExp): RegExp => new RegExp(`(?:${source})(?!\\p{L})`, 'iyu');

const NUMBER = "(?:\\d{1,3}(?:[ ']\\d{3})+(?=\\s*(?:b\\.?t|w|va|kw|v\\b))|\\d+(?:[.,]\\d+)*|[.,]\\d+)";
const MIXED = sticky('\\d+[ -]+\\d{1,2}/\\d{1,2}(?=\\s*h\\.?\\s?p)');
const FRACTION = sticky('\\d/\\d{1,2}(?![\\d.,])(?=\\s*h\\.?\\s?p)');
const ONE = sticky(NUMBER);
const TIMES = sticky('([2-9]) ?[x×*] ?(?=[.,]?\\d)');
const NEXT_OF_LIST = sticky(`\\s*/\\s*(${NUMBER})`);
const NEXT_OF_RANGE = sticky(`\\s*(?:-|–|—|÷|\\.{2,3}|to|bis|à)\\s*(${NUMBER})`);
const CODE = sticky(
  '(?:kva[ -]?)?code(?:[ .]*(?:letter|ltr))?[ .:]*(?:kva[ .:]*)?([A-HJ-NPR-V])(?![A-Za-z\\d])',
);
const HOURS = sticky('c[ /]?(\\d{1,2})(?![\\d.,])(?: ?h)?|@? ?(\\d{1,2}) ?-?(?:hr?|hours?)\\.?[ -]?rate');
const SEPARATORS = sticky('[\\s:;,|()\\[\\]*•·/_"]+');
const WORD = sticky('[^\\s:;,|()\\[\\]*•·/_"]+');

const UNITS = PLATE_UNITS.map((unit) => ({ unit, at: whole(unit.unit) }));
const PASSED = PLATE_PASSED_OVER.map(whole);
const CURRENTS = PLATE_CURRENTS.map((each) => ({ ...each, at: new RegExp(each.words.source, 'iyu') }));
const WORDS: readonly {
  readonly at: RegExp;
  readonly token: (text: string, hasColon: boolean) => WordToken;
}[] = [
  ...PLATE_LABELS.map(({ words, quantity }) => ({
    at: whole(words),
    token: (text: string, hasColon: boolean): WordToken => ({ is: 'label', quantity, text, hasColon }),
  })),
  ...PLATE_PLACES.map(({ words, place }) => ({
    at: whole(words),
    token: (text: string, hasColon: boolean): WordToken => ({ is: 'place', place, text, hasColon }),
  })),
  ...PLATE_MANNERS.map(({ words, manner }) => ({
    at: whole(words),
    token: (text: string, hasColon: boolean): WordToken => ({ is: 'manner', manner, text, hasColon }),
  })),
];

/** What stands on a line of a plate, one after the other. */
export function tokensOf(line: string): readonly PlateToken[] {
  const tokens: PlateToken[] = [];
  let at = 0;
  while (at < line.length) {
    const gap = matched(SEPARATORS, line, at);
    if (gap) at += gap.length;
    if (at >= line.length) break;
    const token = tokenAt(line, at);
    tokens.push(token);
    at += token.text.length;
  }
  return tokens;
}

function tokenAt(line: string, at: number): PlateToken {
  return (
    special(line, at) ??
    severalAt(line, at) ??
    numberAt(line, at) ??
    wordAt(line, at) ?? {
      is: 'word',
      text: matched(WORD, line, at) ?? line.charAt(at),
    }
  );
}

/** What would else be taken for a number, or a word, of its own. */
function special(line: string, at: number): PlateToken | undefined {
  const code = match(CODE, line, at);
  if (code) return { is: 'code', letter: (code[1] ?? '').toUpperCase(), text: code[0] };
  const hours = match(HOURS, line, at);
  if (hours) return { is: 'hours', hours: hours[1] ?? hours[2] ?? '', text: hours[0] };
  const passed = longest(PASSED.map((each) => matched(each, line, at)));
  if (passed !== undefined) return { is: 'passed', text: passed };
  for (const { at: words, current } of CURRENTS) {
    const text = matched(words, line, at);
    if (text !== undefined && !/^[a-z]/i.test(line.slice(at + text.length)))
      return { is: 'current', current, text };
  }
  return undefined;
}

/** Several of one kind, each of so much; of volts it is the conductors that are counted. */
function severalAt(line: string, at: number): NumberToken | undefined {
  const times = match(TIMES, line, at);
  const each = times && numberAt(line, at + times[0].length);
  if (!times || !each?.unit || !PLATE_SUMS.includes(each.unit.quantity)) return undefined;
  return { ...each, times: Number(times[1]), text: `${times[0]}${each.text}` };
}

function numberAt(line: string, at: number): NumberToken | undefined {
  const first = matched(MIXED, line, at) ?? matched(FRACTION, line, at) ?? matched(ONE, line, at);
  if (first === undefined) return undefined;
  let read: NumberRead = withUnit(line, {
    digits: [first],
    isRange: false,
    unit: undefined,
    end: at + first.length,
  });
  for (let more = nextOf(line, read); more && more.digits.length <= MOST_IN_A_LIST; more = nextOf(line, read))
    read = more;
  const { digits, isRange, unit, end } = read;
  // What runs on in letters or digits is the name of something, not a number.
  const isName = !unit && /^(?:[\p{L}\d]|-\S)/u.test(line.slice(end)) && !wordAt(line, end);
  return isName ? undefined : { is: 'number', digits, isRange, times: 1, unit, text: line.slice(at, end) };
}

/** Numbers of a list or a range as far as they are read, and where the line goes on. */
interface NumberRead {
  readonly digits: readonly string[];
  readonly isRange: boolean;
  readonly unit: PlateUnit | undefined;
  readonly end: number;
}

function withUnit(line: string, read: NumberRead): NumberRead {
  const unit = unitAt(line, read.end);
  return unit ? { ...read, unit: unit.unit, end: read.end + unit.length } : read;
}

function nextOf(line: string, { digits, isRange, unit, end }: NumberRead): NumberRead | undefined {
  const ofList = match(NEXT_OF_LIST, line, end);
  const next = ofList ?? match(NEXT_OF_RANGE, line, end);
  if (!next) return undefined;
  const then = unitAt(line, end + next[0].length);
  // 230 V / 50 Hz are two numbers of their own.
  if (unit && then?.unit.quantity !== unit.quantity) return undefined;
  return {
    digits: [...digits, next[1] ?? ''],
    isRange: isRange || !ofList,
    unit: unit ?? then?.unit,
    end: end + next[0].length + (then?.length ?? 0),
  };
}

const MOST_IN_A_LIST = 4;

function unitAt(line: string, at: number): { readonly unit: PlateUnit; readonly length: number } | undefined {
  const gap = /^\s{0,3}/.exec(line.slice(at))?.[0].length ?? 0;
  for (const { unit, at: pattern } of UNITS) {
    const text = matched(pattern, line, at + gap);
    if (text === undefined) continue;
    // Apart from its number a word such as AMPS may as well belong to the number behind it.
    return gap > 0 && text.length > 1 && wordAt(line, at + gap)?.is === 'label'
      ? undefined
      : { unit, length: gap + text.length };
  }
  return undefined;
}

/** The word that runs the longest, for `rated load amps` is no `rated`. */
function wordAt(line: string, at: number): WordToken | undefined {
  if (at > 0 && /\p{L}/u.test(line.charAt(at - 1))) return undefined;
  const found = WORDS.flatMap(({ at: pattern, token }) => {
    const text = matched(pattern, line, at);
    return text === undefined || text === '' ? [] : [{ text, token }];
  });
  const [most] = found.sort((a, b) => b.text.length - a.text.length);
  return most?.token(most.text, /^\s*[:=]/.test(line.slice(at + most.text.length)));
}

const longest = (texts: readonly (string | undefined)[]): string | undefined =>
  texts.reduce((most, text) => ((text?.length ?? 0) > (most?.length ?? 0) ? text : most), undefined);

function match(pattern: RegExp, line: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(line);
}

const matched = (pattern: RegExp, line: string, at: number): string | undefined =>
  match(pattern, line, at)?.[0];
