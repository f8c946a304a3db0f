import { UnitChoice } from '../../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormArray, ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import {
  check,
  compile,
  explain,
  formatAmount,
  formatNumber,
  systemOfLoad,
  verdictPhrase,
  withPartNumber,
  type Load,
  type Part,
  type Quantity,
} from '@heliarch/core';
import { judgeStart, START_FAULT_WORDS } from '@heliarch/core/editing';
import { map } from 'rxjs';
import { QuantityControl } from '../../components/quantity/quantity-control';
import {
  readingControl,
  readingFault,
  readingOf,
  readingsForm,
  readingsOf,
} from '../../components/quantity/readings';
import { RigSession } from '../../storage/rig-session';

export interface StartTaken {
  readonly va: Quantity;
  readonly seconds: Quantity | undefined;
}

const FIRST_SHOWN = 5;
const MOST_STARTS = 8;

/** The readings of a start in the order they are taken, judged as they come in. */
@Component({
  selector: 'heli-start-test-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, QuantityControl, ReactiveFormsModule],
  template: `
    <ol>
      <li>Clamp ONE conductor, not the whole cord. Everything else that is on stays as it is.</li>
      <li>
        <heli-quantity
          look="row"
          name="Base before"
          unit="A"
          [isPlain]="true"
          [fault]="faultOf(form.controls['before']!)"
          [formControl]="form.controls['before']!"
        />
      </li>
      <li>
        Starts, A, at least one of them warm and against pressure; wait as long as it asks for in between.
        <span class="starts">
          @for (control of starts.controls; track control; let index = $index) {
            <heli-quantity
              look="reading"
              unit="A"
              [name]="'Start ' + (index + 1)"
              [isPlain]="true"
              [fault]="faultOf(control)"
              [formControl]="control"
            />
          }
        </span>
      </li>
      <li>
        <heli-quantity
          look="row"
          name="How long the longest lasted"
          unit="s"
          [isPlain]="true"
          [fault]="faultOf(form.controls['seconds']!)"
          [formControl]="form.controls['seconds']!"
        />
      </li>
      <li>
        <heli-quantity
          look="row"
          name="Base after"
          unit="A"
          [isPlain]="true"
          [fault]="faultOf(form.controls['after']!)"
          [formControl]="form.controls['after']!"
        />
      </li>
    </ol>
    <div role="status">
      @if (judged(); as found) {
        <p class="figures">
          <strong>{{ amps(found.amps) }} less the base, {{ va(found.va.value) }}.</strong>
          {{ found.agreeing }} of {{ readings()?.startsA?.length }} starts agree within 10 %:
          {{ found.va.basis === 'measured' ? 'it counts as measured.' : 'not measured yet.' }}
        </p>
        @for (fault of found.faults; track fault) {
          <p>{{ words[fault] }}</p>
        }
        @if (effect(); as effect) {
          <p>{{ effect }}</p>
        }
      } @else {
        <p class="caption">Base before and the first start are enough to begin with.</p>
      }
    </div>
    <button type="button" nz-button [disabled]="!judged() || starts.invalid || form.invalid" (click)="take()">
      Keep these readings
    </button>
  `,
  styles: `
    :host {
      display: block;
      margin: 4px 0 10px;
      padding: 8px 0 8px 14px;
      border-left: 3px solid var(--sun);
    }
    ol {
      padding-left: 18px;
      list-style: decimal;
    }
    li {
      padding: 3px 0;
      color: var(--ink-2);
    }
    .starts {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    p {
      padding: 2px 0;
    }
  `,
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
