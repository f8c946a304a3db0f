import type { CardPage, CardSection } from './card-page.js';

/** Paper that a card is for; a strip goes beside a panel. */
export const CARD_PAPERS = ['a5', 'a6', 'half-letter', 'strip'] as const;
export type CardPaper = (typeof CARD_PAPERS)[number];

/** Width and height, mm. Source: ISO 216 (A5, A6); half of ANSI letter. */
export const PAPER_MM: Readonly<Record<CardPaper, readonly [width: number, height: number]>> = {
  a5: [148, 210],
  a6: [105, 148],
  'half-letter': [139.7, 215.9],
  strip: [70, 297],
};

export interface CardLook {
  readonly paper: CardPaper;
  readonly isLarge: boolean;
}

/** The code picture of a card: a path of unit squares. */
export interface CodePicture {
  readonly size: number;
  readonly path: string;
  /** What stands beside it: date and version. */
  readonly words: string;
}

const BASE_PT: Readonly<Record<CardPaper, number>> = { a5: 11, a6: 8, 'half-letter': 11, strip: 8.5 };
const LARGE = 1.25;

/**
 * The style of a card: black on white, marks that differ by shape.
 *
 * @param scope A selector that all of it stays within.
 */
export function cardStyle({ paper, isLarge }: CardLook, scope: string): string {
  const [width, height] = PAPER_MM[paper];
  const size = letterSizePt({ paper, isLarge });
  const rules = [
    `${scope}{font:400 ${size}pt/1.32 Barlow,"Helvetica Neue",Arial,sans-serif;color:#000;background:#fff}`,
    `${scope} .page{box-sizing:border-box;width:${width}mm;min-height:${height}mm;padding:6% 6.5%;background:#fff;break-after:page;display:flex;flex-direction:column;gap:.75em;overflow-wrap:anywhere}`,
    `${scope} .page:last-child{break-after:auto}`,
    `${scope} header{display:flex;justify-content:space-between;align-items:baseline;gap:1em;border-bottom:.22em solid #000;padding-bottom:.25em}`,
    `${scope} h1{margin:0;font-size:1.9em;line-height:1.1;font-weight:700}`,
    `${scope} h2{margin:0 0 .1em;font-size:1.15em;line-height:1.2;font-weight:700}`,
    `${scope} p,${scope} ul,${scope} ol{margin:0;padding:0}`,
    `${scope} section{display:grid;grid-template-columns:2.6em 1fr;gap:0 .6em;padding-bottom:.6em;border-bottom:.09em solid #000}`,
    `${scope} section svg{width:2.2em;height:2.2em;grid-row:1/3;fill:none;stroke:#000;stroke-width:2.2}`,
    `${scope} section p+p{margin-top:.3em}`,
    `${scope} .names{list-style:none;columns:${paper === 'strip' ? 1 : 2};column-gap:1em}`,
    `${scope} .names.few{columns:1}`,
    `${scope} .signs{display:grid;grid-template-columns:${paper === 'strip' ? '1fr' : '1fr 1fr'};gap:.4em 1em}`,
    `${scope} .dark{border:.18em solid #000;border-radius:.25em;padding:.6em .8em}`,
    `${scope} .dark ol{padding-left:1.4em}`,
    `${scope} .dark li{font-weight:400;padding:.08em 0}`,
    `${scope} footer{margin-top:auto;display:flex;align-items:end;justify-content:space-between;gap:1em;border-top:.09em solid #000;padding-top:.4em;font-size:.72em}`,
    `${scope} footer svg{flex:none;width:${paper === 'a6' || paper === 'strip' ? 16 : 20}mm;fill:#000}`,
    `${scope} footer span{display:block}`,
  ];
  return rules.join('\n');
}

/** The size of the letters of a paper, pt, before anything is made to fit. */
export function letterSizePt({ paper, isLarge }: CardLook): number {
  return BASE_PT[paper] * (isLarge ? LARGE : 1);
}

/**
 * The pages of a card as markup, every text of the user escaped.
 *
 * @param sizesPt The size of the letters of each page, where it was made to fit.
 */
export function cardMarkup(
  pages: readonly CardPage[],
  code: CodePicture,
  sizesPt: readonly number[] = [],
): string {
  return pages
    .map((page, index) => pageMarkup(page, code, `${index + 1} of ${pages.length}`, sizesPt[index]))
    .join('\n');
}

/** A page of its own that needs nothing else: no script, no file, no network. */
export function cardDocument(
  pages: readonly CardPage[],
  look: CardLook,
  code: CodePicture,
  sizesPt: readonly number[] = [],
): string {
  const [width, height] = PAPER_MM[look.paper];
  const title = escaped(`${pages[0]?.rig ?? ''}: what may run together`);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${title}</title>
<style>
@page{size:${width}mm ${height}mm;margin:0}
body{margin:0;background:#fff}
${cardStyle(look, 'main')}
@media screen{main .page{width:auto;max-width:${width}mm;min-height:0;margin:0 auto;padding:16px;border-bottom:1px solid #000}}
@media screen and (max-width:600px){main .page{font-size:16px!important}}
</style>
</head>
<body>
<main>
${cardMarkup(pages, code, sizesPt)}
</main>
</body>
</html>
`;
}

function pageMarkup(
  { title, rig, sections, signs, dark, foot }: CardPage,
  code: CodePicture,
  place: string,
  sizePt: number | undefined,
): string {
  return [
    sizePt === undefined ? '<article class="page">' : `<article class="page" style="font-size:${sizePt}pt">`,
    `<header><h1>${escaped(title)}</h1><span>${escaped(rig)}</span></header>`,
    ...sections.map(sectionMarkup),
    `<div class="signs">${signs.map(({ head, text }) => `<div><h2>${escaped(head)}</h2><p>${escaped(text)}</p></div>`).join('')}</div>`,
    `<div class="dark"><h2>${escaped(dark.head)}</h2><ol>${dark.steps.map((step) => `<li>${escaped(step)}</li>`).join('')}</ol></div>`,
    `<footer><div>${foot.map((line) => `<span>${escaped(line)}</span>`).join('')}<span>${escaped(code.words)}, ${place}</span></div>`,
    `<svg viewBox="0 0 ${code.size} ${code.size}" role="img" aria-label="Code of this card"><path d="${code.path}"/></svg></footer>`,
    '</article>',
  ].join('\n');
}

function sectionMarkup({ mark, head, names, sentences }: CardSection): string {
  const few = names.length < 4 ? ' few' : '';
  const list =
    names.length > 0
      ? `<ul class="names${few}">${names.map((name) => `<li>${escaped(name)}</li>`).join('')}</ul>`
      : '';
  const said = sentences
    .map(
      ({ strong, rest }) =>
        `<p>${strong === '' ? '' : `<strong>${escaped(strong)}</strong> `}${escaped(rest)}</p>`,
    )
    .join('');
  return `<section><svg viewBox="0 0 32 32" aria-hidden="true">${MARKS[mark]}</svg><h2>${escaped(head)}</h2><div>${list}${said}</div></section>`;
}

const MARKS: Readonly<Record<CardSection['mark'], string>> = {
  always:
    '<circle cx="16" cy="16" r="14" fill="#000"/><path d="M9 16l5 5 9-10" stroke="#fff" stroke-width="3.2"/>',
  one: '<circle cx="16" cy="16" r="13"/><path d="M13 12l4-3v14" stroke-width="2.8"/>',
  together: '<circle cx="12" cy="16" r="9"/><circle cx="20" cy="16" r="9"/>',
  never: '<path d="M10 3h12l7 7v12l-7 7H10l-7-7V10ZM11 11l10 10M21 11L11 21"/>',
  order: '<path d="M3 10h20M18 5l6 5-6 5M9 22h20M24 17l5 5-5 5"/>',
};

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign] ?? sign);
