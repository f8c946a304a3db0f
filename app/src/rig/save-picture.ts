import { saveBlob } from '../storage/rig-files';

const PNG_SCALE = 2;
const MARGIN = 24;
/** What a drawing takes from the page's style sheet, copied into it so that it stands alone. */
const STYLED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'font-family',
  'font-size',
  'font-weight',
] as const;
/** What is there for the hand only: where it may press, and what is selected. */
const FOR_THE_HAND = '.corner, .reach, .row';

/** A copy of a drawing that needs no page around it: styles written in, paper behind it. */
export function standalone(drawing: SVGSVGElement): SVGSVGElement {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const copies = [...copy.querySelectorAll<SVGElement>('*')];
  [...drawing.querySelectorAll<SVGElement>('*')].forEach((original, index) => {
    const style = getComputedStyle(original);
    const target = copies[index];
    for (const property of STYLED) target?.style.setProperty(property, style.getPropertyValue(property));
    target?.removeAttribute('tabindex');
  });
  copy.querySelectorAll(FOR_THE_HAND).forEach((each) => each.remove());
  const { width, height } = drawing.viewBox.baseVal;
  const box = { x: -MARGIN, y: -MARGIN, width: width + 2 * MARGIN, height: height + 2 * MARGIN };
  copy.prepend(paper(box));
  copy.setAttribute('viewBox', `${box.x} ${box.y} ${box.width} ${box.height}`);
  copy.setAttribute('width', String(box.width));
  copy.setAttribute('height', String(box.height));
  return copy;
}

function paper(box: Readonly<Record<string, number>>): SVGElement {
  const rect = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of Object.entries(box)) rect.setAttribute(name, String(value));
  rect.style.fill = getComputedStyle(document.body).backgroundColor;
  return rect;
}

/** The drawing with its fonts in it: an image knows none of the page's, and every word has its place by them. */
async function svgText(drawing: SVGSVGElement): Promise<string> {
  const copy = standalone(drawing);
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  style.textContent = (await Promise.all(fontFaces().map(withItsFile))).join('\n');
  copy.prepend(style);
  return new XMLSerializer().serializeToString(copy);
}

/** The faces that the page has and uses. */
function fontFaces(): readonly { readonly rule: CSSFontFaceRule; readonly base: string }[] {
  const used = [...document.fonts].filter(({ status }) => status === 'loaded');
  return [...document.styleSheets].flatMap((sheet) =>
    [...sheet.cssRules].flatMap((rule) => {
      if (!(rule instanceof CSSFontFaceRule)) return [];
      const [family, weight] = ['font-family', 'font-weight'].map((name) =>
        plain(rule.style.getPropertyValue(name)),
      );
      const isUsed = used.some((face) => plain(face.family) === family && face.weight === weight);
      return isUsed ? [{ rule, base: sheet.href ?? document.baseURI }] : [];
    }),
  );
}

const plain = (family: string): string => family.replaceAll(/["']/g, '');

async function withItsFile({ rule, base }: ReturnType<typeof fontFaces>[number]): Promise<string> {
  const address = /url\(["']?([^"')]+)["']?\)/.exec(rule.style.getPropertyValue('src'))?.[1];
  if (address === undefined) return '';
  const file = await (await fetch(new URL(address, base))).blob();
  const style = ['font-family', 'font-weight', 'font-style'].map(
    (name) => `${name}: ${rule.style.getPropertyValue(name)}`,
  );
  return `@font-face { ${style.join('; ')}; src: url(${await dataUrl(file)}); }`;
}

function dataUrl(file: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('A font of the page cannot be read'));
    reader.readAsDataURL(file);
  });
}

export async function saveSvg(drawing: SVGSVGElement, name: string): Promise<void> {
  saveBlob(`${name}.svg`, new Blob([await svgText(drawing)], { type: 'image/svg+xml' }));
}

/** The same as pixels, twice as many as on the screen. */
export async function savePng(drawing: SVGSVGElement, name: string): Promise<void> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(await svgText(drawing))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.naturalWidth * PNG_SCALE;
  canvas.height = image.naturalHeight * PNG_SCALE;
  const context = canvas.getContext('2d');
  if (!context) return;
  context.scale(PNG_SCALE, PNG_SCALE);
  context.drawImage(image, 0, 0);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob) saveBlob(`${name}.png`, blob);
}
