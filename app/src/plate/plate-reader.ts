import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  viewChild,
} from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { formatNumber } from '@heliarch/core/units';
import {
  DEVICE_NAMES,
  plateChangeWords,
  plateFactWords,
  plateGapWords,
  plateKeptWords,
  plateQuestionWords,
  plateWarningWords,
} from '@heliarch/core/plate';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { BasisMark } from '../parts/basis-mark';
import { ChoiceBar } from '../ui/choice-bar';
import { Dialog } from '../ui/dialog';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { Select } from '../ui/select/select';
import { Checkbox } from '../ui/checkbox';
import { UnitChoice } from '../parts/unit-choice';
import { PlatePicture } from './plate-picture';
import { PlateState } from './plate-state';

const NEW = 'new';

/** A nameplate typed, pasted or photographed, and what it becomes in the rig. One after the other, for a walk round it. */
@Component({
  selector: 'heli-plate-reader',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BasisMark,
    ChoiceBar,
    Dialog,
    NzButtonComponent,
    NzInputDirective,
    PlatePicture,
    ReactiveFormsModule,
    Select,
    Checkbox,
  ],
  providers: [PlateState],
  templateUrl: './plate-reader.html',
  styleUrl: './plate-reader.css',
})
export class PlateReader {
  protected readonly state = inject(PlateState);
  private readonly units = inject(UnitChoice);
  private readonly numbers = this.units.numbers;
  private readonly area = viewChild<ElementRef<HTMLTextAreaElement>>('area');
  private readonly picture = viewChild(PlatePicture);
  readonly closed = output();

  protected readonly name = new FormControl('', { nonNullable: true });
  protected readonly newEntry = NEW;

  protected readonly facts = computed(() =>
    this.state.said().facts.map((fact) => {
      const other = this.state.otherReading(fact);
      return {
        fact,
        ...plateFactWords(this.numbers, fact),
        isUsed: this.state.put()?.used.includes(fact) ?? true,
        other: other && plateFactWords(this.numbers, other).value,
      };
    }),
  );
  protected readonly questions = computed(() =>
    this.state.said().questions.map((question) => ({
      id: question.id,
      answer: this.state.answers()[question.id] ?? '',
      ...plateQuestionWords(this.numbers, question),
    })),
  );
  protected readonly warnings = computed(() =>
    this.state.said().warnings.map((warning) => plateWarningWords(this.numbers, warning)),
  );
  protected readonly unread = computed(() =>
    this.state
      .said()
      .read.unread.map(({ text }) => `“${text}”`)
      .join(', '),
  );
  /** What is asked may still be what seems to be missing. */
  protected readonly missing = computed(() =>
    this.state.said().open.length > 0 ? undefined : plateGapWords(this.state.put()?.missing ?? []),
  );
  protected readonly kept = computed(() => plateKeptWords(this.state.put()?.kept ?? []));
  protected readonly device = computed(() => DEVICE_NAMES[this.state.device()]);
  protected readonly kinds = computed(() => this.state.kinds().map(({ id, name }) => ({ id, label: name })));
  protected readonly circuits = computed(() =>
    this.state.rig().circuits.map(({ id, name }) => ({ id, label: name })),
  );
  /** A new one, or one that the rig has. */
  protected readonly entries = computed(() => {
    const all: readonly { readonly id: string; readonly name: string }[] =
      this.state.rig()[this.state.list()];
    return [{ id: NEW, label: 'A new one' }, ...all.map(({ id, name }) => ({ id, label: name }))];
  });
  protected readonly added = computed(() => {
    const added = this.state.added();
    return added.length === 0 ? '' : `${added.join(', ')}: in the rig.`;
  });

  /** What keeps it from the rig; undefined where nothing does. */
  protected readonly before = computed(() => {
    const { facts, open } = this.state.said();
    if (facts.length === 0) return 'No number with a unit was found in it yet.';
    if (this.state.isForThreePhases()) return 'Three phases: it is not added.';
    const [first] = open;
    if (first)
      return open.length === 1
        ? 'One question is open.'
        : `${formatNumber(this.numbers, open.length, 0)} questions are open.`;
    return this.state.target() ? undefined : 'Say what it is.';
  });
  /** What it is called if nobody gives it a name. */
  protected readonly usualName = computed(() => {
    const put = this.state.put();
    const all: readonly { readonly id: string; readonly name: string }[] = put?.rig[put.list] ?? [];
    return all.find(({ id }) => id === put?.id)?.name ?? '';
  });
  /** What the rig has otherwise until now. */
  protected readonly changes = computed(() => {
    const put = this.state.put();
    if (!put || this.state.said().open.length > 0) return '';
    return plateChangeWords(this.numbers, this.units.system(), this.state.rig(), put).join('; ');
  });
  protected readonly addLabel = computed(() => (this.state.entry() === '' ? 'Add it' : 'Fill it in'));
  protected readonly guesses = computed(() => {
    const { length } = this.state.uncompared();
    if (length === 0) return '';
    return `${length === 1 ? 'One number is' : `${length} numbers are`} not compared with the picture: kept as guesses, and left out where the rig keeps no doubt.`;
  });

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    this.name.valueChanges.pipe(takeUntilDestroyed()).subscribe((name) => this.state.name.set(name));
  }

  protected choose(entry: string): void {
    this.state.chooseEntry(entry === NEW ? '' : entry);
  }

  protected takeReadings(texts: readonly string[]): void {
    this.state.takeReadings(texts);
    this.name.setValue('');
  }

  protected addAndGoOn(): void {
    this.state.add();
    this.name.setValue('');
    this.picture()?.clear();
    this.area()?.nativeElement.focus();
  }

  protected addAndClose(): void {
    this.state.add();
    this.closed.emit();
  }

  protected focusText(): void {
    this.area()?.nativeElement.focus();
  }
}
