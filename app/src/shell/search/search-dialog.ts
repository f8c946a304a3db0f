import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { Dialog } from '../../ui/dialog';
import { NothingHere } from '../../ui/nothing-here';
import { FieldStyles } from '../../ui/library/field-styles';
import { LibraryStyles } from '../../ui/library/library-styles';
import { RigSession } from '../../storage/rig-session';
import { foundAmong, placesOf, type ActionId, type Place } from './places';

/** One line to anywhere: loads, parts, fields, rooms and what the frame can do. */
@Component({
  selector: 'heli-search-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NothingHere, NzInputDirective],
  template: `
    <heli-dialog heading="Search" [isOpen]="true" (opened)="box.focus()" (closed)="closed.emit()">
      <input
        #box
        nz-input
        type="text"
        role="combobox"
        autocomplete="off"
        aria-label="Search loads, parts, fields, rooms and actions"
        aria-controls="search-found"
        aria-expanded="true"
        aria-autocomplete="list"
        placeholder="kettle, output breaker, supplies, undo"
        [attr.aria-activedescendant]="found().length > 0 ? 'found-' + at() : null"
        [value]="words()"
        (input)="words.set(box.value)"
        (keydown)="key($event)"
      />
      <ul id="search-found" role="listbox" aria-label="Found">
        @for (place of found(); track place.id; let i = $index) {
          <!-- The keys stay in the line above, which goes through these. -->
          <!-- eslint-disable-next-line @angular-eslint/template/click-events-have-key-events -->
          <li
            role="option"
            tabindex="-1"
            [id]="'found-' + i"
            [attr.aria-selected]="i === at()"
            [class.at]="i === at()"
            (click)="go(place)"
          >
            <span>{{ place.name }}</span>
            <span class="caption">{{ place.what }}</span>
          </li>
        }
      </ul>
      @if (found().length === 0) {
        <heli-nothing-here role="status" why="Nothing here has these words." />
      }
    </heli-dialog>
  `,
  styles: `
    input.ant-input.ant-input {
      width: 100%;
      height: 40px;
      font-size: 18px;
    }
    ul {
      margin-top: 8px;
    }
    li {
      display: flex;
      align-items: baseline;
      justify-content: space-between;
      gap: 16px;
      min-height: max(32px, var(--touch));
      padding: 6px 8px;
      border-bottom: 1px solid var(--rule);
      cursor: pointer;
    }
    li .caption {
      color: var(--ink-2);
    }
    li:hover {
      background: var(--paper-2);
    }
    .at {
      background: var(--paper-2);
      outline: 2px solid var(--ink);
      outline-offset: -2px;
    }
  `,
})
export class SearchDialog {
  private readonly session = inject(RigSession);
  private readonly router = inject(Router);
  readonly closed = output();
  readonly act = output<ActionId>();

  protected readonly words = signal('');
  private readonly places = computed(() => placesOf(this.session.rig()));
  protected readonly found = computed(() => foundAmong(this.places(), this.words()));
  protected readonly at = linkedSignal({ source: this.found, computation: () => 0 });

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
  }

  protected key(event: KeyboardEvent): void {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const count = this.found().length;
    const place = this.found()[this.at()];
    if (step !== 0 && count > 0) this.at.update((at) => (at + step + count) % count);
    else if (event.key === 'Enter' && place) this.go(place);
    else return;
    event.preventDefault();
  }

  protected go({ to }: Place): void {
    this.closed.emit();
    if ('action' in to) this.act.emit(to.action);
    else void this.router.navigate([to.link], { queryParams: to.query ?? {} });
  }
}
