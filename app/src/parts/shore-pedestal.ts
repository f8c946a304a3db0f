import { formatNumber, type NumberStyle } from '@heliarch/core/units';
import type { Rig, Supply } from '@heliarch/core/rig';
import { keepTogether } from '../ui/keep-together';

/** What an arrival test is of: a hookup; generators and batteries are no post. */
export interface ShorePedestal {
  readonly nominalV: number;
  /** What is known of it already. */
  readonly line: string;
}

/** The post a supply comes from; undefined where it comes from none. */
export function pedestalOf(style: NumberStyle, rig: Rig, supply: Supply): ShorePedestal | undefined {
  const inlet = rig.sources.find(({ id, kind }) => kind === 'inlet' && supply.sources.includes(id));
  const bus = rig.buses.find(({ id }) => id === inlet?.bus);
  if (!inlet || !bus) return undefined;
  const { volts, sourceOhms } = supply;
  const known =
    volts && sourceOhms
      ? `${formatNumber(style, sourceOhms.value, 2)} ohm, ${formatNumber(style, volts.value, 1)} V with nothing on.`
      : 'Two readings tell how strong the post is.';
  return { nominalV: bus.volts, line: keepTogether(known) };
}
