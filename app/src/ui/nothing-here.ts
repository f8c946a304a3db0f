import { ChangeDetectionStrategy, Component, input, ViewEncapsulation } from '@angular/core';
import { NzEmptyComponent } from 'ng-zorro-antd/empty';

/** Where a list has nothing: why, under an open contact, and the way on. */
@Component({
  selector: 'heli-nothing-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzEmptyComponent],
  template: `
    <nz-empty [nzNotFoundImage]="openContact" [nzNotFoundContent]="why()" [nzNotFoundFooter]="wayOn" />
    <ng-template #openContact>
      <svg viewBox="0 0 64 24" aria-hidden="true">
        <path d="M2 16h19M45 16h17M23.5 14.6 44 4" />
        <circle cx="22.5" cy="16" r="1.8" />
      </svg>
    </ng-template>
    <ng-template #wayOn><ng-content /></ng-template>
  `,
  styleUrls: ['../styles/library/empty.css', './nothing-here.css'],
})
export class NothingHere {
  readonly why = input.required<string>();
}
