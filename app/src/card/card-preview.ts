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
} from '@heliarch/core/card';
import { fitOnPaper } from './fit-on-paper';

/** The card as it will be on paper: the very markup of the file, apart from the page's own styles. */
@Component({
  selector: 'heli-card-preview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #paper></div>`,
  styles: `
    :host {
      display: block;
      color: #000;
    }
  `,
})
export class CardPreview {
  readonly pages = input.required<readonly CardPage[]>();
  readonly look = input.required<CardLook>();
  readonly code = input.required<CodePicture>();
  /** On the screen it is no wider than what it stands in; on paper it is as large as it is. */
  readonly isShrunk = input(true);
  private readonly paper = viewChild.required<ElementRef<HTMLElement>>('paper');

  constructor() {
    const onPaper = document.createElement('style');
    document.head.append(onPaper);
    inject(DestroyRef).onDestroy(() => onPaper.remove());
    effect(() => {
      const [width, height] = PAPER_MM[this.look().paper];
      onPaper.textContent = `@page{size:${width}mm ${height}mm;margin:0}`;
      const { nativeElement } = this.paper();
      nativeElement.style.zoom = this.isShrunk() ? String(shareOf(nativeElement, width)) : '1';
      const root = nativeElement.shadowRoot ?? nativeElement.attachShadow({ mode: 'open' });
      // Every text of the user is escaped where the markup is made (core/src/card/card-html.ts).
      const sizes = fitOnPaper(this.pages(), this.look(), this.code());
      root.innerHTML = `<style>${cardStyle(this.look(), '.card')}</style><div class="card">${cardMarkup(this.pages(), this.code(), sizes)}</div>`;
    });
  }
}

const PX_PER_MM = 96 / 25.4;

/** The share of a page that there is room for, 1 at most. */
function shareOf({ parentElement }: HTMLElement, widthMm: number): number {
  const room = parentElement?.parentElement;
  if (!room) return 1;
  const { paddingLeft, paddingRight } = getComputedStyle(room);
  const px = room.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight);
  return px > 0 ? Math.min(1, px / (widthMm * PX_PER_MM)) : 1;
}
