import { createWorker, OEM, PSM, type Page, type Worker } from 'tesseract.js';

/** Where the build puts what reads pictures: it comes as it is, and from here alone. */
const FOLDER = '/reader';
const LANGUAGE = 'eng';

/** How far the reading is. */
export interface ReadingProgress {
  readonly step: 'loading' | 'reading';
  /** 0 to 1. */
  readonly share: number;
}

/** What reads pictures, once it is loaded: it keeps its own worker. */
export interface PictureReader {
  readonly read: (picture: Blob, tell: (progress: ReadingProgress) => void) => Promise<string>;
  readonly close: () => Promise<void>;
}

/**
 * Loads what reads pictures: its worker, its program and the shapes of letters, from this server alone. The picture stays in the
 * browser.
 *
 * @throws Where it cannot be loaded: no connection and nothing kept, or a browser too old for it.
 */
export async function openReader(tell: (progress: ReadingProgress) => void): Promise<PictureReader> {
  let told = tell;
  const here = new URL(FOLDER, location.origin).href;
  const worker: Worker = await createWorker(LANGUAGE, OEM.LSTM_ONLY, {
    workerPath: `${here}/worker.min.js`,
    corePath: `${here}/tesseract-core-simd-lstm.wasm.js`,
    langPath: here,
    gzip: true,
    // The page's own storage keeps nothing of it: it is in the cache of the page.
    cacheMethod: 'none',
    workerBlobURL: false,
    logger: ({ status, progress }) =>
      told({ step: status === 'recognizing text' ? 'reading' : 'loading', share: progress }),
    errorHandler: () => undefined,
  });
  await worker.setParameters({
    tessedit_pageseg_mode: PSM.SPARSE_TEXT,
    preserve_interword_spaces: '1',
  });
  return {
    read: async (picture, tellReading) => {
      told = tellReading;
      const { data } = await worker.recognize(picture, { rotateAuto: true }, { blocks: true });
      return linesOf(data);
    },
    close: async () => {
      await worker.terminate();
    },
  };
}

/** Below it a word is as likely a scratch as a word, 0 to 100. */
const LEAST_CONFIDENCE = 35;

/** What was read, line by line, without what is hardly a sign. */
function linesOf({ blocks }: Page): string {
  const lines = (blocks ?? []).flatMap(({ paragraphs }) => paragraphs.flatMap(({ lines: each }) => each));
  return lines
    .map(({ words }) =>
      words
        .filter(({ confidence }) => confidence >= LEAST_CONFIDENCE)
        .map(({ text }) => text)
        .join(' '),
    )
    .filter((line) => /[\p{L}\d].*[\p{L}\d]/u.test(line))
    .join('\n');
}
