import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, type OnInit } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { entriesOf, type Entry, ENTRY_WORDS } from '@heliarch/core/rig';
import { formatNumber, PERCENT } from '@heliarch/core/units';
import { contradictionsOf, wireTablesOf } from '@heliarch/core/describe';
import { placeOf, type Target } from '../storage/rig-edits';
import { FieldGroup } from '../parts/fields/field-group';
import { FieldHelpLine } from '../parts/fields/field-help';
import { NotKeptYet } from '../parts/fields/not-kept-yet';
import { SheetContext } from '../parts/fields/sheet-context';
import { RigState } from './rig-state';

/** What a load's sheet here is about; the rest of a load is in its editor in Loads. */
const OF_A_LOAD: readonly string[] = ['name', 'circuit', 'usage', 'cord'];

const WH_PER_KWH = 1000;
const VOLTS_OF_ONE = 12.8;

/** Everything about one entry of the rig, made from the field table; each entry has a sheet of its own. */
@Component({
  selector: 'heli-entry-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldGroup, FieldHelpLine, NotKeptYet, NzButtonComponent, RouterLink],
  providers: [SheetContext],
  template: `
    @if (entry(); as entry) {
      <section [attr.aria-label]="entry.name">
        <header>
          <h2>{{ entry.name }}</h2>
          <span class="caption">{{ kind() }}</span>
        </header>
        <p class="tools">
          <button type="button" nz-button (click)="state.duplicate()">Duplicate</button>
          <button type="button" nz-button (click)="state.remove()">Remove</button>
          @if (isLoad()) {
            <a class="link" routerLink="/loads" [queryParams]="{ load: target().id }">Its editor in Loads</a>
          }
        </p>
        @if (state.refused(); as because) {
          <p role="alert">{{ because }}</p>
        }
        <heli-not-kept-yet />
        @for (slip of slips(); track slip.id) {
          <p class="slip" role="status">
            <strong>{{ slip.field }}:</strong> {{ slip.message }}.
          </p>
        }
        @if (echo(); as echo) {
          <p class="echo figures">{{ echo }}</p>
        }
        <heli-field-group [only]="only()" />
        <heli-field-help />
      </section>
    }
  `,
  styles: `
    header {
      display: flex;
      align-items: baseline;
      gap: 10px;
    }
    h2 {
      font: var(--type-title);
      overflow-wrap: anywhere;
    }
    .tools {
      display: flex;
      align-items: center;
      gap: 8px;
      padding: 6px 0;
    }
    .slip {
      padding: 6px 10px;
      background: var(--sun-wash);
    }
    .echo {
      padding: 2px 0 6px;
      color: var(--ink-2);
      font-size: 14px;
    }
    heli-field-help {
      position: sticky;
      bottom: var(--foot);
      margin-top: 10px;
      background: var(--paper);
    }
  `,
})
export class EntrySheet implements OnInit {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(RigState);
  protected readonly sheet = inject(SheetContext);

  /** Whose sheet it is, as long as there is one. */
  readonly target = input.required<Target>();

  protected readonly entry = computed((): Entry | undefined => {
    const { list, id } = this.target();
    return list === 'rig' ? undefined : entriesOf(this.state.rig(), list).find((entry) => entry.id === id);
  });
  protected readonly isLoad = computed(() => this.target().list === 'loads');
  protected readonly only = computed(() => (this.isLoad() ? OF_A_LOAD : undefined));
  protected readonly kind = computed(() => {
    const { list } = this.target();
    return list === 'rig' ? '' : ENTRY_WORDS[list];
  });

  /** What contradicts what in this part, as typed. */
  protected readonly slips = computed(() => {
    const rig = this.sheet.sound();
    const at = placeOf(rig, { ...this.target(), path: '' });
    return at === undefined
      ? []
      : contradictionsOf(rig, wireTablesOf(rig)).filter(({ path }) => path.startsWith(at));
  });

  /** What volts and amp-hours come to: batteries in series or side by side mixed up show here. */
  protected readonly echo = computed(() => {
    const rig = this.sheet.sound();
    const { list, id } = this.target();
    const battery = list === 'batteries' ? rig.batteries.find((each) => each.id === id) : undefined;
    const volts = rig.buses.find((bus) => bus.id === battery?.bus)?.volts;
    if (!battery || volts === undefined) return undefined;
    const energy = (battery.ampHours.value * volts) / WH_PER_KWH;
    const usable = energy * (1 - (battery.reservePercent ?? 0) / PERCENT);
    const twelves = Math.round(volts / VOLTS_OF_ONE);
    const series = twelves > 1 ? `, as ${twelves} batteries of 12 V in series` : '';
    return `= ${formatNumber(this.numberStyle, energy, 1)} kWh at ${formatNumber(this.numberStyle, volts, 1)} V${series}; ${formatNumber(this.numberStyle, usable, 1)} kWh above the reserve`;
  });

  ngOnInit(): void {
    this.sheet.target.set(this.target());
  }
}
