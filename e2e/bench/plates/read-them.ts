import { compareReadings, keyOfFact, sayPlate } from '@heliarch/core/plate';
import { drawnOn, PictureReadings } from '../../../app/src/plate/picture/picture-readings.ts';
import { drawable, preparedPicture } from '../../../app/src/compute/prepared-picture.ts';
import { drawPlate, PLATES, VIEWS, type InventedPlate } from './drawn-plates.ts';

interface Counted {
  right: number;
  wrong: number;
  marked: number;
  missing: number;
}

/** Reads every plate in every view, and says what of it was right, view by view. */
async function readThem(): Promise<readonly string[]> {
  const readings = new PictureReadings((photo) => {
    const picture = photo.getContext('2d')?.getImageData(0, 0, photo.width, photo.height);
    return Promise.resolve(picture ? drawnOn(drawable(preparedPicture(picture))) : photo);
  });
  const lines: string[] = [];
  const all: Counted = { right: 0, wrong: 0, marked: 0, missing: 0 };
  let took = 0;
  for (const [at, view] of VIEWS.entries()) {
    const counted: Counted = { right: 0, wrong: 0, marked: 0, missing: 0 };
    for (const [index, plate] of PLATES.entries()) {
      const began = performance.now();
      const texts = await readings.readingsOf(drawPlate(plate, view, 17 * (at + 1) + index), () => undefined);
      took += performance.now() - began;
      count(plate, texts, counted);
    }
    lines.push(`${view.name}: ${wordsOf(counted)}`);
    for (const key of Object.keys(all) as (keyof Counted)[]) all[key] += counted[key];
  }
  readings.close();
  const plates = PLATES.length * VIEWS.length;
  return [`${plates} plates: ${wordsOf(all)}, ${(took / plates / 1000).toFixed(1)} s each`, ...lines];
}

function count(plate: InventedPlate, texts: readonly string[], counted: Counted): void {
  const { text, otherwise } = compareReadings(texts, plate.volts);
  const { facts } = sayPlate(text, { volts: plate.volts, hertz: undefined, answers: {}, confirmed: 'all' });
  const read = new Map(facts.map((fact) => [keyOfFact(fact), fact.letter ?? fact.value]));
  for (const [key, value] of Object.entries(plate.says)) {
    const got = read.get(key) ?? read.get(key.replace(/^input-/, 'main-'));
    if (got === undefined) counted.missing += 1;
    else if (isSame(got, value)) counted.right += 1;
    else {
      counted.wrong += 1;
      if (otherwise.has(key)) counted.marked += 1;
    }
  }
}

const isSame = (got: number | string, value: number | string): boolean =>
  typeof value === 'string' ? got === value : Math.abs(Number(got) / value - 1) < 0.01;

const wordsOf = ({ right, wrong, marked, missing }: Counted): string =>
  `${right} of ${right + wrong + missing} numbers right, ${wrong} wrong (${marked} of them marked by the other reading), ${missing} missing`;

Object.assign(globalThis, { readThem });
