import {
  batteryClockOf,
  check,
  dropOutOf,
  compile,
  inputLimitOf,
  outlookOf,
  outlooksOf,
  powerBackOf,
  settlementOf,
  unplannedLoadsOf,
  type BatteryClock,
  type CautionId,
  type CombinationQuestion,
  type EnoughSizes,
  type Combinations,
  type OneChangeAway,
  type SetQuestion,
  type Turns,
  type WhoRunsWithWhom,
  type CheckResult,
  type CheckScene,
  type CompiledRig,
  type Dimming,
  type DropOut,
  type InputLimit,
  type Outlook,
  type PowerBack,
  type Progress,
  type Settlement,
  type StartOrderRule,
  type Verdict,
  type UnplannedLoad,
  type VoltageDrop,
  type WaysToFit,
  worthLookingUp,
  type WorthLookingUp,
} from '@heliarch/core/check';
import type { Day, Placement, Rig, Scene } from '@heliarch/core/rig';
import type { NumberStyle } from '@heliarch/core/units';
import { leftBeside } from '@heliarch/core/describe';
import { cautionsOf, dimmingOf, voltageDropsOf } from '@heliarch/core/explain';
import {
  canSwitchOn,
  combinationsOf,
  enoughSizes,
  oneChangeAway,
  overloadsOf,
  placesOfPiece,
  planAsKept,
  planOfDay,
  proofOfLine,
  proofOfPlan,
  proofWords,
  reviewOfPlan,
  shortestCard,
  tripCauses,
  turnsOf,
  unexplainedPower,
  recoveryStepsOf,
  waysToFit,
  whoRunsWithWhom,
} from '@heliarch/core/compute';
import type { DayPlan, PlanReview, ProofOfPlan } from '@heliarch/core/day';
import {
  sceneOf,
  type MeterReading,
  type Overload,
  type RecoveryStep,
  type SwitchOn,
  type Trip,
  type TripCauses,
  type UnexplainedPower,
} from '@heliarch/core/now';

import { linesOf, type CardPlan } from '@heliarch/core/card';

import { linearSolver } from './linear-solver';

/** Often enough for an eye, seldom enough for the page. */
const PROGRESS_EVERY_MS = 100;

/** What stands beside a verdict: cautions, the power comes back, lights dip, volts drop, the limit to set. */
export interface Contingencies {
  readonly cautions: readonly CautionId[];
  readonly powerBack: PowerBack | undefined;
  readonly dimming: Dimming | undefined;
  readonly voltageDrops: readonly VoltageDrop[];
  readonly inputLimit: InputLimit | undefined;
}

/** A set on one of the supplies of its rig. */
export interface OnSupply {
  readonly supplyId: string;
  readonly result: CheckResult;
  /** VA beside it for hours. */
  readonly leftVA: number;
  readonly clock: BatteryClock | undefined;
  readonly inputLimit: InputLimit | undefined;
  /** Undefined where no source carries anything. */
  readonly dropOut: DropOut | undefined;
}

/** A load alone, and on top of what is on. */
export interface LoadAnswer {
  readonly alone: CheckResult;
  /** Undefined where it is on. */
  readonly outlook: Outlook | undefined;
}

/** What can be switched on beside what is on, and what of that cannot stay on. */
export interface AtTheSwitch {
  readonly answers: readonly SwitchOn[];
  readonly overloads: readonly Overload[];
}

/** What may have opened, and the way back from the first of them. */
export interface WentDark extends TripCauses {
  readonly wayBack: readonly RecoveryStep[];
}

/** Whether a line of a card is proved, and what is said of it. */
export interface LineProved {
  readonly isProved: boolean;
  readonly verdict: Verdict;
  readonly line: string;
  readonly detail: string;
}

/** How a question tells of its way: how far it is, and a part of the answer before there is all of it. */
export interface Telling<T = unknown> {
  readonly progress: Progress;
  readonly soFar: (found: T) => void;
}

/** The questions about a rig that take longer than a tick, as a worker answers them: one compiled rig for all. */
export class RigQuestions {
  private compiled: CompiledRig | undefined;

  /** The rig that everything from now on is asked about. */
  use(rig: Rig): void {
    this.compiled = compile(rig);
  }

  outlooks({ progress }: Telling, scene: CheckScene): ReadonlyMap<string, Outlook> {
    return outlooksOf(this.rigInUse, scene, throttled(progress));
  }

  settlement(_: Telling, scene: CheckScene, startOrder: StartOrderRule): Settlement | undefined {
    return settlementOf(this.rigInUse, scene, check(this.rigInUse, scene, startOrder));
  }

  /** @param kept Loads that must stay on. */
  waysToFit(
    { progress, soFar }: Telling<WaysToFit>,
    scene: CheckScene,
    startOrder: StartOrderRule,
    kept: readonly string[] = [],
  ): WaysToFit {
    const asked = { rig: this.rigInUse.rig, scene, startOrder };
    let hasTold = false;
    return waysToFit(asked, {
      kept,
      progress: throttled(progress),
      // The first is the least; the others come with all of them.
      tell: (found) => {
        if (!hasTold) soFar(found);
        hasTold = true;
      },
    });
  }

  contingencies(_: Telling, scene: CheckScene, startOrder: StartOrderRule): Contingencies {
    const { rig } = this.rigInUse;
    const result = check(this.rigInUse, scene, startOrder);
    return {
      cautions: cautionsOf(rig, result),
      powerBack: powerBackOf(this.rigInUse, scene),
      dimming: dimmingOf(result),
      voltageDrops: voltageDropsOf(rig, result),
      inputLimit: inputLimitOf(rig, result),
    };
  }

  unplannedLoads(_: Telling, scene: CheckScene, watts: number): readonly UnplannedLoad[] {
    return unplannedLoadsOf(this.rigInUse.rig, scene, watts);
  }

  worthLookingUp({ progress }: Telling, scene: CheckScene): readonly WorthLookingUp[] {
    return worthLookingUp(this.rigInUse, scene, throttled(progress));
  }

  onEverySupply(_: Telling, scene: Scene): readonly OnSupply[] {
    const { rig } = this.rigInUse;
    return rig.supplies.map(({ id }) => {
      const result = check(this.rigInUse, { ...scene, supply: id });
      return {
        supplyId: id,
        result,
        leftVA: leftBeside(rig, result),
        clock: batteryClockOf(scene, result),
        inputLimit: inputLimitOf(rig, result),
        dropOut: dropOutOf(this.rigInUse, { ...scene, supply: id }),
      };
    });
  }

  aboutLoad(_: Telling, scene: CheckScene, loadId: string): LoadAnswer {
    const alone = check(this.rigInUse, { supply: scene.supply, on: [{ load: loadId }] });
    return { alone, outlook: outlookOf(this.rigInUse, scene, loadId) };
  }

  whoRunsWithWhom(
    { progress }: Telling,
    question: Pick<SetQuestion, 'supply' | 'charge' | 'states'>,
  ): WhoRunsWithWhom {
    return whoRunsWithWhom(this.rigInUse, question, throttled(progress));
  }

  turns(_: Telling, scene: CheckScene): Turns | undefined {
    return turnsOf(this.rigInUse, scene);
  }

  combinations({ progress, soFar }: Telling<Combinations>, question: CombinationQuestion): Combinations {
    let toldAt = -Infinity;
    const tell = (found: Combinations): void => {
      if (performance.now() - toldAt < PROGRESS_EVERY_MS) return;
      toldAt = performance.now();
      soFar(found);
    };
    return combinationsOf(this.rigInUse, question, tell, throttled(progress));
  }

  /** @param growth Share that is left to grow. */
  enoughSizes({ progress }: Telling, wishes: readonly CheckScene[], growth: number): EnoughSizes {
    return enoughSizes(this.rigInUse.rig, wishes, growth, throttled(progress));
  }

  /** @param largest How many loads the largest combination has without a change. */
  oneChangeAway(
    { progress }: Telling,
    question: CombinationQuestion,
    largest: number,
  ): readonly OneChangeAway[] {
    return oneChangeAway(this.rigInUse, question, largest, throttled(progress));
  }

  /** Each better plan is told as it is found. */
  planDay({ progress, soFar }: Telling<DayPlan>, day: Day): DayPlan {
    return planOfDay(
      this.rigInUse,
      day,
      {},
      (better) => {
        soFar(planAsKept(this.rigInUse, { ...day, plan: [...better] }, 'sketch'));
      },
      throttled(progress),
    );
  }

  planAsKept(_: Telling, day: Day): DayPlan {
    return planAsKept(this.rigInUse, day);
  }

  reviewOfPlan(_: Telling, day: Day): PlanReview {
    return reviewOfPlan(this.rigInUse, day);
  }

  async proofOfPlan(_: Telling, day: Day): Promise<ProofOfPlan> {
    return proofOfPlan(this.rigInUse, day, await linearSolver());
  }

  placesOfPiece(_: Telling, day: Day, piece: Pick<Placement, 'job' | 'begin'>): readonly number[] {
    return placesOfPiece(this.rigInUse, day, piece);
  }

  /** Told before the changes that make room are known. */
  atTheSwitch({ progress, soFar }: Telling<AtTheSwitch>, scene: CheckScene): AtTheSwitch {
    const overloads = overloadsOf(this.rigInUse, scene);
    const tell = (answers: readonly SwitchOn[]): void => soFar({ answers, overloads });
    return { answers: canSwitchOn(this.rigInUse, scene, tell, throttled(progress)), overloads };
  }

  unexplainedPower(_: Telling, scene: CheckScene, reading: MeterReading): UnexplainedPower | undefined {
    return unexplainedPower(this.rigInUse, scene, reading);
  }

  wentDark(_: Telling, trip: Trip): WentDark {
    const charge = trip.percent === undefined ? undefined : { percent: trip.percent, atS: trip.atS };
    const scene = sceneOf({ supply: trip.supply, on: trip.on, charge });
    const found = tripCauses(this.rigInUse, scene, trip.started, trip.observation);
    const [first] = found.causes;
    return { ...found, wayBack: first ? recoveryStepsOf(this.rigInUse, scene, trip.started, first) : [] };
  }

  shortestCard({ progress }: Telling, supply: string): CardPlan {
    return shortestCard(this.rigInUse, supply, throttled(progress));
  }

  /** The proof of each line of a card, in their order. */
  proofsOfCard(_: Telling, plan: CardPlan, style: NumberStyle): readonly LineProved[] {
    const { rig } = this.rigInUse;
    return linesOf(plan).map((line) => {
      const proof = proofOfLine(this.rigInUse, plan, line);
      const { isProved, verdict } = proof;
      return { isProved, verdict, ...proofWords(style, rig, proof) };
    });
  }

  private get rigInUse(): CompiledRig {
    if (!this.compiled) throw new Error('Asked before there was a rig');
    return this.compiled;
  }
}

function throttled(progress: Progress): Progress {
  let saidAt = performance.now();
  return (done, of) => {
    if (performance.now() - saidAt < PROGRESS_EVERY_MS) return;
    saidAt = performance.now();
    progress(done, of);
  };
}
