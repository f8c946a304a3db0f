import type { Rig } from '../rig-file/schema.js';

/** What starts with a load, along chains. */
export function followersOf({ ties = [] }: Pick<Rig, 'ties'>, leaderId: string): readonly string[] {
  const found = new Set<string>();
  const follow = (id: string): void => {
    for (const { leader, follower } of ties) {
      if (leader !== id || found.has(follower) || follower === leaderId) continue;
      found.add(follower);
      follow(follower);
    }
  };
  follow(leaderId);
  return [...found];
}

/** Loads and all that starts with them, each behind what it follows. */
export function withFollowersOf(rig: Pick<Rig, 'ties'>, loadIds: readonly string[]): readonly string[] {
  return [
    ...new Set(
      loadIds.flatMap((id) => [id, ...followersOf(rig, id).filter((each) => !loadIds.includes(each))]),
    ),
  ];
}

/** What comes on with a load: itself, and what follows it and is off. */
export function onWith(
  rig: Pick<Rig, 'ties'>,
  on: readonly { readonly load: string }[],
  loadId: string,
): readonly string[] {
  const isOn = new Set(on.map(({ load }) => load));
  return [loadId, ...followersOf(rig, loadId)].filter((id) => !isOn.has(id));
}

/** What goes off with a load: itself, and what follows it and nothing else that stays on. */
export function offWith(
  rig: Pick<Rig, 'ties'>,
  on: readonly { readonly load: string }[],
  loadId: string,
): ReadonlySet<string> {
  const mayGo = [loadId, ...followersOf(rig, loadId)];
  const staying = on.map(({ load }) => load).filter((id) => !mayGo.includes(id));
  // What is off leads nothing.
  const ties = rig.ties?.filter(({ leader }) => leader !== loadId);
  const led = new Set(staying.flatMap((id) => followersOf({ ties }, id)));
  return new Set(mayGo.filter((id) => id === loadId || !led.has(id)));
}

/** Which load that is on starts another one; the first, where there are several. */
export function leaderOf(
  rig: Pick<Rig, 'ties'>,
  on: readonly { readonly load: string }[],
  followerId: string,
): string | undefined {
  return rig.ties?.find(
    ({ leader, follower }) => follower === followerId && on.some(({ load }) => load === leader),
  )?.leader;
}
