import type { Rig } from '../rig-file/schema.js';

/**
 * A short mark of all of a rig that a card depends on: it changes with every number and name, and not with what is on or
 * planned. FNV-1a, 32 bits, in hexadecimal: it tells versions apart and protects nothing.
 *
 * Source: G. Fowler, L. C. Noll, K.-P. Vo, the hash FNV-1a, public domain, from memory.
 */
export function cardVersion(rig: Rig): string {
  const { scenes: _scenes, days: _days, note: _note, ...system } = rig;
  return fnv1a(JSON.stringify(system));
}

const OFFSET_BASIS = 0x811c9dc5;
const PRIME = 0x01000193;
const HEX = 16;
const DIGITS = 8;

/**
 * @example
 * fnv1a('a'); // 'e40c292c'
 */
export function fnv1a(text: string): string {
  let hash = OFFSET_BASIS;
  for (const byte of utf8(text)) hash = Math.imul(hash ^ byte, PRIME) >>> 0;
  return hash.toString(HEX).padStart(DIGITS, '0');
}

/** The bytes of a text: core has no encoder of the platform. */
function utf8(text: string): readonly number[] {
  return [...encodeURIComponent(text).matchAll(/%([0-9A-F]{2})|(.)/g)].map(([, hex, plain]) =>
    hex === undefined ? (plain ?? '').charCodeAt(0) : Number.parseInt(hex, HEX),
  );
}

const MARK = 'heliarch-card';

/** What the code picture of a card says. */
export interface CardCode {
  readonly rigId: string;
  readonly version: string;
  /** The day it was printed, as in 2026-06-12. */
  readonly date: string;
}

/** The text of the code picture. */
export function cardCode({ rigId, version, date }: CardCode): string {
  return [MARK, rigId, version, date].join(' ');
}

/** Reads it again; undefined where it is of something else. */
export function readCardCode(text: string): CardCode | undefined {
  const [mark, rigId, version, date] = text.trim().split(' ');
  return mark === MARK && rigId && version && date ? { rigId, version, date } : undefined;
}
