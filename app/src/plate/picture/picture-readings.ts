import { wrap } from 'comlink';
import type { Pictures } from '../../compute/pictures.worker';
import { asBlob } from './plate-photo';
import { openReader, type PictureReader, type ReadingProgress } from './read-picture';

/** Reads pictures twice, as they are and made even. What reads them is loaded with the first, and kept for the next. */
export class PictureReadings {
  private reader: Promise<PictureReader> | undefined;

  /** @param madeEven In a worker, for it takes longer than a page may wait. */
  constructor(private readonly madeEven = evenInWorker) {}

  /** @throws Where what reads pictures cannot be loaded. */
  async readingsOf(
    photo: HTMLCanvasElement,
    tell: (progress: ReadingProgress) => void,
  ): Promise<readonly string[]> {
    this.reader ??= openReader(tell);
    const reader = await this.reader.catch((error: unknown) => {
      this.reader = undefined;
      throw error;
    });
    const half =
      (from: number) =>
      ({ step, share }: ReadingProgress): void => {
        tell({ step, share: from + share / 2 });
      };
    const asItIs = await reader.read(await asBlob(photo), half(0));
    const even = await reader.read(await asBlob(await this.madeEven(photo)), half(1 / 2));
    return [asItIs, even];
  }

  /** Ends what is being read; the next picture loads it anew. */
  close(): void {
    void this.reader?.then((reader) => reader.close()).catch(() => undefined);
    this.reader = undefined;
  }
}

async function evenInWorker(photo: HTMLCanvasElement): Promise<HTMLCanvasElement> {
  const worker = new Worker(new URL('../../compute/pictures.worker', import.meta.url), { type: 'module' });
  try {
    const { width, height } = photo;
    const picture = photo.getContext('2d')?.getImageData(0, 0, width, height);
    if (!picture) return photo;
    const even = await wrap<Pictures>(worker).prepared(picture);
    return drawnOn(even);
  } finally {
    worker.terminate();
  }
}

/** A picture on a canvas of its own. */
export function drawnOn(picture: ImageData): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = picture.width;
  canvas.height = picture.height;
  canvas.getContext('2d')?.putImageData(picture, 0, 0);
  return canvas;
}
