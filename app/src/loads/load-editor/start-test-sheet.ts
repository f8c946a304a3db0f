import { UnitChoice } from '../../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormArray, ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzStepComponent, NzStepsComponent } from 'ng-zorro-antd/steps';
import { check, compile, explain, verdictPhrase } from '@heliarch/core/check';
import { formatAmount, formatNumber, type Quantity } from '@heliarch/core/units';
import { systemOfLoad, withPartNumber, type Load, type Part } from '@heliarch/core/rig';
import { judgeStart, START_FAULT_WORDS } from '@heliarch/core/describe';
import { map } from 'rxjs';
import { OwnSteps } from '../../ui/library/own-steps';
import { QuantityControl } from '../../parts/quantity/quantity-control';
import {
  readingControl,
  readingFault,
  readingOf,
  readingsForm,
  readingsOf,
} from '../../parts/quantity/readings';
import { RigSession } from '../../storage/rig-session';

export interface StartTaken {
  readonly va: Quantity;
  readonly seconds: Quantity | undefined;
}

const FIRST_SHOWN = 5;
const MOST_STARTS = 8;
/** Fewer that agree do not count as measured. */
const ENOUGH_STARTS = 3;
const Step = { before: 1, starts: 2, seconds: 3, after: 4, done: 5 } as const;

/** The readings of a start in the order they are taken, judged as they come in. */
@Component({
  selector: 'heli-start-test-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    NzButtonComponent,
    NzStepComponent,
    NzStepsComponent,
    OwnSteps,
    QuantityControl,
    ReactiveFormsModule,
  ],
  templateUrl: './start-test-sheet.html',
  styleUrl: './start-test-sheet.css',
})
export class StartTestSheet {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);
  readonly load = input.required<Load>();
  readonly part = input.required<Part>();
  readonly taken = output<StartTaken>();

  protected readonly words = START_FAULT_WORDS;
  protected readonly form = readingsForm(['before', 'after', 'seconds']);
  private readonly values = readingsOf(this.form);
  /** Five, and one more as long as the last one is filled. */
  protected readonly starts = new FormArray(Array.from({ length: FIRST_SHOWN }, readingControl));
  private readonly startsA = toSignal(
    this.starts.events.pipe(map(() => this.starts.controls.flatMap((each) => readingOf(each) ?? []))),
    { initialValue: [] },
  );
  protected readonly faultOf = readingFault;

  constructor() {
    this.starts.valueChanges.pipe(takeUntilDestroyed()).subscribe((values) => {
      if (values.length < MOST_STARTS && values.every((value) => value !== null))
        this.starts.push(readingControl(), { emitEvent: false });
    });
  }

  protected readonly readings = computed(() => {
    const { before, after } = this.values();
    const rig = this.session.rig();
    if (before === undefined || !rig) return undefined;
    return {
      baseBeforeA: before,
      baseAfterA: after,
      startsA: this.startsA(),
      volts: systemOfLoad(rig, this.load()).volts,
    };
  });
  protected readonly judged = computed(() => {
    const readings = this.readings();
    return readings && judgeStart(readings);
  });

  /** The step at hand: the first that has no reading yet. */
  protected readonly at = computed(() => {
    const { before, seconds, after } = this.values();
    if (before === undefined) return Step.before;
    if (this.startsA().length < ENOUGH_STARTS) return Step.starts;
    return seconds === undefined ? Step.seconds : after === undefined ? Step.after : Step.done;
  });

  /** What the set that is on says with this start, where it says something else than now. */
  protected readonly effect = computed(() => {
    const rig = this.session.rig();
    const found = this.judged();
    const scene = rig?.scenes[0];
    if (!rig || !found || !scene) return undefined;
    const after = withPartNumber(rig, this.load().id, this.part().id, 'start', found.va);
    const [now, then] = [check(compile(rig), scene), check(compile(after), scene)];
    const [wordsNow, wordsThen] = [
      explain(this.numberStyle, rig, now),
      explain(this.numberStyle, after, then),
    ];
    if (wordsNow.action === wordsThen.action && now.verdict === then.verdict)
      return 'The set that is on stays as it is.';
    return `The set that is on: ${verdictPhrase(wordsNow)} becomes ${verdictPhrase(wordsThen)}. ${wordsThen.action}`;
  });

  /** What was measured three times stands until the hand says otherwise. */
  protected readonly replacesThree = computed(() => {
    const { va, from } = this.part().start ?? {};
    const kept = va ?? from?.inrushA;
    const found = this.judged();
    const isKeptWell = kept?.basis === 'measured' && (kept.readings ?? ENOUGH_STARTS) >= ENOUGH_STARTS;
    return isKeptWell && found !== undefined && (found.va.readings ?? 0) < ENOUGH_STARTS;
  });

  protected known({ basis, readings = 0 }: Quantity): string {
    if (basis !== 'measured') return 'not measured: the base moved.';
    return readings < ENOUGH_STARTS ? 'measured once.' : 'it counts as measured.';
  }

  protected take(): void {
    const [found, readings] = [this.judged(), this.readings()];
    if (!found || !readings) return;
    const { seconds } = this.values();
    const note = `Starts ${readings.startsA.join(', ')} A; base ${readings.baseBeforeA}${readings.baseAfterA === undefined ? '' : ` and ${readings.baseAfterA}`} A at ${readings.volts} V.`;
    this.taken.emit({
      va: { ...found.va, value: Math.round(found.va.value), note },
      seconds: seconds ? { value: seconds, basis: 'measured' } : undefined,
    });
  }

  protected amps(value: number): string {
    return `${formatNumber(this.numberStyle, value, 1)} A`;
  }

  protected va(value: number): string {
    return formatAmount(this.numberStyle, value, 'VA');
  }
}
