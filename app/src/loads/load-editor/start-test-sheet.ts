import type { NumberStyle } from '@heliarch/core';
import { UnitChoice } from '../../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import {
  check,
  compile,
  explain,
  formatAmount,
  formatNumber,
  parseNumber,
  systemOfLoad,
  verdictPhrase,
  withPartNumber,
  type Load,
  type Part,
  type Quantity,
} from '@heliarch/core';
import { judgeStart, START_FAULT_WORDS } from '@heliarch/core/editing';
import { RigSession } from '../../storage/rig-session';

export interface StartTaken {
  readonly va: Quantity;
  readonly seconds: Quantity | undefined;
}

const STARTS = [0, 1, 2, 3, 4, 5, 6, 7];
const FIRST_SHOWN = 5;

/** The readings of a start in the order they are taken, judged as they come in. */
@Component({
  selector: 'heli-start-test-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonModule],
  template: `
    <ol>
      <li>Clamp ONE conductor, not the whole cord. Everything else that is on stays as it is.</li>
      <li>
        <label>
          Base before, A
          <input
            #before
            type="text"
            inputmode="decimal"
            [value]="baseBefore()"
            (input)="baseBefore.set(before.value)"
          />
        </label>
      </li>
      <li>
        Starts, A, at least one of them warm and against pressure; wait as long as it asks for in between.
        <span class="starts">
          @for (index of shown(); track index) {
            <input
              #start
              type="text"
              inputmode="decimal"
              [attr.aria-label]="'Start ' + (index + 1) + ', A'"
              [value]="starts()[index] ?? ''"
              (input)="type(index, start.value)"
            />
          }
        </span>
      </li>
      <li>
        <label>
          How long the longest lasted, s
          <input
            #lasts
            type="text"
            inputmode="decimal"
            [value]="seconds()"
            (input)="seconds.set(lasts.value)"
          />
        </label>
      </li>
      <li>
        <label>
          Base after, A
          <input
            #after
            type="text"
            inputmode="decimal"
            [value]="baseAfter()"
            (input)="baseAfter.set(after.value)"
          />
        </label>
      </li>
    </ol>
    <div role="status">
      @if (unread(); as text) {
        <p>
          <strong>“{{ text }}” is not a number of 0 or more, and is left out.</strong>
        </p>
      }
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
    <button type="button" nz-button [disabled]="!judged()" (click)="take()">Keep these readings</button>
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
    input {
      width: 62px;
      height: 28px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      border-radius: 0;
      background: none;
      font: 500 16px var(--figures);
      text-align: right;
    }
    p {
      padding: 2px 0;
    }
    @media (pointer: coarse) {
      input {
        height: 44px;
      }
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
  protected readonly baseBefore = signal('');
  protected readonly baseAfter = signal('');
  protected readonly seconds = signal('');
  protected readonly starts = signal<readonly string[]>([]);

  /** Five, and one more as long as the last one is filled. */
  protected readonly shown = computed(() => {
    const filled = this.starts().filter((text) => text.trim() !== '').length;
    return STARTS.slice(0, Math.max(FIRST_SHOWN, filled + 1));
  });

  /** What was typed and is no reading. */
  protected readonly unread = computed(() =>
    [this.baseBefore(), ...this.starts(), this.seconds(), this.baseAfter()].find(
      (text) => text.trim() !== '' && reading(this.numberStyle, text) === undefined,
    ),
  );

  protected readonly readings = computed(() => {
    const before = reading(this.numberStyle, this.baseBefore());
    const rig = this.session.rig();
    if (before === undefined || !rig) return undefined;
    return {
      baseBeforeA: before,
      baseAfterA: reading(this.numberStyle, this.baseAfter()),
      startsA: this.starts().flatMap((text) => reading(this.numberStyle, text) ?? []),
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

  protected type(index: number, text: string): void {
    this.starts.update((before) => {
      const after = Array.from({ length: Math.max(before.length, index + 1) }, (_, i) => before[i] ?? '');
      after[index] = text;
      return after;
    });
  }

  protected take(): void {
    const [found, readings] = [this.judged(), this.readings()];
    if (!found || !readings) return;
    const seconds = reading(this.numberStyle, this.seconds());
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

/** A reading: a number from 0 on. */
function reading(style: NumberStyle, text: string): number | undefined {
  const value = parseNumber(style, text);
  return value !== undefined && value >= 0 ? value : undefined;
}
