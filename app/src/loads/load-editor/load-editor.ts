import { UnitChoice } from '../../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { explain, outlookWords, verdictPhrase, wattsInState } from '@heliarch/core/check';
import { kindOfPart, type Load } from '@heliarch/core/rig';
import { contradictionsOf, wireTablesOf } from '@heliarch/core/describe';
import { EMPTY } from 'rxjs';
import { Answers } from '../../compute/answers';
import { latest } from '../../compute/latest';
import { AnswerState } from '../../parts/answer-state';
import { FieldGroup } from '../../parts/fields/field-group';
import { FieldHelpLine } from '../../parts/fields/field-help';
import { FieldRow } from '../../parts/fields/field-row';
import { NotKeptYet } from '../../parts/fields/not-kept-yet';
import { SheetContext } from '../../parts/fields/sheet-context';
import { CabinEstimate } from '../../parts/heat/cabin-estimate';
import { Plot } from '../../ui/plot/plot';
import { VerdictMark } from '../../parts/verdict-mark';
import { LoadsState } from '../loads-state';
import { StartSection } from './start-section';
import { RunningSection } from './running-section';
import { stagesPlot } from './stages-plot';
import { StatesSection } from './states-section';
import { TiesSection } from './ties-section';

/** Everything about one load, section by section. */
@Component({
  selector: 'heli-load-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    FieldGroup,
    FieldHelpLine,
    FieldRow,
    NotKeptYet,
    NzButtonComponent,
    Plot,
    CabinEstimate,
    RouterLink,
    RunningSection,
    StartSection,
    StatesSection,
    TiesSection,
    VerdictMark,
  ],
  providers: [SheetContext],
  templateUrl: './load-editor.html',
  styleUrl: './load-editor.css',
})
export class LoadEditor {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(LoadsState);
  protected readonly sheet = inject(SheetContext);
  readonly load = input.required<Load>();

  protected readonly subtitle = computed(() =>
    [...new Set(this.load().parts.map(({ kind }) => kindOfPart(kind).name))].join(', with a '),
  );

  private readonly questions = inject(Answers);
  private readonly attempt = signal(0);
  protected readonly asked = toSignal(
    latest(
      toObservable(
        computed(() => ({ rig: this.state.rig(), loadId: this.load().id, attempt: this.attempt() })),
      ),
      ({ rig, loadId }) =>
        rig.scenes[0] ? this.questions.ask('tick', rig, 'aboutLoad', rig.scenes[0], loadId) : EMPTY,
    ),
  );
  /** What was given last about this load. */
  private readonly given = computed(() => {
    const given = this.asked()?.given;
    return given?.about.loadId === this.load().id ? given : undefined;
  });

  /** Started alone on the supply of the set, and what it means for the set itself. */
  protected readonly alone = computed(() => {
    const given = this.given();
    if (!given) return undefined;
    const { rig } = given.about;
    const { alone } = given.value;
    const words = explain(this.numberStyle, rig, alone);
    const [notFed] = alone.notFed;
    return {
      verdict: alone.verdict,
      supply: alone.supply.name,
      isFed: notFed === undefined,
      words: notFed ? `Not on this supply: ${notFed.because}.` : `${verdictPhrase(words)}. ${words.action}`,
    };
  });

  protected readonly inSet = computed(() => {
    const given = this.given();
    if (!given) return '';
    const { outlook } = given.value;
    return outlook
      ? `On top of your set: ${outlookWords(this.numberStyle, given.about.rig, this.load(), outlook)}.`
      : 'It is on in your set.';
  });

  protected askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  /** What contradicts what in this load, as typed. */
  protected readonly slips = computed(() => {
    const rig = this.sheet.sound();
    const at = `loads[${rig.loads.findIndex(({ id }) => id === this.load().id)}]`;
    return contradictionsOf(rig, wireTablesOf(rig)).filter(({ path }) => path.startsWith(at));
  });

  protected readonly stages = computed(() => stagesPlot(this.numberStyle, this.state.rig(), this.load()));

  protected readonly isEstimating = signal(false);
  protected readonly watts = computed(() => wattsInState(this.state.rig(), this.load(), undefined));

  protected takeCycle({ onMinutes, offMinutes }: NonNullable<Load['cycling']>): void {
    this.sheet.set('cycling', { onMinutes, offMinutes });
    this.isEstimating.set(false);
  }

  constructor() {
    effect(() => this.sheet.target.set({ list: 'loads', id: this.load().id }));
  }
}
