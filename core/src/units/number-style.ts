/** How numbers are written and read: `1,234.5` or `1.234,5`. */
export type NumberStyle = 'point' | 'comma';
