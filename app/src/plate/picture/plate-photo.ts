/** What of a picture is looked at: shares of its width and height, after it was turned. */
export interface Crop {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const WHOLE: Crop = { left: 0, top: 0, right: 1, bottom: 1 };

/** Wider than this a picture takes longer to read, and is read no better. */
const LARGEST_PX = 1800;
/** Small letters are read better when they are larger. */
const SMALLEST_PX = 1000;
const MOST_ENLARGED = 2;
const FULL_TURN = 360;

/**
 * A picture as it is read: turned, cut out, and of a size that letters are read well at.
 *
 * @param turnDegrees By quarter turns, clockwise.
 */
export function photoOnCanvas(picture: ImageBitmap, turnDegrees: number, crop: Crop): HTMLCanvasElement {
  const turn = ((turnDegrees % FULL_TURN) + FULL_TURN) % FULL_TURN;
  const isAcross = turn % 180 !== 0;
  const [width, height] = isAcross ? [picture.height, picture.width] : [picture.width, picture.height];
  const cutWidth = Math.max(1, (crop.right - crop.left) * width);
  const cutHeight = Math.max(1, (crop.bottom - crop.top) * height);
  const scale = scaleFor(Math.max(cutWidth, cutHeight));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(cutWidth * scale));
  canvas.height = Math.max(1, Math.round(cutHeight * scale));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return canvas;
  context.imageSmoothingQuality = 'high';
  context.scale(scale, scale);
  context.translate(width / 2 - crop.left * width, height / 2 - crop.top * height);
  context.rotate((turn * Math.PI) / 180);
  context.drawImage(picture, -picture.width / 2, -picture.height / 2);
  return canvas;
}

function scaleFor(longest: number): number {
  if (longest > LARGEST_PX) return LARGEST_PX / longest;
  return Math.min(MOST_ENLARGED, Math.max(1, SMALLEST_PX / longest));
}

/** A canvas as a file of a picture. */
export function asBlob(canvas: HTMLCanvasElement): Promise<Blob> {
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => {
      if (blob) resolve(blob);
      else reject(new Error('The picture is too large for this browser'));
    });
  });
}
