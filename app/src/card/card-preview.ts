import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import {
  cardMarkup,
  cardStyle,
  PAPER_MM,
  type CardLook,
  type CardPage,
  type CodePicture,
} from '@heliarch/core/carding';
import { fitOnPaper } from './fit-on-paper';

/** The card as it will be on paper: the very markup of the file, apart from the page's own styles. */
@Component({
  selector: 'heli-card-preview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #paper></div>`,
  styles: `
    :host {
      display: block;
      max-width: 100%;
      overflow-x: auto;
      color: #000;
    }
  `,
})
export class CardPreview {
  readonly pages = input.required<readonly CardPage[]>();
  readonly look = input.required<CardLook>();
  readonly code = input.required<CodePicture>();
  private readonly paper = viewChild.required<ElementRef<HTMLElement>>('paper');

  constructor() {
    const onPaper = document.createElement('style');
    document.head.append(onPaper);
    inject(DestroyRef).onDestroy(() => onPaper.remove());
    effect(() => {
      const [width, height] = PAPER_MM[this.look().paper];
      onPaper.textContent = `@page{size:${width}mm ${height}mm;margin:0}`;
      const { nativeElement } = this.paper();
      const root = nativeElement.shadowRoot ?? nativeElement.attachShadow({ mode: 'open' });
      // Every text of the user is escaped where the markup is made (core/src/formats/card-html.ts).
      const sizes = fitOnPaper(this.pages(), this.look(), this.code());
      root.innerHTML = `<style>${cardStyle(this.look(), 'main')}</style><main>${cardMarkup(this.pages(), this.code(), sizes)}</main>`;
    });
  }
}
