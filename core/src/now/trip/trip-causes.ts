import { dropOutOf } from '../../outlook/supply/drop-out.js';
import { supplyOf } from '../../rig/lookup.js';
import {
  DARK_IS_RIGHT,
  INVERTER_FALLS,
  STILL_WARMING,
  LOOK_IS_RIGHT,
  PACE_IS_RIGHT,
  SIGN_IMAGINED,
  SIGN_NOTICED,
  TRIP_SIGNS,
  type DeviceKind,
} from '../../reference/trip-signs.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import type { Limit } from '../../check/limits/limit.js';
import {
  momentsOf,
  situationOf,
  steadyLimitsOf,
  type CheckScene,
  type Situation,
} from '../../check/situation.js';
import type { Pace, TripObservation } from '../live-state.js';
import { inspectionToTellApart, saysYes, type Inspection } from './inspections.js';
import {
  deviceOf,
  EVEN,
  openingOf,
  withoutLeg,
  type Device,
  type Opening,
  type Paces,
} from './trip-devices.js';

/** A device that may have opened, and why. */
export interface TripCause {
  readonly device: Device;
  /** The limit that was most likely exceeded; undefined where the sums give no reason. */
  readonly limit: Limit | undefined;
  /** What lost its power by it, of what was on. */
  readonly dark: readonly string[];
  /** Among all causes, 0 to 1: it ranks, and is not shown as a number. */
  readonly share: number;
}

export interface TripCauses {
  /** The most probable first. */
  readonly causes: readonly TripCause[];
  /** The one look that tells the first from the second; undefined where nothing more is to be seen. */
  readonly look: Inspection | undefined;
}

/**
 * What opened, by what was on, what had just started, and what was seen and heard: each device by how likely the limits
 * before it were exceeded, how fast it opens, what goes dark with it, and its signs (Bayes' rule; the chances of signs are in
 * reference/trip-signs.ts, common practice).
 *
 * @param scene What was on, what had just started included.
 * @param started What was switched on last; undefined where nothing was.
 */
export function tripCauses(
  compiled: CompiledRig,
  scene: CheckScene,
  started: string | undefined,
  observed: TripObservation,
): TripCauses {
  const situation = situationOf(compiled.on(scene.supply), scene);
  const candidates = [
    ...devicesWithLimits(situation, started, ranBefore(compiled, scene, started)),
    ...devicesWithout(compiled, situation, scene, started),
  ];
  const weighed = candidates.map((candidate) => {
    const ways = darkBy(compiled, situation, scene, candidate.device);
    const [likeliest] = [...ways].sort((a, b) => likelihood(b) - likelihood(a));
    return { candidate, dark: likeliest?.dark ?? [], weight: weightOf(candidate, ways, situation, observed) };
    function likelihood(way: GoesDark): number {
      return way.chance * ofDark(way.dark, onIn(situation), observed);
    }
  });
  const sum = weighed.reduce((all, { weight }) => all + weight, 0);
  const causes = weighed
    .map(({ candidate, dark, weight }): TripCause => ({
      device: candidate.device,
      limit: candidate.openings.reduce<Opening | undefined>(
        (most, each) => (most && most.chance >= each.chance ? most : each),
        undefined,
      )?.limit,
      dark,
      share: sum > 0 ? weight / sum : 0,
    }))
    .sort((a, b) => b.share - a.share);
  const looked = new Set(observed.looked.map(({ at }) => at));
  return {
    causes,
    look: inspectionToTellApart(
      causes.map(({ device }) => device),
      looked,
    ),
  };
}

/** A device and what may have made it open. */
interface Candidate {
  readonly device: Device;
  readonly openings: readonly Opening[];
}

/** How likely each limit was exceeded before the last start, by its id: nothing where nothing was started. */
function ranBefore(
  compiled: CompiledRig,
  scene: CheckScene,
  started: string | undefined,
): ReadonlyMap<string, number> {
  if (started === undefined) return new Map();
  const on = scene.on.filter(({ load }) => load !== started);
  const situation = situationOf(compiled.on(scene.supply), { ...scene, on });
  const limits = [
    ...steadyLimitsOf(situation, situation.consumers),
    ...momentsOf(situation, situation.consumers),
  ];
  return new Map(limits.map((limit) => [limit.id, openingOf(limit).chance]));
}

function devicesWithLimits(
  situation: Situation,
  started: string | undefined,
  before: ReadonlyMap<string, number>,
): readonly Candidate[] {
  const { consumers, test } = situation;
  const starting = consumers.find(({ load }) => load.id === started);
  const limits = [
    ...steadyLimitsOf(situation, consumers),
    ...(starting ? test(consumers, starting) : []),
    ...momentsOf(situation, consumers),
  ];
  const byDevice = new Map<string, Candidate>();
  for (const limit of limits) {
    const device = deviceOf(limit);
    if (!device) continue;
    const known = byDevice.get(device.id)?.openings ?? [];
    const opening = openingOf(limit);
    const chance = chanceNow(opening.chance, before.get(limit.id) ?? 0);
    byDevice.set(device.id, { device, openings: [...known, { ...opening, chance }] });
  }
  return [...byDevice.values()];
}

/**
 * How likely a limit is what was exceeded, given that all ran before: the share that the start has added, and a little for
 * what takes its time or comes by itself.
 */
function chanceNow(now: number, before: number): number {
  const added = before < 1 ? Math.max(0, now - before) / (1 - before) : 0;
  return added + STILL_WARMING * before;
}

/** What opens or fails for reasons that no sum of loads knows. */
function devicesWithout(
  { rig }: CompiledRig,
  { consumers, elements }: Situation,
  scene: CheckScene,
  started: string | undefined,
): readonly Candidate[] {
  const { sources, name } = supplyOf(rig, scene.supply);
  const isGenerator = rig.sources.some((each) => sources.includes(each.id) && each.kind === 'generator');
  const plain = (kind: DeviceKind, called: string, elementId = ''): Candidate => ({
    device: { id: kind, kind, elementId, name: called, resetAt: undefined },
    openings: [],
  });
  const hasSource = elements.some(
    (element) =>
      element.kind === 'source-breaker' || (element.kind === 'unknown-rating' && element.of === 'source'),
  );
  const last = consumers.find(({ load }) => load.id === started);
  return [
    ...(sources.length > 0 && !isGenerator ? [plain('source-lost', name)] : []),
    ...(hasSource ? [plain('residual-current', 'Residual-current device')] : []),
    ...(last ? [plain('own-protector', last.load.name, last.load.id)] : []),
  ];
}

/** Devices on the side of the source: behind them an inverter takes over. */
const ON_THE_SOURCE: readonly DeviceKind[] = [
  'inlet-breaker',
  'source-breaker',
  'generator',
  'source-lost',
  'residual-current',
];

/** What goes dark with a device, in one of the ways that it may come. */
interface GoesDark {
  readonly dark: readonly string[];
  readonly chance: number;
}

/** What of a set loses its power when a device opens. */
function darkBy(
  compiled: CompiledRig,
  { consumers, elements }: Situation,
  scene: CheckScene,
  { kind, elementId }: Device,
): readonly GoesDark[] {
  if (kind === 'own-protector') return [{ dark: [elementId], chance: 1 }];
  if (ON_THE_SOURCE.includes(kind)) return darkWithout(compiled, scene);
  const members = elements
    .filter(({ id }) => withoutLeg(id) === elementId)
    .flatMap((element) =>
      element.kind === 'battery'
        ? [
            ...element.inverters.map((inverter) => inverter.members),
            ...(kind === 'inverter-low-volts' ? [] : [element.dcMembers]),
          ]
        : [element.members],
    );
  const isOn = new Set(scene.on.map(({ load }) => load));
  const dark = consumers
    .map(({ load }) => load.id)
    .filter((id) => isOn.has(id) && members.some((each) => each.has(id)));
  return [{ dark, chance: 1 }];
}

/** With the source gone an inverter takes over, if it carries what lands on it. */
function darkWithout(compiled: CompiledRig, scene: CheckScene): readonly GoesDark[] {
  const left = dropOutOf(compiled, scene);
  if (!left) return [];
  const ahead = left.dark.map(({ load }) => load.id);
  const all = [...ahead, ...left.landing.map(({ load }) => load.id)];
  const falls = INVERTER_FALLS[left.verdict];
  return [
    { dark: ahead, chance: 1 - falls },
    { dark: all, chance: falls },
  ];
}

function weightOf(
  { device, openings }: Candidate,
  ways: readonly GoesDark[],
  situation: Situation,
  observed: TripObservation,
): number {
  const signs = TRIP_SIGNS[device.kind];
  const causes: readonly { readonly chance: number; readonly paces: Paces }[] = [
    ...openings.map(({ chance, paces }) => ({ chance: chance * signs.opensFirst, paces })),
    { chance: signs.unprovoked, paces: EVEN },
  ];
  const byPace = Math.max(...causes.map(({ chance, paces }) => chance * ofPace(paces, observed.pace)));
  return (
    byPace *
    ways.reduce((sum, { dark, chance }) => sum + chance * ofDark(dark, onIn(situation), observed), 0) *
    ofSign(signs.beep, observed.noticed.includes('beep')) *
    ofSign(signs.click, observed.noticed.includes('click')) *
    ofSign(signs.dim, observed.noticed.includes('dim')) *
    observed.looked.reduce((all, look) => all * ofLook(device, look), 1)
  );
}

const PACES: readonly Pace[] = ['at-once', 'seconds', 'minutes'];

/** A pace is told right most of the time, else as one of the others. */
function ofPace(paces: Paces, told: Pace | undefined): number {
  if (told === undefined) return 1;
  const others = PACES.filter((pace) => pace !== told).reduce((sum, pace) => sum + paces[pace], 0);
  return PACE_IS_RIGHT * paces[told] + ((1 - PACE_IS_RIGHT) / 2) * others;
}

const onIn = ({ consumers }: Situation): readonly string[] => consumers.map(({ load }) => load.id);

/** Each load that was on is told dark or not, and told right most of the time. */
function ofDark(dark: readonly string[], on: readonly string[], observed: TripObservation): number {
  const isDark = new Set(dark);
  const isSaidDark = (id: string): boolean => observed.went === 'all' || !observed.stillOn.includes(id);
  const wrong = on.filter((id) => isDark.has(id) !== isSaidDark(id)).length;
  const share = on.length === 0 ? 0 : wrong / on.length;
  return share === 0 ? 1 : ((1 - DARK_IS_RIGHT) / DARK_IS_RIGHT) ** (1 + 2 * share);
}

function ofSign(chance: number, isTold: boolean): number {
  const told = chance * SIGN_NOTICED + (1 - chance) * SIGN_IMAGINED;
  return isTold ? told : 1 - told;
}

function ofLook(device: Device, { at, saw }: TripObservation['looked'][number]): number {
  const expected = saysYes(at, device);
  if (expected === undefined) return 1;
  return expected === (saw === 'yes') ? LOOK_IS_RIGHT : 1 - LOOK_IS_RIGHT;
}
