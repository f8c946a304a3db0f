import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, input, output, ViewEncapsulation } from '@angular/core';
import { NzUploadComponent, type NzUploadFile } from 'ng-zorro-antd/upload';

/** A place to drop a file on, or to choose one from. It is read here and goes nowhere. */
@Component({
  selector: 'heli-file-drop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzUploadComponent],
  // The library insists on something that could send a file away.
  providers: [{ provide: HttpClient, useValue: {} }],
  template: `
    <nz-upload nzType="drag" [nzAccept]="accept()" [nzShowUploadList]="false" [nzBeforeUpload]="take">
      {{ label() }}
    </nz-upload>
  `,
  styleUrls: ['../../styles/library/uploads.css', './file-drop.css'],
})
export class FileDrop {
  readonly label = input.required<string>();
  /** File endings and media types, with commas between. */
  readonly accept = input.required<string>();
  readonly chosen = output<File>();

  protected readonly take = (file: NzUploadFile): boolean => {
    if (file instanceof File) this.chosen.emit(file);
    return false;
  };
}
