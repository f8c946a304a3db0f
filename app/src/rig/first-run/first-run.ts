import type { NumberStyle } from '@heliarch/core';
import { UnitChoice } from '../../components/unit-choice';
import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import {
  CHEMISTRIES,
  dcWatts,
  formatAmount,
  formatNumber,
  lossCurveOf,
  type Rig,
  choiceWords,
} from '@heliarch/core';
import { findTypicalLoads, MAINS, type MainsId } from '@heliarch/core/editing';
import { RigSession } from '../../storage/rig-session';
import { ChoiceBar } from '../../components/choice-bar';
import { OneLineDiagram } from '../one-line/one-line';
import { RigState } from '../rig-state';
import {
  BATTERY_NUMBERS,
  FirstRunState,
  GENERATOR_NUMBERS,
  HOOKUP_NUMBERS,
  INVERTER_NUMBERS,
  SUN_NUMBERS,
} from './first-run-state';
import { NumberCells } from './number-cells';

interface Question {
  readonly id: string;
  readonly step: string;
  readonly title: string;
  readonly why: string;
  readonly hint: string;
}

const FIRST: Question = {
  id: 'mains',
  step: 'Mains',
  title: 'Which mains do your outlets have?',
  why: 'It says how many amps a watt is, and which breakers are usual.',
  hint: 'It is on the nameplate of anything you plug in. Two legs only where the inlet has four blades.',
};

const QUESTIONS: readonly Question[] = [
  FIRST,
  {
    id: 'battery',
    step: 'Battery',
    title: 'What is your battery?',
    why: 'It says how long, and how much at once.',
    hint: 'On its label. In series the volts add, side by side the amp-hours.',
  },
  {
    id: 'inverter',
    step: 'Inverter',
    title: 'What does your inverter carry?',
    why: 'Running without end, and for the moment in which a motor starts.',
    hint: 'Look in the data sheet under surge or peak. The figure in its name is often its peak.',
  },
  {
    id: 'hookup',
    step: 'Hookup',
    title: 'What do you plug into?',
    why: 'The smallest breaker between the post and you decides. Leave it open if you never do.',
    hint: 'On an adapter the smaller side counts.',
  },
  {
    id: 'sun',
    step: 'Sun',
    title: 'How much solar is on the roof?',
    why: 'It is kept for the day plan.',
    hint: 'On the label on the back of each panel.',
  },
  {
    id: 'generator',
    step: 'Generator',
    title: 'Do you carry a generator?',
    why: 'It stands in for the hookup.',
    hint: 'Its running watts, not the peak in its name.',
  },
  {
    id: 'circuits',
    step: 'Circuits',
    title: 'Which breakers are behind the inverter?',
    why: 'Loads on one breaker share its limit.',
    hint: 'Switch the inverter off without shore: what goes dead is behind it.',
  },
  {
    id: 'loads',
    step: 'First loads',
    title: 'What do you run?',
    why: 'Begin with what trips things: motors, compressors, heaters, cookers.',
    hint: 'Usual values are taken and marked as typical; correct them in Loads when you have read or measured them.',
  },
];

const NUMBERS = {
  battery: BATTERY_NUMBERS,
  inverter: INVERTER_NUMBERS,
  hookup: HOOKUP_NUMBERS,
  sun: SUN_NUMBERS,
  generator: GENERATOR_NUMBERS,
} as const;

const MOST_FOUND = 12;
const PERCENT = 100;

/** A rig of one's own in eight questions; every one of them can be left open. */
@Component({
  selector: 'heli-first-run',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, NumberCells, NzButtonModule, OneLineDiagram],
  providers: [{ provide: RigState, useExisting: FirstRunState }],
  templateUrl: './first-run.html',
  styleUrl: './first-run.css',
})
export class FirstRun {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(FirstRunState);
  private readonly session = inject(RigSession);
  private readonly injector = inject(Injector);
  private readonly heading = viewChild.required<ElementRef<HTMLElement>>('heading');

  readonly done = output();
  readonly left = output();

  protected readonly questions = QUESTIONS;
  protected readonly index = signal(0);
  protected readonly question = computed(() => QUESTIONS[this.index()] ?? FIRST);
  protected readonly numbers = computed(
    () =>
      NUMBERS[this.question().id as keyof typeof NUMBERS] as
        (typeof NUMBERS)[keyof typeof NUMBERS] | undefined,
  );
  protected readonly isLast = computed(() => this.index() === QUESTIONS.length - 1);
  /** What must be mended here, or, at the end, anywhere. */
  protected readonly faults = computed(() => {
    if (this.isLast()) return this.state.faults();
    if (this.question().id === 'circuits')
      return this.state.circuits().flatMap((circuit) => this.state.circuitFault(circuit) ?? []);
    return (this.numbers() ?? []).flatMap((asked) => this.state.faultOf(asked) ?? []);
  });

  protected readonly mains = (Object.keys(MAINS) as MainsId[]).map((id) => ({ id, label: MAINS[id].words }));
  protected readonly chemistries = CHEMISTRIES.map((id) => ({ id, label: choiceWords(id) }));
  protected readonly assists = [
    { id: 'yes', label: 'Yes' },
    { id: 'no', label: 'No, or I do not know' },
  ] as const;
  protected readonly words = signal('');
  protected readonly found = computed(() => findTypicalLoads(this.words()).slice(0, MOST_FOUND));

  /** What the answers already tell. */
  protected readonly told = computed(() => tells(this.numberStyle, this.state.rig()));

  protected go(index: number): void {
    this.index.set(Math.min(QUESTIONS.length - 1, Math.max(0, index)));
    afterNextRender(() => this.heading().nativeElement.focus(), { injector: this.injector });
  }

  protected next(): void {
    if (this.faults().length > 0) return;
    if (!this.isLast()) {
      this.go(this.index() + 1);
      return;
    }
    this.session.openNew(this.state.rig());
    this.state.reset();
    this.done.emit();
  }

  protected addFirst(): void {
    const [first] = this.found();
    if (first && this.words().trim() !== '') {
      this.state.addLoad(first);
      this.words.set('');
    }
  }
}

function tells(style: NumberStyle, rig: Rig): readonly string[] {
  const [converter] = rig.converters;
  const [battery] = rig.batteries;
  const volts = rig.buses.find(({ id }) => id === battery?.bus)?.volts;
  if (!converter || !battery || volts === undefined) return [];
  const { continuousW, continuousVA } = converter;
  const watts = dcWatts(lossCurveOf(converter), continuousW.value, continuousVA.value);
  const share = 1 - (battery.reservePercent ?? 0) / PERCENT;
  const hours = (battery.ampHours.value * volts * share) / watts;
  const amps = watts / volts;
  return [
    `${formatAmount(style, continuousW.value, 'W')} running empties the battery to its reserve in ${formatNumber(style, hours, 1)} h.`,
    `That is ${formatAmount(style, amps, 'A')} out of the battery.`,
    rig.loads.length === 0 ? 'Starts: after the last question.' : `${rig.loads.length} loads to ask about.`,
  ];
}
