import type { Consumer } from '../../loads/consumer.js';

/** What is ticked, with the tools before whose restart it is switched off. */
interface WithHabit {
  readonly load: string;
  readonly offAtRestartOf?: readonly string[] | undefined;
}

/** What is restarted during work, and beside what, by the habits of a set. */
export interface Habits {
  /** Tools that are switched again and again, and what is switched off before each time and on again after it. */
  readonly restarted: (running: readonly Consumer[]) => readonly Consumer[];
  /** What runs while a tool is restarted: all the others, less what the habit has off. */
  readonly besideRestart: (running: readonly Consumer[], starting: Consumer) => readonly Consumer[];
  /** Which loads are off before the restart of a tool. */
  readonly offBefore: (toolId: string) => readonly string[];
}

/**
 * The habits of a set: what they switch off for a restart must itself start on top of everything once the tool runs.
 *
 * Source: common practice, no published source (methods.md, rule 36).
 */
export function habitsOf(on: readonly WithHabit[], consumers: readonly Consumer[]): Habits {
  const tools = new Set(consumers.flatMap(({ load }) => (load.usage === 'during-work' ? [load.id] : [])));
  const offBefore = (toolId: string): readonly string[] =>
    on.filter(({ offAtRestartOf = [] }) => offAtRestartOf.includes(toolId)).map(({ load }) => load);
  const isSwitchedToo = (id: string): boolean =>
    on.some(({ load, offAtRestartOf = [] }) => load === id && offAtRestartOf.some((tool) => tools.has(tool)));
  return {
    restarted: (running) =>
      running.filter(
        ({ load }) => load.usage === 'during-work' || (load.usage === 'left-on' && isSwitchedToo(load.id)),
      ),
    besideRestart: (running, starting) => {
      const off = offBefore(starting.load.id);
      return off.length === 0 ? running : running.filter(({ load }) => !off.includes(load.id));
    },
    offBefore,
  };
}
