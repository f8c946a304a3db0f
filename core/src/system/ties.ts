import type { Consumer } from '../electrical/consumer.js';
import type { Rig } from '../rig/schema.js';

/** The loads of a set that start when another one starts, by the id of that leader. */
export function followersOf(
  rig: Rig,
  consumers: readonly Consumer[],
): ReadonlyMap<string, readonly Consumer[]> {
  const followers = new Map<string, Consumer[]>();
  for (const { leader, follower } of rig.ties ?? []) {
    const consumer = consumers.find((each) => each.load.id === follower);
    if (consumer) followers.set(leader, [...(followers.get(leader) ?? []), consumer]);
  }
  return followers;
}
