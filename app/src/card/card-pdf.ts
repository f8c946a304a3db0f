import { PAPER_MM, type CardLook, type CardPage, type CodePicture } from '@heliarch/core/card';
import pdfMake from 'pdfmake/build/pdfmake.min';
import fonts from 'pdfmake/build/vfs_fonts';

type Definitions = Parameters<typeof pdfMake.createPdf>[0];
type Content = Definitions['content'];

const POINTS_PER_MM = 72 / 25.4;
const BASE_PT = { a5: 10.5, a6: 7.5, 'half-letter': 10.5, strip: 8 } as const;
const LARGE = 1.25;
const MARGIN_SHARE = 0.065;
const CODE_MM = 18;
const SHRINK_STEP = 0.06;
const LEAST_SHARE = 0.55;

/** Cards as a PDF, one page each: letters become smaller until that is so. */
export async function cardPdf(pages: readonly CardPage[], look: CardLook, code: CodePicture): Promise<Blob> {
  pdfMake.addVirtualFileSystem(fonts);
  for (let share = 1; ; share -= SHRINK_STEP) {
    let written = 0;
    const document = documentOf(pages, look, code, share);
    const blob = await pdfMake
      .createPdf({
        ...document,
        footer: (_page, count) => {
          written = count;
          return '';
        },
      })
      .getBlob();
    if (written <= pages.length || share <= LEAST_SHARE) return blob;
  }
}

function documentOf(
  pages: readonly CardPage[],
  { paper, isLarge }: CardLook,
  code: CodePicture,
  share: number,
): Definitions {
  const [width, height] = PAPER_MM[paper].map((mm) => mm * POINTS_PER_MM) as [number, number];
  const size = BASE_PT[paper] * (isLarge ? LARGE : 1) * share;
  const margin = width * MARGIN_SHARE;
  return {
    pageSize: { width, height },
    pageMargins: [margin, margin, margin, margin],
    info: { title: `${pages[0]?.rig ?? ''}: what may run together` },
    defaultStyle: { fontSize: size, lineHeight: 1.15 },
    styles: {
      title: { fontSize: size * 1.9, bold: true },
      head: { fontSize: size * 1.15, bold: true },
      strong: { bold: true },
    },
    content: pages.flatMap((page, index) =>
      pageContent(
        page,
        code,
        { size, rule: width - 2 * margin },
        index > 0,
        `${index + 1} of ${pages.length}`,
      ),
    ),
  };
}

interface Measures {
  readonly size: number;
  /** How long a rule across the page is, pt. */
  readonly rule: number;
}

function pageContent(
  { title, rig, sections, signs, dark, foot }: CardPage,
  code: CodePicture,
  { size, rule }: Measures,
  isFurther: boolean,
  place: string,
): readonly Content[] {
  const line = (lineWidth: number): Content => ({
    canvas: [{ type: 'line', x1: 0, y1: 0, x2: rule, y2: 0, lineWidth }],
    margin: [0, size * 0.2, 0, size * 0.4],
  });
  return [
    {
      columns: [
        { text: title, style: 'title', width: '*' },
        { text: rig, width: 'auto', margin: [0, size * 0.7, 0, 0] },
      ],
      ...(isFurther && { pageBreak: 'before' as const }),
    },
    line(2),
    ...sections.flatMap(({ head, names, sentences }): readonly Content[] => [
      { text: head, style: 'head' },
      ...(names.length > 0 ? [{ text: names.join(names.length > 1 ? '   ·   ' : '') }] : []),
      ...sentences.map(({ strong, rest }): Content => ({
        text: [...(strong ? [{ text: `${strong} `, style: 'strong' }] : []), rest],
      })),
      line(0.6),
    ]),
    {
      columns: signs.map(({ head, text }) => ({ stack: [{ text: head, style: 'strong' }, text] })),
      columnGap: size,
      margin: [0, 0, 0, size * 0.5],
    },
    {
      table: {
        widths: ['*'],
        body: [
          [{ stack: [{ text: dark.head, style: 'head' }, { ol: [...dark.steps] }], margin: size * 0.4 }],
        ],
      },
      margin: [0, 0, 0, size * 0.5],
    },
    {
      columns: [
        { text: [...foot, `${code.words}, ${place}`].join('\n'), fontSize: size * 0.72, width: '*' },
        {
          svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${code.size} ${code.size}"><path d="${code.path}"/></svg>`,
          width: CODE_MM * POINTS_PER_MM,
        },
      ],
      columnGap: size,
    },
  ];
}
