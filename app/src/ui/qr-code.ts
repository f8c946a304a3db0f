import jsQR from 'jsqr';
import qrcode from 'qrcode-generator';

const QUIET_CELLS = 4;

/** A QR code as one path of unit squares, and how many cells it is wide, its quiet edge included. */
export interface QrCode {
  readonly size: number;
  readonly path: string;
}

export function qrCode(text: string): QrCode {
  const code = qrcode(0, 'M');
  code.addData(text, 'Byte');
  code.make();
  const cells = code.getModuleCount();
  const squares = Array.from({ length: cells * cells }, (_, index) => {
    const [row, column] = [Math.floor(index / cells), index % cells];
    return code.isDark(row, column) ? `M${column + QUIET_CELLS} ${row + QUIET_CELLS}h1v1h-1z` : '';
  });
  return { size: cells + 2 * QUIET_CELLS, path: squares.join('') };
}

/** What a picture says; undefined where there is no code in it. */
export function readCode({ data, width, height }: ImageData): string | undefined {
  return jsQR(data, width, height)?.data;
}
