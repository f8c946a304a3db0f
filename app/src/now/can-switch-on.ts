import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { formatNumber } from '@heliarch/core/units';
import type { Load } from '@heliarch/core/rig';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { keepTogether } from '../ui/keep-together';
import { mediaQuery } from '../ui/media-query';
import { UnitChoice } from '../parts/unit-choice';
import { VerdictMark } from '../parts/verdict-mark';
import { NowState, type Offered } from './now-state';

/** So many stand there before more are asked for: what was on last, and what is used most. */
const FIRST = { phone: 4, desk: 14 } as const;
const DESK = '(min-width: 901px)';

/** "Can I switch this on?": every load that is off, with its answer large enough for a glance. */
@Component({
  selector: 'heli-can-switch-on',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputDirective, ReactiveFormsModule, VerdictMark],
  templateUrl: './can-switch-on.html',
  styleUrl: './can-switch-on.css',
})
export class CanSwitchOn {
  protected readonly state = inject(NowState);
  private readonly units = inject(UnitChoice);

  protected readonly sought = new FormControl('', { nonNullable: true });
  private readonly words = toSignal(this.sought.valueChanges, { initialValue: '' });
  private readonly isDesk = mediaQuery(DESK);
  protected readonly showsAll = signal(false);
  protected readonly open = signal<string | undefined>(undefined);

  private readonly found = computed(() => {
    const words = this.words().trim().toLowerCase();
    return this.state.offered().filter(({ load }) => load.name.toLowerCase().includes(words));
  });
  private readonly inOrder = computed(() => {
    const off = this.state.at().off;
    const offAt = new Map(off.map(({ load, atS }) => [load, atS]));
    const rank = ({ load }: Offered): number => (offAt.get(load.id) ?? 0) * 2 + usualRank(load);
    return [...this.found()].sort((a, b) => rank(b) - rank(a));
  });
  protected readonly shown = computed(() =>
    this.showsAll() || this.words() !== ''
      ? this.inOrder()
      : this.inOrder().slice(0, this.isDesk() ? FIRST.desk : FIRST.phone),
  );
  protected readonly more = computed(() => this.inOrder().length - this.shown().length);

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
  }

  protected watts({ watts }: Offered): string {
    return formatNumber(this.units.numbers, watts, 0);
  }

  protected tidy(words: string): string {
    return keepTogether(words);
  }

  protected toggle(loadId: string): void {
    this.open.update((open) => (open === loadId ? undefined : loadId));
  }

  protected switchOn(offered: Offered, state?: string): void {
    this.state.switchOn(offered, state);
    this.open.set(undefined);
    this.sought.setValue('');
  }
}

/** What a hand switches stands before what starts by itself, and what heats before what hums. */
const usualRank = ({ usage, parts }: Load): number =>
  (usage === 'by-itself' ? 0 : 1) +
  (parts.some(({ kind }) => kind.includes('cook') || kind.includes('hob')) ? 1 : 0);
