import type { LoadFamily } from '../reference/kinds-of-parts.js';
import type { TypicalLoad } from '../reference/typical-loads.js';

/** Words by which people name the breaker of one appliance (common practice, no published source). */
const APPLIANCES: readonly (readonly [loads: RegExp, circuits: RegExp])[] = [
  [/air conditioner/, /\b(air|a\/?c|acs?|cond\w*|cool\w*|roof)\b/],
  [/water heater/, /\b(water|boiler|geyser)\b/],
  [/refrigerator|freezer|cool box|ice maker/, /\b(fridge\w*|refriger\w*|freezer)\b/],
  [/microwave/, /\bmicro\w*\b/],
  [/washing|tumble/, /\b(wash\w*|laundry|dryer)\b/],
  [/dust extractor|vacuum/, /\b(dust\w*|vac\w*)\b/],
  [/air compressor/, /\bcompressor\b/],
];
/** Words by which people name the breaker of a place, and whose loads are plugged in there. */
const PLACES: Readonly<Record<LoadFamily, RegExp>> = {
  Motors: /\b(tools?|shop|workshop|bench|machines?)\b/,
  Compressors: /\b(kitchen|galley)\b/,
  Heating: /\b(heat\w*|bath\w*)\b/,
  Cooking: /\b(kitchen|galley|cook\w*|counter)\b/,
  Electronics: /\b(office|desk|lights?)\b/,
};
const OUTLETS = /\b(outlets?|sockets?|general)\b/;

/**
 * Which of the circuits a load of a kind most likely hangs on, by their names: one that is named after it, one that its
 * family usually is on, else one that is named after nothing else.
 *
 * @returns Its place among the names; 0 where all are named after other things.
 * Source: common practice, no published source.
 *
 * @example
 * suggestedCircuit(['Air conditioner', 'Galley', 'Outlets'], kettle); // 1
 */
export function suggestedCircuit(names: readonly string[], kind: TypicalLoad): number {
  const circuits = names.map((name) => name.toLowerCase());
  const load = `${kind.name} ${kind.alsoCalled}`.toLowerCase();
  const named = circuits.findIndex((circuit) =>
    APPLIANCES.some(([loads, words]) => loads.test(load) && words.test(circuit)),
  );
  if (named >= 0) return named;
  const isFree = (circuit: string): boolean => !APPLIANCES.some(([, words]) => words.test(circuit));
  const places = [PLACES[kind.family], OUTLETS, /^/].map((words) =>
    circuits.findIndex((circuit) => isFree(circuit) && words.test(circuit)),
  );
  return places.find((place) => place >= 0) ?? 0;
}
