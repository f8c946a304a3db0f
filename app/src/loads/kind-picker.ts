import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { Dialog } from '../ui/dialog';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { formatNumber, type Amount } from '@heliarch/core/units';
import { kindOfPart, LOAD_FAMILIES, sourceWords } from '@heliarch/core/rig';
import { findKinds, TYPICAL_LOADS_SOURCE, type TypicalLoad } from '@heliarch/core/describe';

/** A kind, and what of its plate was typed with it. */
export interface KindPicked {
  readonly kind: TypicalLoad;
  readonly stated: Amount | undefined;
}

/** The library of typical loads: find one, add it, correct it later. */
@Component({
  selector: 'heli-kind-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NzInputDirective],
  templateUrl: './kind-picker.html',
  styleUrl: './kind-picker.css',
})
export class KindPicker {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly picked = output<KindPicked>();
  readonly named = output<string>();
  readonly closed = output();

  protected readonly words = signal('');
  protected readonly source = sourceWords(TYPICAL_LOADS_SOURCE);

  private readonly search = computed(() => findKinds(this.numberStyle, this.words()));
  protected readonly groups = computed(() => {
    const found = this.search().kinds;
    return LOAD_FAMILIES.map((family) => ({
      family,
      kinds: found.filter((kind) => kind.family === family),
    })).filter(({ kinds }) => kinds.length > 0);
  });

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
  }

  protected close(): void {
    this.closed.emit();
  }

  protected pick(kind: TypicalLoad): void {
    const { stated } = this.search();
    this.close();
    this.picked.emit({ kind, stated });
  }

  protected name(name: string): void {
    this.named.emit(name.trim());
    this.close();
  }

  /** Enter takes the one that is left, or the first. */
  protected pickFirst(): void {
    const [first] = this.groups()[0]?.kinds ?? [];
    if (first) this.pick(first);
    else if (this.words().trim()) this.name(this.words());
  }

  protected range({ parts }: TypicalLoad): string {
    const [low, high] = parts.reduce(
      ([least, most], { watts }) => [least + watts.low, most + watts.high],
      [0, 0],
    );
    const start = parts.some(({ kind }) => kindOfPart(kind).startMultiple) ? ', with a start' : '';
    return `${formatNumber(this.numberStyle, rough(low), 0)} to ${formatNumber(this.numberStyle, rough(high), 0)} W${start}`;
  }
}

/** Two digits are all that a usual value has. */
function rough(watts: number): number {
  return Number(watts.toPrecision(2));
}
