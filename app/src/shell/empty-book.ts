import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { DEMO_RIGS, DemoRigs } from '../storage/demo-rigs';
import { RigShelf } from '../storage/rig-shelf';

/** What a new user sees before there is any rig. */
@Component({
  selector: 'heli-empty-book',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    <h1>No rig yet</h1>
    <p>
      A rig is your inverter, breakers, supplies and loads. Inspection around in a demo rig, all four of them
      made up, open a file that Heliarch saved, or describe your own: a few questions, about five minutes,
      every answer can be left open.
    </p>
    <ul>
      @for (demo of demos; track demo.id) {
        <li>
          <button type="button" nz-button (click)="openDemo(demo.id)">Inspection at {{ demo.name }}</button>
          <span>{{ demo.about }}</span>
        </li>
      }
    </ul>
    <p class="ways">
      <button type="button" nz-button (click)="begin.emit()">Describe your own</button>
      <button type="button" nz-button (click)="openFile.emit()">Open a file …</button>
    </p>
    @if (failed()) {
      <p role="alert">The demo rig cannot be read here. Reload the page, or open a file.</p>
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 560px;
      padding: 64px 0;
    }
    h1 {
      font: var(--type-title);
    }
    p {
      margin: 8px 0 20px;
      color: var(--ink-2);
    }
    ul {
      margin-bottom: 20px;
      border-top: 1px solid var(--rule);
    }
    li {
      display: grid;
      grid-template-columns: 168px 1fr;
      align-items: center;
      gap: 12px;
      padding: 6px 0;
      border-bottom: 1px solid var(--rule);
      color: var(--ink-2);
    }
    .ways {
      display: flex;
      gap: 10px;
    }
    li button {
      text-align: left;
    }
  `,
})
export class EmptyBook {
  private readonly demoRigs = inject(DemoRigs);
  private readonly shelf = inject(RigShelf);
  protected readonly demos = DEMO_RIGS;
  protected readonly failed = signal(false);

  readonly openFile = output();
  readonly begin = output();

  protected async openDemo(id: string): Promise<void> {
    const rig = await this.demoRigs.named(id);
    if (rig) this.shelf.openNew(rig);
    else this.failed.set(true);
  }
}
