import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { formatAmount } from '@heliarch/core/units';
import {
  USUAL_UNPLANNED_W,
  VERDICT_WORDS,
  type CheckResult,
  type CheckScene,
  type Verdict,
} from '@heliarch/core/check';
import type { Rig, SourceTest } from '@heliarch/core/rig';
import { unplannedLoadWords } from '@heliarch/core/explain';
import { EMPTY } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { AnswerState } from '../parts/answer-state';
import { ArrivalTest } from '../parts/arrival-test';
import { pedestalOf } from '../parts/shore-pedestal';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { keepTogether } from '../ui/keep-together';
import { VerdictMark } from '../parts/verdict-mark';
import { TakeTurns } from './take-turns';
import { TogetherState } from './together-state';
import { DipPlot } from './dip-plot';
import { contingencyLines } from './contingency-lines';

const UNPLANNED_W = [600, USUAL_UNPLANNED_W, 2400];

/** The questions beside the verdict: a line each, and what is behind it on request. */
@Component({
  selector: 'heli-contingencies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, ArrivalTest, ChoiceBar, DipPlot, TakeTurns, VerdictMark],
  template: `
    <h2>What else</h2>
    <heli-answer-state
      what="What else can happen"
      [answer]="state.contingenciesAsked()?.newest"
      (again)="state.askAgain()"
    />
    @if (result().verdict !== 'holds') {
      <div class="row">
        <button type="button" [attr.aria-expanded]="open() === 'turns'" (click)="toggle('turns')">
          <span class="question">Take turns</span>
          <span class="line"><span>What runs when, if not all at once?</span></span>
        </button>
        @if (open() === 'turns') {
          @defer (on immediate) {
            <heli-take-turns [rig]="rig()" [scene]="scene()" />
          }
        }
      </div>
    }
    @for (answer of answers(); track answer.id) {
      <div class="row">
        <button type="button" [attr.aria-expanded]="open() === answer.id" (click)="toggle(answer.id)">
          <span class="question">{{ answer.question }}</span>
          <span class="line">
            @if (answer.verdict; as verdict) {
              <heli-verdict-mark [mark]="verdict" /><span class="unseen">{{ word(verdict) }}. </span>
            }
            <span>{{ keep(answer.line) }}</span>
          </span>
        </button>
        @if (open() === answer.id) {
          <p>{{ keep(answer.detail) }}</p>
          @if (answer.id === 'dimming') {
            @defer (on immediate) {
              <heli-dip-plot [rig]="rig()" [result]="result()" />
            }
          }
        }
      </div>
    }
    <div class="row">
      <button type="button" [attr.aria-expanded]="open() === 'unplanned'" (click)="toggle('unplanned')">
        <span class="question">One more load</span>
        <span class="line">
          @if (unplanned(); as found) {
            <heli-verdict-mark [mark]="found.verdict" /><span class="unseen"
              >{{ word(found.verdict) }}.
            </span>
            <span>{{ keep(found.line) }}</span>
          } @else {
            <span>What would one more switch do?</span>
          }
        </span>
      </button>
      @if (open() === 'unplanned') {
        <heli-choice-bar
          class="small"
          legend="How large it is"
          [choices]="sizes"
          [selected]="watts() + ''"
          (choose)="watts.set(+$event)"
        />
        @if (unplanned(); as found) {
          <p>{{ keep(found.detail) }}</p>
        } @else if (asked()?.status === 'given') {
          <p>No circuit is fed.</p>
        }
        <heli-answer-state what="One more switch" [answer]="asked()" (again)="state.askAgain()" />
      }
    </div>
    @if (post(); as hookup) {
      <div class="row">
        <button type="button" [attr.aria-expanded]="open() === 'arrival'" (click)="toggle('arrival')">
          <span class="question">Arrival test</span>
          <span class="line"
            ><span>{{ hookup.line }}</span></span
          >
        </button>
        @if (open() === 'arrival') {
          @defer (on immediate) {
            <heli-arrival-test
              [rig]="rig()"
              [supply]="result().supply"
              [post]="hookup"
              (kept)="tested.emit($event)"
            />
          }
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    .row {
      padding: 4px 0 5px;
      border-bottom: 1px solid var(--rule);
    }
    button {
      display: grid;
      grid-template-columns: 150px 1fr;
      gap: 0 12px;
      width: 100%;
      min-height: 24px;
    }
    .question {
      color: var(--ink-2);
    }
    .line {
      font-weight: 500;
    }
    .line > span:last-child {
      text-decoration: underline dotted var(--rule-2);
      text-underline-offset: 3px;
    }
    heli-verdict-mark {
      width: 12px;
      height: 12px;
      margin-right: 6px;
      vertical-align: -1px;
    }
    p {
      padding: 2px 0 2px 162px;
      color: var(--ink-2);
    }
    heli-choice-bar {
      display: block;
      padding: 4px 0 2px 162px;
    }
    heli-dip-plot {
      display: block;
      padding: 6px 0;
    }
    heli-take-turns,
    heli-arrival-test {
      padding-left: 162px;
    }
    @media (max-width: 720px) {
      button {
        display: block;
        min-height: 44px;
      }
      .question {
        display: block;
      }
      p,
      heli-choice-bar,
      heli-take-turns,
      heli-arrival-test {
        padding-left: 0;
      }
    }
  `,
})
export class ContingencyList {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(TogetherState);
  private readonly questions = inject(Answers);

  readonly rig = input.required<Rig>();
  readonly scene = input.required<CheckScene>();
  readonly result = input.required<CheckResult>();
  /** An arrival test to be kept for the supply. */
  readonly tested = output<SourceTest>();

  protected readonly answers = computed(() => {
    const contingencies = this.state.contingencies();
    return contingencies ? contingencyLines(this.numberStyle, this.rig(), contingencies) : [];
  });

  protected readonly post = computed(() => pedestalOf(this.numberStyle, this.rig(), this.result().supply));

  protected readonly keep = keepTogether;
  protected readonly sizes: readonly Choice[] = UNPLANNED_W.map((watts) => ({
    id: `${watts}`,
    label: formatAmount(this.numberStyle, watts, 'W'),
  }));
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly watts = signal(USUAL_UNPLANNED_W);

  /** Every circuit is tried with it, so it is asked only while it shows. */
  private readonly unplannedAsked = toSignal(
    latest(
      toObservable(
        computed(() => ({
          rig: this.rig(),
          scene: this.scene(),
          watts: this.open() === 'unplanned' ? this.watts() : undefined,
        })),
      ),
      ({ rig, scene, watts }) =>
        watts === undefined ? EMPTY : this.questions.ask('tick', rig, 'unplannedLoads', scene, watts),
    ),
  );
  protected readonly unplanned = computed(() => {
    const given = this.unplannedAsked()?.given;
    if (this.open() !== 'unplanned' || given?.about.watts === undefined) return undefined;
    return unplannedLoadWords(this.numberStyle, given.about.rig, given.value, given.about.watts);
  });
  protected readonly asked = computed(() =>
    this.open() === 'unplanned' ? this.unplannedAsked()?.newest : undefined,
  );

  protected word(verdict: Verdict): string {
    return VERDICT_WORDS[verdict];
  }

  protected toggle(id: string): void {
    this.open.update((open) => (open === id ? undefined : id));
  }
}
