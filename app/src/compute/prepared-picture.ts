/** A picture as one number a pixel, 0 black to 255 white. */
export interface GreyPicture {
  readonly width: number;
  readonly height: number;
  readonly grey: Uint8ClampedArray;
}

/** Weights of red, green and blue in what the eye takes for brightness: ITU-R BT.601. */
const RED = 0.299;
const GREEN = 0.587;
const BLUE = 0.114;
const CHANNELS = 4;
const WHITE = 255;

/** The window in which light is taken for even, as a share of the wider side: larger than letters, smaller than glare. */
const WINDOW_SHARE = 1 / 24;
const LEAST_WINDOW_PX = 12;
/** A letter lies so many local spreads beside what is around it. Sauvola and Pietikäinen (2000) go by the same spread. */
const SPREADS = 0.9;
/** Where nothing is, there is grain: a spread counts from such a share of the strongest on. */
const SPREAD_FROM = 0.3;
const STRONG = 0.9;
/** From all black to all white over so many spreads, for soft edges are read better. */
const SOFT_SPREADS = 0.6;

/**
 * A picture of a plate made even: each pixel is held against the mean and the spread of what is around it, so that shadows and glare go,
 * and letters become dark on light whatever they were.
 */
export function preparedPicture(picture: ImageData): GreyPicture {
  const { width, height } = picture;
  // Grain goes first: what is stretched afterwards would stretch it too.
  const grey = meanAround(greyOf(picture), width, height, 1);
  const half = Math.max(LEAST_WINDOW_PX, Math.round(Math.max(width, height) * WINDOW_SHARE));
  const mean = meanAround(grey, width, height, half);
  const meanOfSquares = meanAround(
    grey.map((value) => value * value),
    width,
    height,
    half,
  );
  const spread = mean.map((value, at) => Math.sqrt(Math.max(0, (meanOfSquares[at] ?? 0) - value * value)));
  const least = Math.max(1, SPREAD_FROM * quantile(spread, STRONG));
  const beside = grey.map((value, at) => (value - (mean[at] ?? 0)) / Math.max(least, spread[at] ?? 0));
  // Letters are what differs most from its surroundings, on whichever side of them.
  const { above, below } = beyond(beside, 2 * SPREADS);
  const sign = above > below ? -1 : 1;
  const even = Uint8ClampedArray.from(
    beside,
    (value) => WHITE * (1 / 2 + (sign * value + SPREADS) / SOFT_SPREADS),
  );
  return { width, height, grey: even };
}

/** A grey picture as one that a canvas draws. */
export function drawable({ width, height, grey }: GreyPicture): ImageData {
  const data = new Uint8ClampedArray(CHANNELS * grey.length);
  for (let at = 0; at < grey.length; at += 1) {
    data.fill(grey[at] ?? 0, CHANNELS * at, CHANNELS * at + 3);
    data[CHANNELS * at + 3] = WHITE;
  }
  return new ImageData(data, width, height);
}

function greyOf({ data, width, height }: ImageData): Float32Array {
  const grey = new Float32Array(width * height);
  for (let at = 0; at < grey.length; at += 1) {
    const from = CHANNELS * at;
    grey[at] = RED * (data[from] ?? 0) + GREEN * (data[from + 1] ?? 0) + BLUE * (data[from + 2] ?? 0);
  }
  return grey;
}

/** The mean of a square around each pixel, by sums over the whole picture (a summed-area table). */
function meanAround(grey: Float32Array, width: number, height: number, half: number): Float32Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1) {
    let row = 0;
    for (let x = 0; x < width; x += 1) {
      row += grey[y * width + x] ?? 0;
      sums[(y + 1) * (width + 1) + x + 1] = (sums[y * (width + 1) + x + 1] ?? 0) + row;
    }
  }
  const sumTo = (x: number, y: number): number => sums[y * (width + 1) + x] ?? 0;
  const means = new Float32Array(grey.length);
  for (let y = 0; y < height; y += 1) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half + 1)];
    for (let x = 0; x < width; x += 1) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half + 1)];
      const sum = sumTo(right, bottom) - sumTo(left, bottom) - sumTo(right, top) + sumTo(left, top);
      means[y * width + x] = sum / ((right - left) * (bottom - top));
    }
  }
  return means;
}

const SAMPLED = 20_000;

/** By a sample of them. */
function quantile(values: Float32Array, share: number): number {
  const step = Math.max(1, Math.floor(values.length / SAMPLED));
  const sample = values.filter((_, at) => at % step === 0).sort();
  return sample[Math.floor((sample.length - 1) * share)] ?? 0;
}

/** How many are so much lighter than their surroundings, and how many so much darker. */
function beyond(differs: Float32Array, level: number): { readonly above: number; readonly below: number } {
  let [above, below] = [0, 0];
  for (const value of differs) {
    if (value > level) above += 1;
    else if (value < -level) below += 1;
  }
  return { above, below };
}
