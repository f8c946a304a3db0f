import { MINUTES_PER_HOUR } from '@heliarch/core/units';
import type { NumberStyle } from '@heliarch/core/units';
import { formatAmount, formatNumber, formatSeconds, type Basis, type Quantity } from '@heliarch/core/units';
import {
  type Battery,
  type Circuit,
  type Converter,
  type Rig,
  type Scene,
  type Source,
  entriesOf,
  type EntryList,
} from '@heliarch/core/rig';
import type { LiveNumbers } from '../live-numbers';

type SolarArray = NonNullable<Rig['solar']>[number];

/** A line of words at a part: a rating with how it is known, or a number that stands still. */
export interface PartLine {
  readonly text: string;
  readonly basis?: Basis | undefined;
  readonly isRating: boolean;
}

const rating = (text: string, basis?: Basis): PartLine => ({ text, basis, isRating: true });
const still = (text: string): PartLine => ({ text, isRating: false });
const stated = (style: NumberStyle, quantity: Quantity, unit: string, more = ''): PartLine =>
  rating(`${formatAmount(style, quantity.value, unit)}${more}`, quantity.basis);

export function nameOf(rig: Rig, list: EntryList, id: string): string {
  return entriesOf(rig, list).find((entry) => entry.id === id)?.name ?? id;
}

/** What is written at a source: its rating, and what comes in now. */
export function sourceLines(style: NumberStyle, source: Source, live: LiveNumbers): readonly PartLine[] {
  const amps = live.amps.get(source.id);
  const isConnected = live.connected.includes(source.id);
  return [
    ...(source.continuousW ? [stated(style, source.continuousW, 'W')] : []),
    still(
      isConnected ? (amps ? `${formatAmount(style, amps, 'A')} in your set` : 'connected') : 'not connected',
    ),
  ];
}

/** What is written at a solar array. */
export function solarLines(style: NumberStyle, { stcW }: SolarArray): readonly PartLine[] {
  return [stated(style, stcW, 'W')];
}

/** Amps of a breaker, or of a fuse, at its place on the wire. */
export function deviceWords(style: NumberStyle, rig: Rig, kind: string, list: EntryList, id: string): string {
  if (list === 'circuits') return '';
  const { sources, converters, batteries } = rig;
  const amps =
    list === 'sources'
      ? sources.find((each) => each.id === id)?.breaker?.amps
      : list === 'converters'
        ? converters.find((each) => each.id === id)?.outputBreaker?.amps
        : kind === 'fuse'
          ? batteries.find((each) => each.id === id)?.fuse?.amps
          : undefined;
  return amps === undefined ? '' : `${formatNumber(style, amps, 0)} A`;
}

/** What is written at an inverter: for hours, its highest surge, and what it carries now. */
export function converterLines(
  style: NumberStyle,
  converter: Converter,
  live: LiveNumbers,
): readonly PartLine[] {
  const highest = [...converter.tiers].sort((a, b) => b.limit.value - a.limit.value)[0];
  const va = live.va.get(converter.id);
  const units = converter.unitsInParallel ?? 1;
  return [
    stated(style, converter.continuousVA, 'VA', units > 1 ? `, ${units} of them` : ''),
    ...(highest ? [stated(style, highest.limit, 'VA', ` for ${formatSeconds(style, highest.seconds)}`)] : []),
    ...(va ? [still(`${formatAmount(style, va, 'VA')} in your set`)] : []),
  ];
}

const MS_PER_MINUTE = 60_000;

/** How old a reading is: `12 min ago`. */
function age(readAt: string, now: number): string {
  const minutes = Math.round((now - Date.parse(readAt)) / MS_PER_MINUTE);
  if (!Number.isFinite(minutes)) return '';
  if (minutes < 1) return 'just now';
  return minutes < MINUTES_PER_HOUR
    ? `${minutes} min ago`
    : `${Math.round(minutes / MINUTES_PER_HOUR)} h ago`;
}

const SHORT_CHEMISTRY = { lfp: 'LFP', agm: 'AGM', gel: 'gel', flooded: 'wet lead' } as const;

/** What is written at a battery; what the user read off it, with its age. */
export function batteryLines(
  style: NumberStyle,
  rig: Rig,
  battery: Battery,
  scene: Scene | undefined,
  live: LiveNumbers,
  now: number,
): readonly PartLine[] {
  const isOnly = rig.batteries.length === 1;
  const amps = isOnly ? live.batteryA : undefined;
  const chemistry = battery.chemistry ? ` ${SHORT_CHEMISTRY[battery.chemistry]}` : '';
  return [
    stated(style, battery.ampHours, 'Ah', chemistry),
    ...(battery.dischargeA === undefined
      ? []
      : [rating(`${formatAmount(style, battery.dischargeA, 'A')} for hours`)]),
    ...(isOnly && scene?.charge
      ? [still(`${formatNumber(style, scene.charge.percent, 0)} %, read ${age(scene.charge.readAt, now)}`)]
      : []),
    ...(amps ? [still(`${formatAmount(style, amps, 'A')} out in your set`)] : []),
  ];
}

/** What flows through a circuit in the set. */
export function circuitWords(style: NumberStyle, circuit: Circuit, live: LiveNumbers): string {
  const amps = live.amps.get(circuit.id);
  return amps ? formatAmount(style, amps, 'A') : '';
}
