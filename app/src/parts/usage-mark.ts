import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Load } from '@heliarch/core/rig';

type Usage = Load['usage'];

const USAGE_NAMES: Record<Usage, string> = {
  'left-on': 'left on',
  'by-itself': 'starts by itself',
  'during-work': 'switched during work',
};

/** How a load is used, where that changes how it is tested. */
@Component({
  selector: 'heli-usage-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'img', '[attr.aria-label]': 'name()', '[title]': 'name()' },
  template: `
    <svg viewBox="0 0 14 12" aria-hidden="true">
      @if (usage() === 'by-itself') {
        <path d="M11.4 4A5 5 0 1 0 12 6.6M11.8 1v3.2H8.6" />
      } @else if (usage() === 'during-work') {
        <path d="M2 11V7M5 11V3M8 11V6M11 11V2" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 13px;
      height: 11px;
      color: var(--ink-2);
    }
    svg {
      display: block;
      fill: none;
      stroke: currentColor;
      stroke-width: 1.3;
    }
  `,
})
export class UsageMark {
  readonly usage = input.required<Usage>();
  protected readonly name = computed(() => USAGE_NAMES[this.usage()]);
}
