import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import { ESCAPE } from '@angular/cdk/keycodes';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import { FieldStyles } from '../library/field-styles';
import { LibraryStyles } from '../library/library-styles';
import { asTheRigHasIt } from '../as-the-rig-has-it';
import type { Choice } from '../choice-bar';
import { speakList } from './spoken-list';

/** From so many choices on, typing finds one. */
const MANY = 8;
const MODIFIERS = ['Shift', 'Control', 'Alt', 'Meta'];

/** What the box says already, and an arrow that says nothing. */
const SAID_BY_THE_BOX = 'nz-select-item, nz-select-placeholder, nz-select-arrow';

let nextPanel = 0;

/** One of many, as the rig has it: a closed line that opens a list. */
@Component({
  selector: 'heli-select',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzSelectComponent, ReactiveFormsModule],
  template: `
    <nz-select
      [nzId]="boxId()"
      [nzDropdownClassName]="panelClass"
      [nzDropdownMatchSelectWidth]="false"
      [nzShowSearch]="choices().length >= mostInView"
      [nzPlaceHolder]="placeholder()"
      [nzOptions]="options()"
      [formControl]="control"
      (nzOpenChange)="opened($event)"
    />
  `,
  styleUrl: './select.css',
  host: { '[class.quiet]': 'look() === "quiet"', '[class.open]': 'selected() === ""' },
})
export class Select<Id extends string> {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly choices = input.required<readonly Choice<Id>[]>();
  readonly selected = input.required<Id | ''>();
  /** Its name, where no label stands beside it. */
  readonly label = input<string>();
  /** For a label that stands beside it. */
  readonly boxId = input<string | null>(null);
  readonly describedBy = input<string | null>(null);
  readonly placeholder = input('');
  readonly look = input<'line' | 'quiet'>('line');
  readonly choose = output<Id>();

  protected readonly mostInView = MANY;
  protected readonly panelClass = `heli-select-${(nextPanel += 1)}`;
  protected readonly control = new FormControl<Id | '' | null>(null);
  protected readonly options = computed(() =>
    this.choices().map(({ id, label }) => ({ value: id, key: id, label })),
  );
  private readonly inner = viewChild.required(NzSelectComponent);
  private close: (() => void) | undefined;

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    asTheRigHasIt(
      this.control,
      this.selected,
      (id) => {
        const choice = this.choices().find((each) => each.id === id);
        if (choice) this.choose.emit(choice.id);
      },
      () => this.sayWhatIsChosen(),
    );
    this.host.addEventListener('keydown', (event) => this.beforeTheLibrary(event), { capture: true });
    afterRenderEffect(() => {
      const box = this.box();
      box.setAttribute('role', 'combobox');
      box.setAttribute('aria-haspopup', 'listbox');
      if (!box.hasAttribute('aria-expanded')) box.setAttribute('aria-expanded', 'false');
      const words = { 'aria-label': this.label(), 'aria-describedby': this.describedBy() };
      for (const [name, value] of Object.entries(words))
        if (value) box.setAttribute(name, value);
        else box.removeAttribute(name);
    });
    inject(DestroyRef).onDestroy(() => this.close?.());
  }

  protected opened(isOpen: boolean): void {
    this.close?.();
    if (isOpen) this.box().value = '';
    // Where typing finds, the library begins at the first, whatever is chosen.
    this.inner().activatedValue = this.selected();
    this.close = isOpen ? speakList(this.box(), this.panelClass) : undefined;
  }

  /**
   * The library opens its list at any key: at Shift alone, and at Ctrl+Z, which is the window's. It looks at the code
   * of a key, and passes over Escape's. Escape itself closes the list and not also what the list stands in.
   */
  private beforeTheLibrary(event: KeyboardEvent): void {
    if (MODIFIERS.includes(event.key) || event.ctrlKey || event.metaKey || event.altKey)
      Object.defineProperty(event, 'keyCode', { value: ESCAPE });
    else if (event.key === 'Escape' && this.inner().nzOpen) {
      event.stopPropagation();
      this.inner().setOpenState(false);
    }
  }

  /** The library writes what is chosen beside its box; to a screen reader the box would be empty. */
  private sayWhatIsChosen(): void {
    const chosen = this.choices().find(({ id }) => id === this.selected());
    if (!this.inner().nzOpen) this.box().value = chosen?.label ?? '';
    for (const twice of this.host.querySelectorAll(SAID_BY_THE_BOX))
      twice.setAttribute('aria-hidden', 'true');
  }

  private box(): HTMLInputElement {
    const box = this.host.querySelector('input');
    if (!box) throw new Error('The select of the library has no box.');
    return box;
  }
}
