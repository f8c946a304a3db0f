import { mostWorth, type MostWorth } from './worth-bound.js';

/** Which sets are worth most: only as many as are asked for are looked for, and those are the best. */
export interface Ranking {
  /** What each load is worth by its place, a whole number. */
  readonly worths: readonly number[];
  /** The most that a set of a branch can be worth, where more is known than its loads. */
  readonly bound?: MostWorth;
  readonly most: number;
  /** Only what is worth more than this. */
  readonly above?: number;
}

/** What the sets of most worth that were found are worth, as many as are asked for. */
export class BestSoFar {
  private readonly found: number[] = [];
  private readonly worthOf: MostWorth;
  private readonly bound: MostWorth;

  constructor(private readonly ranking: Ranking) {
    this.worthOf = mostWorth(ranking.worths, []);
    this.bound = ranking.bound ?? this.worthOf;
  }

  /** Whether nothing of a branch that has some loads and may have others can be among them. */
  isOutdone(included: number, possible: number): boolean {
    const { most, above = -Infinity } = this.ranking;
    const least = this.found.length >= most ? Math.max(above, this.found.at(-1) ?? above) : above;
    return this.bound(included, possible) <= least;
  }

  /** Takes a set up, where it is among them. */
  takes(set: number): boolean {
    if (this.isOutdone(set, set)) return false;
    this.found.push(this.worthOf(set, set));
    this.found.sort((a, b) => b - a);
    this.found.length = Math.min(this.found.length, this.ranking.most);
    return true;
  }
}
