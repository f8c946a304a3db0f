import type { Rig } from '@heliarch/core/rig';

/** Whether two rigs are the same but for what is on and what is planned: that belongs to a question, not to what it is asked about. */
export function isSameSystem(one: Rig, other: Rig): boolean {
  const fields = new Set([...Object.keys(one), ...Object.keys(other)]) as Set<keyof Rig>;
  fields.delete('scenes');
  fields.delete('days');
  return [...fields].every((field) => one[field] === other[field]);
}
