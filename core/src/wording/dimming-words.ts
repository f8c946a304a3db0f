import { formatNumber } from '../quantity/format.js';
import { sourceWords } from '../reference/provenance.js';
import { FLICKER, LARGEST_CHANGE } from '../reference/voltage-quality.js';
import type { Rig } from '../rig/schema.js';
import type { Dimming, DipPart, DipRemedy } from '../answers/dimming.js';
import { partName } from './names.js';

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
export function dimmingWords(rig: Rig, dimming: Dimming): { readonly line: string; readonly detail: string } {
  const { dip, parts, says, remedies } = dimming;
  const split = [...parts]
    .sort((a, b) => b.share - a.share)
    .map(({ what, share }) => `${PART_NAMES[what]} ${percent(share)}`);
  const better = remedies.map(({ what, dip: left }) => `${REMEDY_NAMES[what]} ${percent(left)}`);
  return {
    line: `${percent(dip.stated)} as ${partName(rig, dimming)} starts: ${says}.`,
    detail: [
      `Between ${percent(dip.lo)} and ${percent(dip.hi)}, by ${split.join(', ')}.`,
      ...(dip.hi > LARGEST_CHANGE.general
        ? [
            `A public supply lets equipment cause ${percent(LARGEST_CHANGE.general)} to ${percent(LARGEST_CHANGE.attended)} (${sourceWords(FLICKER)}), a yardstick only.`,
          ]
        : []),
      ...(better.length > 0 ? [`It would be with ${better.join('; with ')}.`] : []),
    ].join(' '),
  };
}

const percent = (share: number): string => `${formatNumber(share * 100, 1)} %`;
