/**
 * A text in pieces that QR codes carry one after the other, read in any order. Each piece is
 * `HELI:<whole>:<number>:<count>:<text>`; the first field tells pieces of different texts apart.
 */
const PIECE = /^HELI:([0-9a-z]{1,8}):(\d{1,4}):(\d{1,4}):([\s\S]*)$/;
const PIECE_LENGTH = 400;
const HASH_BASE = 36;
const FNV_OFFSET = 0x811c9dc5;
const FNV_PRIME = 0x01000193;

/** What has been read of a text so far. */
export interface Pieces {
  readonly whole: string | undefined;
  readonly count: number;
  readonly texts: ReadonlyMap<number, string>;
}

export const NO_PIECES: Pieces = { whole: undefined, count: 0, texts: new Map() };

/**
 * The pieces of a text, each short enough for a QR code that a phone reads from a screen.
 *
 * @param text Letters that the QR codes can carry; base64 at best.
 */
export function piecesOf(text: string): readonly string[] {
  const count = Math.max(1, Math.ceil(text.length / PIECE_LENGTH));
  const whole = hashOf(text);
  return Array.from({ length: count }, (_, index) => {
    const part = text.slice(index * PIECE_LENGTH, (index + 1) * PIECE_LENGTH);
    return `HELI:${whole}:${index + 1}:${count}:${part}`;
  });
}

/** What is known with one more piece; a piece of another text begins anew, anything else changes nothing. */
export function withPiece(before: Pieces, piece: string): Pieces {
  const match = PIECE.exec(piece);
  if (!match) return before;
  const [, whole = '', number = '', count = '', text = ''] = match;
  const known = before.whole === whole ? before.texts : new Map<number, string>();
  return { whole, count: Number(count), texts: new Map([...known, [Number(number), text]]) };
}

/** The whole text; undefined while a piece is missing, or where what was read is not what was sent. */
export function joined({ whole, count, texts }: Pieces): string | undefined {
  if (count === 0 || texts.size < count) return undefined;
  const text = Array.from({ length: count }, (_, index) => texts.get(index + 1) ?? '').join('');
  return hashOf(text) === whole ? text : undefined;
}

/** FNV-1a, 32 bits: tells one text from another, and a misread one from what was sent. */
function hashOf(text: string): string {
  const hash = Array.from(text).reduce(
    (sum, letter) => Math.imul(sum ^ (letter.codePointAt(0) ?? 0), FNV_PRIME) >>> 0,
    FNV_OFFSET,
  );
  return hash.toString(HASH_BASE);
}
