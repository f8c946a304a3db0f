import type { Consumer } from '../loads/consumer.js';
import { MonotoneCache } from './monotone-cache.js';
import type { MostDrawn, InterchangeableLoads } from './interchangeable-loads.js';

/** How much more than it was asked for a case is tried with, so that it answers for what comes next too. */
const TRIED_TIMES = [2, 1.4, 1.15, 1];
/** A case that stand-ins do not settle is not tried with them for ever. */
const MOST_IN_VAIN = 24;

/** What is known of one case of one element, steady or a start: by parts of sets, and by what sets come to at most. */
export class KnownOfCase {
  private readonly byParts = new MonotoneCache();
  private borne: readonly MostDrawn[] = [];
  private inVain = 0;

  /**
   * @param standIns Undefined where none may stand for the loads.
   * @param test Whether it passes while these run.
   * @param testAtMost The same with whatever else there is at its most, for stand-ins.
   * @param starts The place of the load that starts, where one does.
   */
  constructor(
    private readonly standIns: InterchangeableLoads | undefined,
    private readonly test: (running: readonly Consumer[]) => boolean,
    private readonly testAtMost: (standing: readonly Consumer[]) => boolean,
    private readonly starts?: number,
  ) {}

  passes(seen: number, running: (seen: number) => readonly Consumer[]): boolean {
    const known = this.byParts.of(seen);
    if (known !== undefined) return known;
    const most = this.standIns?.mostDrawn(seen, this.starts);
    if (most && this.borne.some((each) => each.every((value, index) => value >= most[index]!))) return true;
    const passes = (most !== undefined && this.bears(most)) || this.test(running(seen));
    this.byParts.learn(seen, passes);
    return passes;
  }

  /** Whether stand-ins of so much pass; the most that do is kept. */
  private bears(most: MostDrawn): boolean {
    if (this.inVain > MOST_IN_VAIN) return false;
    for (const times of TRIED_TIMES) {
      const tried = most.map((value) => value * times);
      const standing = this.standIns?.drawing(tried, this.starts);
      if (!standing || !this.testAtMost(standing)) continue;
      this.borne = [...this.borne, tried];
      return true;
    }
    this.inVain += 1;
    return false;
  }
}
