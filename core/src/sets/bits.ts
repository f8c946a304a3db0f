/** The places of the bits of a mask, rising. */
export function bitsOf(mask: number): readonly number[] {
  const bits: number[] = [];
  for (let rest = mask, bit = 0; rest !== 0; rest >>>= 1, bit += 1) if (rest & 1) bits.push(bit);
  return bits;
}

/** How many bits a mask has. */
export function countBits(mask: number): number {
  let count = 0;
  for (let rest = mask; rest !== 0; rest &= rest - 1) count += 1;
  return count;
}
