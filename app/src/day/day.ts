import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { capitalised, formatPercent } from '@heliarch/core/units';
import { compareVerdicts } from '@heliarch/core/check';
import type { Day as DayOfRig, Job } from '@heliarch/core/rig';
import {
  assumptionWords,
  cutWords,
  energyWords,
  ENERGY_WORDS,
  SLOT_MINUTES as SLOT,
  whOf,
  theElement,
  momentInPlan,
  sunUseWords,
  unplacedWords,
  type DayPlan,
  type Misplacement,
  type PlannedPiece,
} from '@heliarch/core/day';
import { AnswerState } from '../parts/answer-state';
import { LongWork } from '../parts/long-work';
import { NothingHere } from '../ui/nothing-here';
import { UnitChoice } from '../parts/unit-choice';
import { VerdictMark } from '../parts/verdict-mark';
import { DayLanes } from './day-lanes';
import { DaySheet } from './day-sheet';
import { DayState } from './day-state';
import { EnergyMark } from '../parts/energy-mark';
import { JobSheet } from './job-sheet';
import { placesOfPiece } from './places-of-piece';
import { jobTerms } from './lane-rows';
import { PlanReview } from './review/plan-review';
import type { TakenAs } from './take-along';
import { troublesOf, type Trouble } from './troubles';

/** A job with where it stands in the plan. */
interface JobRow {
  readonly job: Job;
  readonly terms: string;
  readonly begin: string | undefined;
  readonly slack: number | undefined;
  readonly isPinned: boolean;
  /** What it takes, where it is placed. */
  readonly energy: string;
}

/** A piece that does not belong where it is, or does not hold there. */
interface TroubleLine {
  readonly piece: PlannedPiece;
  readonly verdict: Trouble | undefined;
  readonly words: string;
  readonly because: string | undefined;
}

const MISPLACED = {
  window: 'outside its window',
  order: 'before what it comes after',
  rest: 'its load runs or rests then',
  turns: 'something runs that it takes turns with',
  attended: 'you stand beside something else then',
  'not-fed': 'nothing feeds it then',
} as const satisfies Record<Misplacement, string>;

/** The room of the day: what must get done, when it runs, and whether the battery lasts. */
@Component({
  selector: 'heli-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    CdkMenu,
    CdkMenuItem,
    CdkMenuTrigger,
    DayLanes,
    DaySheet,
    EnergyMark,
    JobSheet,
    LongWork,
    NothingHere,
    NzButtonComponent,
    PlanReview,
    VerdictMark,
  ],
  providers: [DayState],
  templateUrl: './day.html',
  styleUrls: ['./day.css', '../ui/menu.css'],
})
export class Day {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(DayState);
  /** What lies over the room. */
  protected readonly over = signal<'day' | 'job' | undefined>(undefined);
  protected readonly jobId = signal<string | undefined>(undefined);

  protected readonly isPlanned = computed(() => this.state.pieces().length > 0);
  protected readonly energyWord = computed(() => {
    const plan = this.state.plan();
    return plan && ENERGY_WORDS[plan.energy];
  });
  protected readonly dateWords = computed(() => {
    const day = this.state.day();
    return day && DATE.format(new Date(`${day.date}T12:00:00`));
  });
  protected readonly facts = computed(() => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    return day && plan ? this.factsOf(day, plan) : undefined;
  });

  protected readonly assumptions = computed(() => {
    const day = this.state.day();
    return day ? assumptionWords(this.state.rig(), day) : [];
  });

  /** What to do with sun that is thrown away; undefined until it is known. */
  protected readonly sunUses = computed(() => {
    const [day, review] = [this.state.day(), this.state.review()];
    if (!day || !review) return undefined;
    return review.sunUses.map((use) => sunUseWords(this.numberStyle, this.state.rig(), day, use));
  });

  protected readonly cuts = computed(() => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    return day && plan ? cutWords(day, plan) : [];
  });

  protected readonly needs = computed(() => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    if (!day || !plan) return [];
    return plan.unplaced.map((each) => ({
      ...unplacedWords(this.numberStyle, this.state.rig(), day, each),
      job: each.job,
    }));
  });
  /** What was put where it does not belong, and what does not hold where it is. */
  protected readonly troubles = computed((): readonly TroubleLine[] => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    if (!day || !plan) return [];
    const at = (piece: PlannedPiece): string =>
      `${nameOf(day, piece.job)} at ${momentInPlan(day, piece.begin)}`;
    const failing = [...troublesOf(plan)].map(([piece, verdict]) => ({
      piece,
      verdict,
      words: `${at(piece)}: ${TROUBLE_WORDS[verdict]}`,
      because: deciderOf(plan, piece),
    }));
    const misplaced = plan.pieces.flatMap((piece) =>
      piece.misplaced
        ? [
            {
              piece,
              verdict: undefined,
              words: `${at(piece)}: ${MISPLACED[piece.misplaced]}`,
              because: undefined,
            },
          ]
        : [],
    );
    return [...failing, ...misplaced];
  });
  private readonly places = placesOfPiece(computed(() => this.troubles()[0]?.piece));
  /** The moment nearest to where the first of them stands at which it holds. */
  protected readonly nearest = computed(() => {
    const [first] = this.troubles();
    const places = this.places();
    const day = this.state.day();
    if (!first || !places || !day) return undefined;
    const away = (begin: number): number => Math.abs(begin - first.piece.begin);
    const [begin] = [...places].sort((x, y) => away(x) - away(y));
    return begin === undefined ? undefined : { begin, time: momentInPlan(day, begin) };
  });

  protected readonly rows = computed((): readonly JobRow[] => {
    const day = this.state.day();
    if (!day) return [];
    const pieces = this.state.pieces();
    const placeOf = ({ id }: Job): PlannedPiece | undefined => pieces.find(({ job }) => job === id);
    return day.jobs
      .map((job): JobRow & { readonly at: number } => {
        const piece = placeOf(job);
        const wh = this.state.plan()?.whOfJobs[job.id];
        return {
          job,
          terms: jobTerms(day, job),
          at: isAllDay(job) ? MOST_MINUTES : (piece?.begin ?? Infinity),
          begin: piece && momentInPlan(day, piece.begin),
          slack: piece?.later,
          isPinned: piece?.pinned === 'yes',
          energy: wh === undefined ? '' : `, ${energyWords(this.numberStyle, wh)}`,
        };
      })
      .sort((a, b) => a.at - b.at);
  });

  protected moveToNearest(): void {
    const [first] = this.troubles();
    const nearest = this.nearest();
    if (first && nearest) this.state.move(first.piece, nearest.begin);
  }

  protected openJob(id: string): void {
    this.jobId.set(id);
    this.over.set('job');
  }

  protected addJob(loadId: string): void {
    const id = this.state.addJob(loadId);
    if (id !== undefined) this.openJob(id);
  }

  /** Why the plan could not be saved as a file, or what is not in it. */
  protected readonly notTaken = signal<string | undefined>(undefined);

  protected async take(as: TakenAs): Promise<void> {
    const [rig, day, plan] = [this.state.rig(), this.state.day(), this.state.plan()];
    if (!day || !plan) return;
    const { takeAlong } = await import('./take-along');
    this.notTaken.set(takeAlong(as, rig, day, plan));
  }

  /** Once the menu is gone from the page. */
  protected print(): void {
    setTimeout(() => window.print());
  }

  protected addDay(): void {
    this.state.add(new Date().toLocaleDateString('sv-SE'));
  }

  private factsOf(day: DayOfRig, plan: DayPlan) {
    const { charge, fullWh, generatorMinutes, directSunWh, lowest, pieces, curtailedW } = plan;
    const slack = Math.min(...pieces.filter(({ later }) => later > 0).map(({ later }) => later));
    const curtailedWh = whOf(curtailedW);
    return {
      lowest: `${formatPercent(this.numberStyle, lowest.wh / fullWh)} at ${momentInPlan(day, lowest.minutes)}`,
      worst: formatPercent(this.numberStyle, Math.min(...charge.worst) / fullWh),
      generator: `${generatorMinutes} min`,
      slack: Number.isFinite(slack) ? `${slack} min` : 'none',
      sun: energyWords(this.numberStyle, directSunWh),
      thrown: curtailedWh > LITTLE_WH ? energyWords(this.numberStyle, curtailedWh) : undefined,
      greyHour: plan.survivesGreyHour,
      endsAsAsked: plan.endsAsAsked,
    };
  }
}

/** What is on all day stands behind what has to be begun. */
const MOST_MINUTES = Number.MAX_SAFE_INTEGER;
const isAllDay = ({ minutes, from, until }: Job): boolean =>
  minutes === undefined && from === undefined && until === undefined;

const nameOf = ({ jobs }: DayOfRig, id: string): string => jobs.find((job) => job.id === id)?.name ?? id;

const TROUBLE_WORDS: Readonly<Record<Trouble, string>> = {
  tight: 'only tight',
  'likely-trips': 'likely trips',
  trips: 'trips',
};

/** The limit that decides in the worst of its moments. */
function deciderOf({ moments }: DayPlan, { begin, minutes }: PlannedPiece): string | undefined {
  const own = moments.filter(
    ({ from, until, verdict }) =>
      verdict !== 'holds' && from * SLOT < begin + minutes && until * SLOT > begin,
  );
  const [worst] = [...own].sort((a, b) => compareVerdicts(b.verdict, a.verdict));
  const name = worst?.decider?.element.name;
  return name === undefined ? undefined : capitalised(theElement(name));
}

/** Less sun than this is not worth a word. */
const LITTLE_WH = 100;
const DATE = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
