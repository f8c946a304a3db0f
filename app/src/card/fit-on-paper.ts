import {
  cardMarkup,
  cardStyle,
  letterSizePt,
  PAPER_MM,
  type CardLook,
  type CardPage,
  type CodePicture,
} from '@heliarch/core/card';

const STEP_PT = 0.25;
/** Smaller letters are not read at a cupboard door. */
const LEAST_PT = 6;
const PX_PER_MM = 96 / 25.4;

/** The letters of each page, pt, so that it is one page of the paper; the least that is read where even that is too much. */
export function fitOnPaper(pages: readonly CardPage[], look: CardLook, code: CodePicture): readonly number[] {
  const host = document.createElement('div');
  host.style.cssText = 'position:absolute;left:-9999px;top:0';
  document.body.append(host);
  const root = host.attachShadow({ mode: 'open' });
  root.innerHTML = `<style>${cardStyle(look, '.card')}</style><div class="card">${cardMarkup(pages, code)}</div>`;
  const most = Math.ceil(PAPER_MM[look.paper][1] * PX_PER_MM);
  const sizes = [...root.querySelectorAll<HTMLElement>('.page')].map((page) => {
    let size = letterSizePt(look);
    page.style.fontSize = `${size}pt`;
    while (page.offsetHeight > most && size > LEAST_PT) {
      size -= STEP_PT;
      page.style.fontSize = `${size}pt`;
    }
    return size;
  });
  host.remove();
  return sizes;
}
