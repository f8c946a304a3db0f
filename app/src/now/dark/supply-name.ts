import type { Rig } from '@heliarch/core/rig';

/** The name of a supply, also of one that the rig no longer has. */
export const supplyName = ({ supplies }: Rig, id: string): string =>
  supplies.find((supply) => supply.id === id)?.name ?? 'a supply that is gone';
