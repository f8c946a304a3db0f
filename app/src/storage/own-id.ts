import type { Rig } from '@heliarch/core/rig';

const RANDOM_LETTERS = 8;
const LONGEST_ID = 64;

/** A rig under an id of its own, for everyone who begins from one demo or one file would else share it. */
export function withOwnId(rig: Rig): Rig {
  const random = crypto.randomUUID().slice(0, RANDOM_LETTERS);
  return { ...rig, id: `${rig.id.slice(0, LONGEST_ID - RANDOM_LETTERS - 1)}-${random}` };
}
