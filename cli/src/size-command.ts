import { PERCENT } from '@heliarch/core/units';
import type { CheckScene } from '@heliarch/core/check';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import { limitLabel } from '@heliarch/core/check';
import { sizeWords } from '@heliarch/core/explain';
import { enoughSizes } from '@heliarch/core/compute';
import { BadInput } from './exit-codes.ts';
import { sceneOf, type SceneOptions } from './scene-option.ts';

export interface SizeOptions extends SceneOptions {
  readonly grow?: string;
  readonly json?: boolean;
}

const MOST_GROWTH_PERCENT = 400;

/** Which ratings are enough for one set, or for each of several scenes of the file. */
export function sizeCommand(
  style: NumberStyle,
  rig: Rig,
  options: SizeOptions,
  tell: (line: string) => void,
): string {
  const wishes = wishesOf(rig, options);
  const growth = growthOf(options.grow);
  const { sizes, beyond, notFed } = enoughSizes(rig, wishes, growth, (done, of) =>
    tell(`${done} of ${of}\n`),
  );
  if (options.json) {
    const report = {
      format: 'heliarch-size',
      version: 1,
      growth,
      sizes: sizes.map(({ part, id, name, unit, seconds, has, needs }) => ({
        part,
        id,
        name,
        unit,
        seconds: seconds ?? null,
        has: has ?? null,
        needs: needs ?? null,
      })),
      beyond: beyond.map(({ id }) => id),
      notFed,
    };
    return `${JSON.stringify(report, null, 2)}\n`;
  }
  const lines = sizes.map((size) => {
    const { what, has, needs, isEnough } = sizeWords(style, size);
    return `${isEnough === false ? 'too small' : '         '}  ${what}: ${needs}, there is ${has}`;
  });
  return [
    ...lines,
    ...beyond.map((limit) => `No size helps with ${limitLabel(style, rig, limit)}.`),
    ...(notFed.length > 0 ? [`Not on its supply, so in no sum: ${notFed.join(', ')}.`] : []),
    '',
  ].join('\n');
}

/** `--scene a,b` is a wish each; else the set that is named. */
function wishesOf(rig: Rig, options: SizeOptions): readonly CheckScene[] {
  const ids = options.scene?.split(',').map((id) => id.trim()) ?? [];
  if (ids.length < 2) return [sceneOf(rig, options)];
  return ids.map((scene) => sceneOf(rig, { ...options, scene }));
}

function growthOf(percent = '0'): number {
  const value = Number(percent);
  if (percent.trim() !== '' && value >= 0 && value <= MOST_GROWTH_PERCENT) return value / PERCENT;
  throw new BadInput(`--grow: "${percent}" is no margin; give per cent from 0 to ${MOST_GROWTH_PERCENT}.`);
}
