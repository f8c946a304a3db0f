import {
  ChangeDetectionStrategy,
  Component,
  createComponent,
  EnvironmentInjector,
  inject,
  Injectable,
  ViewEncapsulation,
} from '@angular/core';

@Component({
  selector: 'heli-field-styles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  template: '',
  styleUrls: ['../styles/library/fields.css', '../styles/fields.css'],
})
class StylesHolder {}

/** Brings the styles of the library's fields with the first one of them: the first room has none. */
@Injectable({ providedIn: 'root' })
export class FieldStyles {
  constructor() {
    createComponent(StylesHolder, { environmentInjector: inject(EnvironmentInjector) });
  }
}
