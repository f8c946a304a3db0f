import type { Consumer } from '../../loads/consumer.js';
import { hasStart } from '../../loads/start/joined-start.js';
import type { Rig } from '../../rig-file/schema.js';

/** What starts with what among the loads of a set. Only what runs leads, and it leads along chains. */
export interface Ties {
  /** All that starts with a load, followers of its followers included. */
  readonly followersOf: (leader: Consumer) => readonly Consumer[];
  /** Loads that start with another one that is on, so never by hand. */
  readonly led: ReadonlySet<string>;
  /** What runs, with all that runs because of it. */
  readonly withFollowers: (running: readonly Consumer[]) => readonly Consumer[];
  /** Whether a load has a start, or brings one about. */
  readonly bringsStart: (consumer: Consumer) => boolean;
}

/**
 * The ties of a set.
 *
 * @param consumers What is fed and not locked out.
 * @param isOn Whether a load is on: what is off follows nothing.
 * Source: physics of an extractor on a switched outlet (methods.md 3, ties).
 */
export function tiesOf(rig: Rig, consumers: readonly Consumer[], isOn: (loadId: string) => boolean): Ties {
  const byId = new Map(consumers.map((consumer) => [consumer.load.id, consumer]));
  const direct = new Map<string, Consumer[]>();
  for (const { leader, follower } of rig.ties ?? []) {
    const consumer = byId.get(follower);
    if (consumer && isOn(follower)) direct.set(leader, [...(direct.get(leader) ?? []), consumer]);
  }
  const followersOf = (leader: Consumer): readonly Consumer[] => {
    const found = new Set<Consumer>();
    const follow = (id: string): void => {
      for (const each of direct.get(id) ?? []) {
        if (found.has(each) || each.load.id === leader.load.id) continue;
        found.add(each);
        follow(each.load.id);
      }
    };
    follow(leader.load.id);
    return [...found];
  };
  const leaders = consumers.filter((consumer) => isOn(consumer.load.id));
  return {
    followersOf,
    led: new Set(leaders.flatMap(followersOf).map(({ load }) => load.id)),
    withFollowers: (running) => {
      if (direct.size === 0) return running;
      const more = running
        .flatMap(followersOf)
        .filter((each) => !running.some(({ load }) => load.id === each.load.id));
      return more.length === 0 ? running : [...running, ...new Set(more)];
    },
    bringsStart: (consumer) => hasStart(consumer) || followersOf(consumer).some(hasStart),
  };
}
