import { joined, NO_PIECES, piecesOf, withPiece } from '@heliarch/core/describe';
import { packed, unpacked } from '../storage/packed-rig';
import { smallRig } from '../storage/small-rig.testing';
import { qrCode, readCode } from './qr-code';

const CELL_PIXELS = 4;

/** The picture as a camera would see it. */
function seen(text: string): ImageData {
  const { size, path } = qrCode(text);
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = size * CELL_PIXELS;
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.scale(CELL_PIXELS, CELL_PIXELS);
  context.fillStyle = '#000';
  context.fill(new Path2D(path));
  return context.getImageData(0, 0, canvas.width, canvas.height);
}

describe('QR codes', () => {
  it('carry a whole rig from one screen to another, read by jsQR', async () => {
    const text = JSON.stringify({ ...smallRig(), note: `${'Größe ½, '.repeat(300)}${Math.random()}` });
    const pieces = piecesOf(await packed(text));
    const read = [...pieces].reverse().map((piece) => readCode(seen(piece)) ?? '');
    expect(await unpacked(joined(read.reduce(withPiece, NO_PIECES)) ?? '')).toBe(text);
  });
});
