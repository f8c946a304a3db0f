import type { DeviceKind } from '../../reference/trip-signs.js';
import type { Device } from './trip-devices.js';

/**
 * Where to look to tell two causes apart. Its id carries the device it is about, where there are several of a kind:
 * `handle galley`.
 */
export interface Inspection {
  readonly id: string;
  readonly at: InspectionOf;
  /** Whose handle, whose lamp. */
  readonly device: Device;
  /** The cause that a Yes speaks for, and the one that a No does. */
  readonly yes: Device;
  readonly no: Device;
}

export type InspectionOf =
  | 'handle'
  | 'panel'
  | 'low-volts'
  | 'neighbours'
  | 'test-button'
  | 'other-load'
  | 'generator-runs'
  | 'posts';

const BREAKERS: readonly DeviceKind[] = [
  'branch-breaker',
  'output-breaker',
  'inlet-breaker',
  'source-breaker',
];
const isBreaker = ({ kind }: Device): boolean => BREAKERS.includes(kind);

/** What a look is expected to show for each kind of device; undefined where it says nothing of it. */
const SEEN: Readonly<Record<Exclude<InspectionOf, 'handle'>, (kind: DeviceKind) => boolean | undefined>> = {
  panel: (kind) =>
    kind === 'battery' || kind === 'battery-fuse' ? false : kind === 'own-protector' ? undefined : true,
  'low-volts': (kind) =>
    kind === 'inverter-low-volts' || kind === 'battery' ? true : kind === 'inverter' ? false : undefined,
  neighbours: (kind) =>
    kind === 'source-lost'
      ? false
      : kind === 'source-breaker' || kind === 'residual-current'
        ? true
        : undefined,
  'test-button': (kind) => kind === 'residual-current',
  'other-load': (kind) => kind === 'own-protector',
  posts: (kind) =>
    kind === 'battery' ? false : kind === 'battery-fuse' || kind === 'inverter-low-volts' ? true : undefined,
  'generator-runs': (kind) => (kind === 'generator' ? false : undefined),
};

/** Whether a look shows Yes where a device opened; undefined where it says nothing of it. */
export function saysYes(lookId: string, device: Device): boolean | undefined {
  const [at, deviceId] = split(lookId);
  return at === 'handle' ? device.id === deviceId : SEEN[at](device.kind);
}

function split(lookId: string): readonly [InspectionOf, string] {
  const space = lookId.indexOf(' ');
  return space < 0
    ? [lookId as InspectionOf, '']
    : [lookId.slice(0, space) as InspectionOf, lookId.slice(space + 1)];
}

/** In which order looks are proposed: what is seen at one's place first. */
const AT_ONES_PLACE: readonly Exclude<InspectionOf, 'handle'>[] = [
  'other-load',
  'generator-runs',
  'panel',
  'low-volts',
  'test-button',
  'neighbours',
  'posts',
];

/** The first look that tells the most probable device from the next, and was not taken yet. */
export function inspectionToTellApart(
  [first, ...others]: readonly Device[],
  looked: ReadonlySet<string>,
): Inspection | undefined {
  if (!first) return undefined;
  const [second] = others;
  if (!second) return undefined;
  const handleOf = [first, second].find(isBreaker);
  const looks: readonly { readonly at: InspectionOf; readonly id: string; readonly device: Device }[] = [
    ...(handleOf ? [{ at: 'handle' as const, id: `handle ${handleOf.id}`, device: handleOf }] : []),
    ...AT_ONES_PLACE.map((at) => ({ at, id: at, device: first })),
  ];
  for (const { at, id, device } of looks) {
    if (looked.has(id)) continue;
    const [ofFirst, ofSecond] = [saysYes(id, first), saysYes(id, second)];
    if (ofFirst === undefined || ofSecond === undefined || ofFirst === ofSecond) continue;
    return { id, at, device, yes: ofFirst ? first : second, no: ofFirst ? second : first };
  }
  return undefined;
}
