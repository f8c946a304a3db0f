import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { capitalised } from '@heliarch/core/units';
import { fieldAt, helpOf } from '@heliarch/core/describe';
import { SheetContext } from './sheet-context';

/** What the field with the cursor in it is, where to find it and what it decides. */
@Component({
  selector: 'heli-field-help',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'note', 'aria-label': 'About this field', '[class.none]': '!help()' },
  template: `
    @if (help(); as help) {
      <p>
        <strong>{{ help.name }}.</strong> {{ help.means }}
      </p>
      @if (help.where) {
        <p><span class="caption">Find it:</span> {{ help.where }}</p>
      }
      <p><span class="caption">Decides:</span> {{ help.decides }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 8px 0 8px 12px;
      border-left: 3px solid var(--sun);
      color: var(--ink-2);
    }
    :host(.none) {
      display: none;
    }
    strong {
      color: var(--ink);
    }
  `,
})
export class FieldHelpLine {
  private readonly sheet = inject(SheetContext);

  protected readonly help = computed(() => {
    const place = this.sheet.asked();
    const help = place === undefined ? undefined : helpOf(place);
    if (!help || place === undefined) return undefined;
    const { label } = fieldAt(place);
    return { ...help, name: capitalised(label) };
  });
}
