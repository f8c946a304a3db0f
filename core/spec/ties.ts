import type { Rig } from '../src/rig-file/schema.js';

/** Loads with all that starts with them, along chains: each pass takes up one more. */
export function tiedTo(rig: Rig, ids: readonly string[]): readonly string[] {
  const more = (rig.ties ?? []).find(
    ({ leader, follower }) => ids.includes(leader) && !ids.includes(follower),
  );
  return more ? tiedTo(rig, [...ids, more.follower]) : ids;
}
