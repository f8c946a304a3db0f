import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  Injector,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { CHEMISTRIES, choiceWords } from '@heliarch/core/rig';
import { MAINS, type MainsId } from '@heliarch/core/describe';
import { FieldStyles } from '../../ui/library/field-styles';
import { LibraryStyles } from '../../ui/library/library-styles';
import { ChoiceBar } from '../../ui/choice-bar';
import { QuantityControl } from '../../parts/quantity/quantity-control';
import { Checkbox } from '../../ui/checkbox';
import { UnitChoice } from '../../parts/unit-choice';
import { RigShelf } from '../../storage/rig-shelf';
import { OneLineDiagram } from '../one-line/one-line';
import { RigState } from '../rig-state';
import { AskedNumber } from './asked-number';
import {
  CIRCUIT_AMPS,
  circuitRow,
  faultIn,
  HOOKUP,
  hookupRow,
  NUMBERS,
  TIER,
  tierRow,
} from './first-run-form';
import { FirstRunState } from './first-run-state';
import { OwnLoads } from './own-loads';
import { FIRST_QUESTION, type Question, type QuestionId } from './questions';
import { told } from './told';

/** A rig of one's own by a few questions; every one of them can be left open. */
@Component({
  selector: 'heli-first-run',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AskedNumber,
    ChoiceBar,
    NzButtonComponent,
    NzInputDirective,
    OneLineDiagram,
    OwnLoads,
    QuantityControl,
    ReactiveFormsModule,
    Checkbox,
  ],
  providers: [{ provide: RigState, useExisting: FirstRunState }],
  templateUrl: './first-run.html',
  styleUrl: './first-run.css',
})
export class FirstRun {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(FirstRunState);
  private readonly shelf = inject(RigShelf);
  private readonly injector = inject(Injector);
  private readonly heading = viewChild.required<ElementRef<HTMLElement>>('heading');

  readonly done = output();
  readonly left = output();
  /** What the rig is called so far. */
  readonly named = output<string>();

  protected readonly form = this.state.form;
  protected readonly index = signal(0);
  protected readonly question = computed(
    (): Question => this.state.questions()[this.index()] ?? FIRST_QUESTION,
  );
  protected readonly isLast = computed(() => this.index() === this.state.questions().length - 1);
  /** Told once somebody wants to go on: what must be mended here, or, at the end, anywhere. */
  private readonly isAsked = signal(false);
  private readonly obstacles = computed(() =>
    this.state.faultsOf(this.isLast() ? 'all' : this.question().id),
  );
  protected readonly faults = computed(() => (this.isAsked() ? this.obstacles() : []));
  protected readonly told = computed(() => told(this.numberStyle, this.state.rig()));

  protected readonly numbers = NUMBERS;
  protected readonly tierAsked = TIER;
  protected readonly hookupAsked = HOOKUP;
  protected readonly circuitAmps = CIRCUIT_AMPS;
  protected readonly faultIn = faultIn;
  protected readonly mains = (Object.keys(MAINS) as MainsId[]).map((id) => ({ id, label: MAINS[id].words }));
  protected readonly feeds = FEEDS;
  protected readonly chemistries = CHEMISTRIES.map((id) => ({ id, label: choiceWords(id) }));
  protected readonly assists = ASSISTS;
  protected readonly chargers = CHARGERS;
  protected readonly hasLegs = computed(() => MAINS[this.state.answers().mains].poles === 'split-180');
  protected readonly pairVolts = computed(() => 2 * MAINS[this.state.answers().mains].volts);

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    effect(() => this.named.emit(this.state.rig().name));
  }

  protected go(index: number): void {
    this.isAsked.set(false);
    this.index.set(Math.min(this.state.questions().length - 1, Math.max(0, index)));
    afterNextRender(() => this.heading().nativeElement.focus(), { injector: this.injector });
  }

  protected goTo(question: QuestionId): void {
    this.go(this.state.questions().findIndex(({ id }) => id === question));
  }

  protected next(): void {
    this.isAsked.set(true);
    if (this.obstacles().length > 0) return;
    if (!this.isLast()) {
      this.go(this.index() + 1);
      return;
    }
    this.shelf.openNew(this.state.rig());
    this.state.reset();
    this.done.emit();
  }

  protected addTier(): void {
    this.form.controls.tiers.push(tierRow());
  }

  protected addHookup(): void {
    this.form.controls.hookups.push(hookupRow());
  }

  protected addCircuit(): void {
    this.form.controls.circuits.push(circuitRow());
  }
}

const FEEDS = [
  { id: 'inverter', label: 'An inverter with its battery, and shore where there is any' },
  { id: 'wall', label: 'The wall alone: a workshop or a house' },
] as const;
const ASSISTS = [
  { id: 'yes', label: 'Yes' },
  { id: 'no', label: 'No, or I do not know' },
] as const;
const CHARGERS = [
  { id: 'in-inverter', label: 'The inverter itself' },
  { id: 'separate', label: 'A separate converter or charger' },
  { id: 'none', label: 'Nothing' },
] as const;
