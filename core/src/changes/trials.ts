import { isCharging } from '../rig/charging-loads.js';
import { withFollowersOf } from '../rig/followers.js';
import type { Rig } from '../rig-file/schema.js';
import { compile, type CompiledRig } from '../check/wiring/compile.js';
import { check, isNothingFed, type CheckResult } from '../check/check.js';
import { fits } from '../check/fits.js';
import { headroomShare, type Limit } from '../check/limits/limit.js';
import { situationOf } from '../check/situation.js';
import { compareVerdicts } from '../check/verdict.js';
import type { AskedSet, Change } from './change.js';
import { changedBy } from './changed.js';

/** What a set is once changes are made to it. */
export interface Trial {
  readonly changes: readonly Change[];
  readonly asked: AskedSet;
  readonly result: CheckResult;
  /** Something runs, and nothing that was to run has lost what feeds it. */
  readonly isWhole: boolean;
}

/** Tries changes of one set by the check itself; each rig is followed once. */
export class Trials {
  readonly base: CheckResult;
  /** Limits that are not kept as it stands. */
  readonly failing: readonly Limit[];
  private readonly compiled = new Map<Rig, CompiledRig>();
  private readonly known = new Map<string, Trial>();
  private readonly notFedBefore: ReadonlySet<string>;

  constructor(readonly asked: AskedSet) {
    this.base = this.check(asked);
    this.failing = this.base.limits.filter(({ verdict }) => verdict !== 'holds');
    this.notFedBefore = new Set(this.base.notFed.map(({ load }) => load.id));
  }

  /** The worse of what runs now and, where one waits, of what runs once its turn has come. */
  try(changes: readonly Change[]): Trial {
    const key = JSON.stringify(changes);
    const known = this.known.get(key) ?? this.tried(changes);
    this.known.set(key, known);
    return known;
  }

  holds(changes: readonly Change[]): boolean {
    const later = laterOf(changes);
    return this.holdsNow(changes) && (later === undefined || this.holds(later));
  }

  compiledOf({ rig }: Pick<AskedSet, 'rig'>): CompiledRig {
    const compiled = this.compiled.get(rig) ?? compile(rig);
    this.compiled.set(rig, compiled);
    return compiled;
  }

  private tried(changes: readonly Change[]): Trial {
    const asked = changedBy(this.asked, changes);
    const now = this.check(asked);
    const later = laterOf(changes);
    const then = later && this.try(later).result;
    const result = then && isTighter(then, now) ? then : now;
    const isWhole = !isNothingFed(now) && this.isWhole(changes, now) && !this.comesBackOn(asked);
    return { changes, asked, result, isWhole };
  }

  /** The first limit that fails ends it, where the order is free and no lock chooses. */
  private holdsNow(changes: readonly Change[]): boolean {
    const asked = changedBy(this.asked, changes);
    if (this.comesBackOn(asked)) return false;
    if (asked.startOrder !== 'best' || (asked.rig.locks ?? []).length > 0) {
      const { result, isWhole } = this.try(changes);
      return isWhole && result.verdict === 'holds';
    }
    const situation = situationOf(this.compiledOf(asked).on(asked.scene.supply), asked.scene);
    const isFed = situation.notFed.every(({ load }) => this.notFedBefore.has(load.id));
    const isAnythingOn = situation.consumers.some(({ load }) => !isCharging(load));
    return isAnythingOn && isFed && fits(situation, situation.consumers, 'pessimistic');
  }

  private isWhole(changes: readonly Change[], { notFed }: CheckResult): boolean {
    const mayBeOff = new Set(changes.flatMap((change) => (change.by === 'either-or' ? change.loadIds : [])));
    return notFed.every(({ load }) => this.notFedBefore.has(load.id) || mayBeOff.has(load.id));
  }

  /** What was switched off, and starts all the same with a load that is on. */
  private comesBackOn({ rig, scene }: AskedSet): boolean {
    const before = new Set(this.asked.scene.on.map(({ load }) => load));
    const on = scene.on.map(({ load }) => load);
    return withFollowersOf(rig, on).some((id) => before.has(id) && !on.includes(id));
  }

  private check(asked: AskedSet): CheckResult {
    return check(this.compiledOf(asked), asked.scene, asked.startOrder);
  }
}

/** Of two that hold, what has less to spare: no more may be promised. */
function isTighter(one: CheckResult, other: CheckResult): boolean {
  const spare = ({ decider }: CheckResult): number => (decider ? headroomShare(decider, 'pessimistic') : 1);
  return (compareVerdicts(one.verdict, other.verdict) || spare(other) - spare(one)) > 0;
}

/** Once what another one waits for has ended, it runs and that one is off. */
function laterOf(changes: readonly Change[]): readonly Change[] | undefined {
  const wait = changes.find((change) => change.by === 'wait');
  return wait && changes.map((change) => (change === wait ? { by: 'off', loadId: wait.forId } : change));
}
