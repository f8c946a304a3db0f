import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';

@Component({
  selector: 'heli-picker-styles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  template: '',
  styleUrls: ['../../styles/library/pickers.css', '../../styles/pickers.css'],
})
export class PickerStyles {}
