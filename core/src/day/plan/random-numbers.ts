/** Numbers from 0 to below 1, the same ones for the same seed. */
export type RandomNumbers = () => number;

const MODULUS = 2 ** 32;

/** Source: the generator mulberry32, public domain, from memory. */
export function randomNumbers(seed: number): RandomNumbers {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / MODULUS;
  };
}
