import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  lineWords,
  linesOf,
  readCardCode,
  withoutMissing,
  type CardCode,
  type CardPlan,
  type PrintedCard,
} from '@heliarch/core/card';
import { combineLatest, map, of, switchMap, type Observable } from 'rxjs';
import { Answers } from '../compute/answers';
import { readCode } from '../ui/qr-code';
import { UnitChoice } from '../parts/unit-choice';
import type { LineProved } from '../compute/rig-questions';
import { CardState } from './card-state';

const MOST_PX = 1600;

/** Whether the last printed card is still true of the rig: line by line, and by the code on the paper. */
@Component({
  selector: 'heli-printed-cards',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (last(); as last) {
      <section aria-labelledby="printed">
        <h2 id="printed">Printed {{ when(last) }}</h2>
        @if (last.version === state.version()) {
          <p>The rig has not changed since: it is true as it hangs there.</p>
        } @else if (untrue(); as untrue) {
          @if (untrue.length === 0) {
            <p>The rig has changed since, and every line is still true.</p>
          } @else {
            <p role="status"><strong>Lines that are no longer true:</strong></p>
            <ul aria-label="Lines that are no longer true">
              @for (line of untrue; track line.id) {
                <li>{{ line.supply }}: {{ line.words }}. {{ line.why }}</li>
              }
            </ul>
            <p>Take the old card down and print it again.</p>
          }
        } @else {
          <p>The rig has changed since: proving its lines again …</p>
        }
      </section>
    }
    <p>
      <label class="link file">
        Read the code of a card
        <input #picture type="file" accept="image/*" capture="environment" (change)="read(picture)" />
      </label>
      @if (said(); as said) {
        <span role="status">{{ said }}</span>
      }
    </p>
  `,
  styles: `
    section {
      padding: 12px 0;
    }
    h2 {
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    p,
    li {
      padding-top: 4px;
    }
    .file {
      position: relative;
      display: inline-flex;
      align-items: center;
      min-height: max(32px, var(--touch));
      margin-right: 10px;
      cursor: pointer;
    }
    .file input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }
    .file:has(:focus-visible) {
      outline: 2px solid var(--ink);
      outline-offset: 2px;
    }
  `,
})
export class PrintedCards {
  protected readonly state = inject(CardState);
  private readonly answers = inject(Answers);
  private readonly units = inject(UnitChoice);

  protected readonly said = signal<string | undefined>(undefined);
  /** The version of a card whose code was read. */
  private readonly scanned = signal<string | undefined>(undefined);
  protected readonly last = computed(() => {
    const printed = this.state.cards()?.printed ?? [];
    return printed.find(({ version }) => version === this.scanned()) ?? printed.at(-1);
  });

  private readonly asked = computed(() => ({
    rig: this.state.rig(),
    last: this.last(),
    version: this.state.version(),
  }));
  protected readonly untrue = toSignal(
    toObservable(this.asked).pipe(
      switchMap(({ rig, last, version }) =>
        last && last.version !== version ? this.untrueOf(rig, last) : of(undefined),
      ),
    ),
  );

  protected when({ atS }: PrintedCard): string {
    const at = new Date(atS * MS_PER_SECOND);
    return `${at.toLocaleDateString()}, ${this.units.time(at)}`;
  }

  /** The code on the paper says of which rig it is, and of which version. */
  protected async read(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    const text = await textOfPicture(file).catch(() => undefined);
    const code = readCardCode(text ?? '');
    this.scanned.set(code?.version);
    this.said.set(this.saysOf(code));
  }

  private saysOf(code: CardCode | undefined): string {
    if (!code) return 'No code of a card was found in this picture.';
    if (code.rigId !== this.state.rig().id) return 'It is the card of another rig.';
    if (code.version === this.state.version()) return `Printed ${code.date}: still as the rig is.`;
    const isKept = this.state.cards()?.printed.some(({ version }) => version === code.version);
    return isKept
      ? `Printed ${code.date}: the rig has changed since, see above.`
      : `Printed ${code.date}, and not from this browser: the rig is another now. Print it again.`;
  }

  private untrueOf(rig: Rig, { plans }: PrintedCard): Observable<readonly UntrueLine[] | undefined> {
    const known = plans.filter(({ supply }) => rig.supplies.some(({ id }) => id === supply));
    const ofEach = known.map((printed) => {
      const plan = withoutMissing(printed, rig);
      return this.answers
        .ask('tick', rig, 'proofsOfCard', plan, this.units.numbers)
        .pipe(
          map((answer) => (answer.status === 'given' ? this.untrueIn(rig, plan, answer.value) : undefined)),
        );
    });
    if (ofEach.length === 0) return of([]);
    return combineLatest(ofEach).pipe(
      map((each) => (each.includes(undefined) ? undefined : each.flatMap((lines) => lines ?? []))),
    );
  }

  private untrueIn(rig: Rig, plan: CardPlan, proofs: readonly LineProved[]): readonly UntrueLine[] {
    const supply = rig.supplies.find(({ id }) => id === plan.supply)?.name ?? '';
    return linesOf(plan).flatMap((line, index) => {
      const proof = proofs[index];
      if (line.kind === 'never' || !proof || proof.isProved) return [];
      return [{ id: `${plan.supply} ${line.id}`, supply, words: lineWords(rig, line), why: proof.line }];
    });
  }
}

interface UntrueLine {
  readonly id: string;
  readonly supply: string;
  readonly words: string;
  readonly why: string;
}

/** What a code in a picture says; undefined where there is none. */
async function textOfPicture(file: File): Promise<string | undefined> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, MOST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  const context = canvas.getContext('2d');
  context?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const pixels = context?.getImageData(0, 0, canvas.width, canvas.height);
  return pixels && readCode(pixels);
}
