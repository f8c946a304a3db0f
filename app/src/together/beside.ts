import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { CautionId, CheckResult, CheckScene } from '@heliarch/core/check';
import type { Rig, SourceTest } from '@heliarch/core/rig';
import { contradictionsOf, wireTablesOf } from '@heliarch/core/describe';
import { Warnings } from './warnings';
import { ContingencyList } from './contingencies';

/** What stands beside the verdict and may come a moment later: other questions, odd numbers, cautions. */
@Component({
  selector: 'heli-beside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Warnings, ContingencyList],
  template: `
    <heli-contingencies [rig]="rig()" [scene]="scene()" [result]="result()" (tested)="tested.emit($event)" />
    <heli-warnings
      id="warnings"
      tabindex="-1"
      [cautions]="cautions()"
      [contradictions]="contradictions()"
      (known)="known.emit($event)"
    />
  `,
})
export class Beside {
  readonly rig = input.required<Rig>();
  readonly scene = input.required<CheckScene>();
  readonly result = input.required<CheckResult>();
  readonly cautions = input.required<readonly CautionId[]>();
  readonly tested = output<SourceTest>();
  /** A contradiction, by its id, that the user knows better than. */
  readonly known = output<string>();

  protected readonly contradictions = computed(() => contradictionsOf(this.rig(), wireTablesOf(this.rig())));
}
