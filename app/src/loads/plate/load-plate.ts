import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  contradictionsOf,
  explain,
  kindOfPart,
  outlookWords,
  verdictPhrase,
  wireTablesOf,
  type Load,
} from '@heliarch/core';
import { EMPTY } from 'rxjs';
import { Answers } from '../../answers/answers';
import { latest } from '../../answers/latest';
import { AnswerState } from '../../ui/answer-state';
import { FieldGroup } from '../../ui/fields/field-group';
import { FieldHelpLine } from '../../ui/fields/field-help';
import { FieldRow } from '../../ui/fields/field-row';
import { NotKeptYet } from '../../ui/fields/not-kept-yet';
import { SheetContext } from '../../ui/fields/sheet-context';
import { VerdictMark } from '../../ui/verdict-mark';
import { LoadsState } from '../loads-state';
import { KickBand } from './kick-band';
import { RunningBand } from './running-band';
import { StagesPlot } from './stages-plot';
import { StatesBand } from './states-band';
import { TiesBand } from './ties-band';

/** Everything about one load, in bands as on an instrument plate. */
@Component({
  selector: 'heli-load-plate',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    FieldGroup,
    FieldHelpLine,
    FieldRow,
    KickBand,
    NotKeptYet,
    RunningBand,
    StagesPlot,
    StatesBand,
    TiesBand,
    VerdictMark,
  ],
  providers: [SheetContext],
  templateUrl: './load-plate.html',
  styleUrl: './load-plate.css',
})
export class LoadPlate {
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
      ({ rig, loadId }) => (rig.scenes[0] ? this.questions.aboutLoad(rig, rig.scenes[0], loadId) : EMPTY),
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
    const words = explain(rig, alone);
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
      ? `On top of your set: ${outlookWords(given.about.rig, this.load(), outlook)}.`
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

  constructor() {
    effect(() => this.sheet.target.set({ list: 'loads', id: this.load().id }));
  }
}
