import { Directive, inject } from '@angular/core';
import { LibraryStyles } from './library-styles';
import { StepStyles } from './step-styles';

/** Gives the library's steps our look. */
@Directive({ selector: 'nz-steps[heliSteps]' })
export class OwnSteps {
  constructor() {
    inject(LibraryStyles).bring(StepStyles);
  }
}
