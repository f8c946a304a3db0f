import type { Change, WaysToFit } from '@heliarch/core/check';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import { isPurchase, wayWords, wouldNotHelpWords } from '@heliarch/core/explain';
import { waysToFit } from '@heliarch/core/compute';
import { startOrderOf } from './check-command.ts';
import { loadsOn, sceneOf, type SceneOptions } from './scene-option.ts';

export interface FitOptions extends SceneOptions {
  readonly order?: string;
  readonly want?: string;
  readonly json?: boolean;
}

/** What makes a set fit, or lets a wanted load join it: the least effort first. */
export function fitCommand(
  style: NumberStyle,
  rig: Rig,
  options: FitOptions,
  tell: (line: string) => void,
): string {
  const scene = sceneOf(rig, options);
  const wanted = options.want === undefined ? [] : loadsOn(rig, options.want, '--want');
  const isOn = new Set(scene.on.map(({ load }) => load));
  const on = [...scene.on, ...wanted.filter(({ load }) => !isOn.has(load))];
  const found = waysToFit(
    { rig, scene: { ...scene, on }, startOrder: startOrderOf(options.order, scene) },
    {
      kept: wanted.map(({ load }) => load),
      progress: (done, of) => tell(`${done} of ${of}\n`),
    },
  );
  return options.json ? asJson(style, rig, scene.supply, found) : asLines(style, rig, found);
}

function asLines(style: NumberStyle, rig: Rig, { ways, wouldNotHelp, extent }: WaysToFit): string {
  const lines = ways.map((way) => {
    const { does, then, byHand } = wayWords(style, rig, way);
    return [`${does}.`, then, ...(byHand ? [`By hand: ${byHand}`] : [])].join(' ');
  });
  const not = wouldNotHelp.map((told) => {
    const { what, why } = wouldNotHelpWords(style, rig, told);
    return `Would not help: ${what}. ${why}`;
  });
  const head = ways.length === 0 ? ['No single change and no pair of them was found.'] : [];
  const rest = extent === 'all' ? [] : ['Not every pair was tried.'];
  return [...head, ...lines, ...not, ...rest, ''].join('\n');
}

function asJson(style: NumberStyle, rig: Rig, supply: string, found: WaysToFit): string {
  const ways = found.ways.map((way) => {
    const { decider, verdict } = way.result;
    return {
      changes: way.changes,
      isPurchase: way.changes.some((change: Change) => isPurchase(change)),
      verdict,
      decidedBy: decider?.id ?? null,
      headroom: decider ? { amount: decider.headroom.pessimistic, unit: decider.unit } : null,
      brings: way.brings,
      ...wayWords(style, rig, way),
    };
  });
  const wouldNotHelp = found.wouldNotHelp.map((told) => ({
    decidedBy: told.limit.id,
    ...wouldNotHelpWords(style, rig, told),
  }));
  const report = { format: 'heliarch-fit', version: 1, supply, extent: found.extent, ways, wouldNotHelp };
  return `${JSON.stringify(report, null, 2)}\n`;
}
