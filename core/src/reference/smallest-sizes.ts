/** The smallest that is usually sold, W, VA or A: what needs less is enough in any size. Common practice, no published source; low. */
export const SMALLEST_SOLD = { inverter: 150, generator: 700, battery: 20 } as const;
