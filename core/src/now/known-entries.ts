import type { Rig } from '../rig-file/schema.js';

export const hasEntry = (entries: readonly { readonly id: string }[], id: string): boolean =>
  entries.some((entry) => entry.id === id);

/**
 * The supply that a rig begins with.
 *
 * @throws RangeError where it has none; a validated rig has one.
 */
export function firstSupply({ supplies }: Rig): string {
  const [first] = supplies;
  if (!first) throw new RangeError('The rig has no supply');
  return first.id;
}
