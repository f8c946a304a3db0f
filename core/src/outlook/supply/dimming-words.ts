import type { NumberStyle } from '../../units/number-style.js';
import { formatNumber } from '../../units/format.js';
import { sourceWords } from '../../reference/provenance.js';
import { FLICKER, LARGEST_CHANGE } from '../../reference/voltage-quality.js';
import type { Rig } from '../../rig-file/schema.js';
import type { Dimming, DipPart, DipRemedy } from './dimming.js';
import { partName } from '../../words/names.js';

const PART_NAMES: Record<DipPart['what'], string> = {
  inverter: 'inverter',
  battery: 'battery',
  'battery-cable': 'battery cable and lugs',
  pedestal: 'shore post',
  generator: 'generator',
  cord: 'shore cord',
  'circuit-cable': 'cable to the load',
};

const REMEDY_NAMES: Record<DipRemedy['what'], string> = {
  'soft-starter': 'a soft starter',
  'second-battery': 'a second battery beside it',
  'heavier-battery-cable': 'battery cable of twice the section',
  'heavier-cord': 'a cord of twice the section',
};

/** How far the lights dim, by what, and what would help: a line to read and the figures behind it. */
export function dimmingWords(
  style: NumberStyle,
  rig: Rig,
  dimming: Dimming,
): { readonly line: string; readonly detail: string } {
  const { dip, parts, says, remedies } = dimming;
  const split = [...parts]
    .sort((a, b) => b.share - a.share)
    .map(({ what, share }) => `${PART_NAMES[what]} ${percent(style, share)}`);
  const better = remedies.map(({ what, dip: left }) => `${REMEDY_NAMES[what]} ${percent(style, left)}`);
  return {
    line: `${percent(style, dip.stated)} as ${partName(rig, dimming)} starts: ${says}.`,
    detail: [
      `Between ${percent(style, dip.lo)} and ${percent(style, dip.hi)}, by ${split.join(', ')}.`,
      ...(dip.hi > LARGEST_CHANGE.general
        ? [
            `A public supply lets equipment cause ${percent(style, LARGEST_CHANGE.general)} to ${percent(style, LARGEST_CHANGE.attended)} (${sourceWords(FLICKER)}), a yardstick only.`,
          ]
        : []),
      ...(better.length > 0 ? [`It would be with ${better.join('; with ')}.`] : []),
    ].join(' '),
  };
}

const percent = (style: NumberStyle, share: number): string => `${formatNumber(style, share * 100, 1)} %`;
