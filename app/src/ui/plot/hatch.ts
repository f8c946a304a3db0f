const SPACING_PX = 6;
const WIDTH_PX = 1.2;

/** 45-degree hatch, which always means a start, as a fill for a canvas. */
export function hatch(colour: string): CanvasPattern | string {
  const scale = devicePixelRatio;
  const tile = document.createElement('canvas');
  tile.width = tile.height = SPACING_PX * scale;
  const pen = tile.getContext('2d');
  if (!pen) return colour;
  pen.scale(scale, scale);
  pen.strokeStyle = colour;
  pen.lineWidth = WIDTH_PX;
  for (const shift of [-SPACING_PX, 0, SPACING_PX]) {
    pen.moveTo(shift, SPACING_PX);
    pen.lineTo(shift + SPACING_PX, 0);
  }
  pen.stroke();
  const drawn = pen.createPattern(tile, 'repeat');
  drawn?.setTransform(new DOMMatrix().scale(1 / scale));
  return drawn ?? colour;
}
