import type { NumberStyle } from '../../units/number-style.js';
import { ampacity } from '../../protection/cable.js';
import { fuseBand } from '../../protection/fuse.js';
import { dcWatts, lossCurveOf } from '../../supply/efficiency-curve.js';
import { wattsPerVA } from '../../supply/surge-tiers.js';
import { formatAmount, formatSeconds } from '../../units/format.js';
import { ABYC_FUSE_OVER_AMPACITY, USUAL_CUT_OFF_SHARE } from '../../reference/dc-practice.js';
import { FUSE_CURVES } from '../../reference/fuse-curves.js';
import { COMMON_PRACTICE, sourceWords } from '../../reference/provenance.js';
import type { Battery, Bus, Converter, Rig } from '../../rig-file/schema.js';
import { theElement } from '../../rig/names-in-sentences.js';
import { judged, type RigCheck } from './rig-check.js';

/** A demand on the battery side at the lowest volts, where the amps are highest. */
interface DcDemand {
  readonly amps: number;
  /** Infinity for hours. */
  readonly seconds: number;
  readonly va: number;
}

/**
 * Whether battery, fuse and cable carry what the inverter can draw: its rating for hours and its highest
 * surge, both at the volts where it shuts down.
 */
export function dcChecks(style: NumberStyle, rig: Rig): readonly RigCheck[] {
  const perBank = rig.buses.flatMap((bus) => {
    const bank = rig.batteries.filter((battery) => battery.bus === bus.id);
    const inverters = rig.converters.filter(
      ({ from, kind }) => from === bus.id && kind.startsWith('inverter'),
    );
    const demands = inverters.length === 0 ? [] : demandsOf(bus, bank, inverters);
    return bank.flatMap((battery) => [
      ...fuseChecks(style, battery, bank.length, demands),
      ...protectionChecks(style, battery, bank.length, demands),
    ]);
  });
  return [
    ...perBank,
    ...rig.batteries.flatMap((battery) => cableChecks(style, rig, battery)),
    ...matching(rig),
  ];
}

/** All inverters for hours; and the highest surge of one of them while the others run at their rating. */
function demandsOf(bus: Bus, bank: readonly Battery[], inverters: readonly Converter[]): readonly DcDemand[] {
  const known = [...inverters, ...bank].flatMap(({ cutOffV }) => cutOffV ?? []);
  const lowestV = known.length > 0 ? Math.max(...known) : USUAL_CUT_OFF_SHARE * bus.volts;
  const running = inverters.map((each) => drawn(each, each.continuousVA.value));
  const all = running.reduce((sum, each) => sum + each.watts, 0);
  const surges = inverters.flatMap((each, index) => {
    const highest = [...each.tiers].sort((a, b) => b.limit.value - a.limit.value)[0];
    if (!highest) return [];
    const { watts, va } = drawn(each, highest.limit.value);
    return [{ amps: (all - (running[index]?.watts ?? 0) + watts) / lowestV, seconds: highest.seconds, va }];
  });
  const [largest] = surges.sort((a, b) => b.amps - a.amps);
  const va = running.reduce((sum, each) => sum + each.va, 0);
  return [{ amps: all / lowestV, seconds: Infinity, va }, ...(largest ? [largest] : [])];
}

/** DC watts of all units of a converter at so many VA of one of them. */
function drawn(converter: Converter, va: number): { readonly watts: number; readonly va: number } {
  const units = converter.unitsInParallel ?? 1;
  return { watts: dcWatts(lossCurveOf(converter), va * wattsPerVA(converter), va) * units, va: va * units };
}

const forHow = (style: NumberStyle, seconds: number): string =>
  Number.isFinite(seconds) ? formatSeconds(style, seconds) : 'hours';

function fuseChecks(
  style: NumberStyle,
  battery: Battery,
  strings: number,
  demands: readonly DcDemand[],
): readonly RigCheck[] {
  const about = { list: 'batteries', entryId: battery.id } as const;
  const { fuse } = battery;
  if (!fuse)
    return [
      {
        ...about,
        id: `${battery.id}:fuse`,
        verdict: 'unknown',
        title: `Fuse of ${theElement(battery.name)}`,
        sentence: 'No fuse is entered, so it is not known whether it bears a start.',
        source: COMMON_PRACTICE,
        fix: 'Read its amps and its kind off the fuse itself.',
      },
    ];
  return demands.map((demand): RigCheck => {
    const band = fuseBand(fuse, demand.seconds);
    const amps = demand.amps / strings;
    const verdict = judged(amps, band.pessimistic * fuse.amps, band.optimistic * fuse.amps);
    return {
      ...about,
      id: `${battery.id}:fuse:${demand.seconds}`,
      verdict,
      title: `Fuse of ${theElement(battery.name)}`,
      sentence: `${formatAmount(style, demand.va, 'VA')} for ${forHow(style, demand.seconds)} is ${formatAmount(style, amps, 'A')} at cut-off; a ${fuse.amps} A fuse bears ${formatAmount(style, band.pessimistic * fuse.amps, 'A', 'at-least')} for that long.`,
      source: sourceWords(FUSE_CURVES[fuse.kind].provenance),
      ...(verdict !== 'holds' && { fix: 'Keep below it, or a larger fuse on a cable that carries it.' }),
    };
  });
}

function protectionChecks(
  style: NumberStyle,
  battery: Battery,
  strings: number,
  demands: readonly DcDemand[],
): readonly RigCheck[] {
  const { dischargeA, tiers = [] } = battery;
  if (dischargeA === undefined) return [];
  return demands.map((demand): RigCheck => {
    const lasting = tiers.filter(({ seconds }) => seconds >= demand.seconds).map(({ amps }) => amps);
    const carries = Math.max(dischargeA, ...lasting);
    const amps = demand.amps / strings;
    const verdict = judged(amps, carries);
    return {
      id: `${battery.id}:protection:${demand.seconds}`,
      list: 'batteries',
      entryId: battery.id,
      verdict,
      title: `Protection of ${theElement(battery.name)}`,
      sentence: `${formatAmount(style, demand.va, 'VA')} for ${forHow(style, demand.seconds)} is ${formatAmount(style, amps, 'A')} at cut-off; it gives ${formatAmount(style, carries, 'A')} for that long.`,
      source: 'its data sheet, as entered; physics',
      ...(verdict !== 'holds' && {
        fix: 'It decides before the inverter does; another battery beside it helps.',
      }),
    };
  });
}

function cableChecks(style: NumberStyle, rig: Rig, battery: Battery): readonly RigCheck[] {
  const { cable, fuse } = battery;
  if (!cable || !fuse || (cable.awg === undefined && cable.mm2 === undefined)) return [];
  const school = cable.awg === undefined ? 'iec' : rig.practice?.ampacity === 'abyc' ? 'abyc' : 'nec';
  const carries = ampacity(cable, school);
  if (carries === undefined) return [];
  const verdict = judged(fuse.amps, carries, carries * ABYC_FUSE_OVER_AMPACITY);
  return [
    {
      id: `${battery.id}:cable`,
      list: 'batteries',
      entryId: battery.id,
      verdict,
      title: `Cable of ${theElement(battery.name)}`,
      sentence: `It carries ${formatAmount(style, carries, 'A')} for hours; its fuse is ${fuse.amps} A.`,
      source: `${AMPACITY_TABLES[school]}; a fuse of up to 150 % of it by ABYC E-11; from memory`,
      ...(verdict !== 'holds' && {
        fix:
          verdict === 'tight'
            ? 'Some practice takes up to 150 %; a thicker cable or a smaller fuse settles it.'
            : 'The cable overheats before this fuse opens: a thicker cable or a smaller fuse.',
      }),
    },
  ];
}

const AMPACITY_TABLES = {
  nec: 'NEC 310.16, 75 °C',
  abyc: 'ABYC E-11, 105 °C',
  iec: 'IEC 60364-5-52, method C',
} as const;

/** Batteries side by side on one bus. */
function matching(rig: Rig): readonly RigCheck[] {
  return rig.buses.flatMap((bus) => {
    const bank = rig.batteries.filter((battery) => battery.bus === bus.id);
    const [first] = bank;
    if (!first || bank.length < 2) return [];
    const differ = bank.some(
      (battery) => battery.chemistry !== first.chemistry || battery.ampHours.value !== first.ampHours.value,
    );
    return [
      {
        id: `${bus.id}:matching`,
        list: 'batteries',
        entryId: first.id,
        verdict: differ ? 'tight' : 'holds',
        title: 'Batteries side by side',
        sentence: differ
          ? `${bank.map(({ name }) => name).join(' and ')} differ in kind or amp-hours, so one gives more than its share.`
          : `${bank.map(({ name }) => name).join(' and ')} are alike. Bring them to the same volts before they are joined.`,
        source: COMMON_PRACTICE,
        ...(differ && { fix: 'Put a clamp around each; use only what the weaker one bears.' }),
      } satisfies RigCheck,
    ];
  });
}
