import { ChangeDetectionStrategy, Component, ViewEncapsulation } from '@angular/core';

@Component({
  selector: 'heli-tab-styles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  template: '',
  styleUrls: ['../../styles/library/tabs.css', '../../styles/tabs.css'],
})
export class TabStyles {}
