import type { NumberStyle } from '../../units/number-style.js';
import { ampacity } from '../../protection/cable.js';
import { fuseBand } from '../../protection/fuse.js';
import { dcWatts, lossCurveOf } from '../../supply/efficiency-curve.js';
import { wattsPerVA } from '../../supply/surge-tiers.js';
import { ABYC_FUSE_OVER_AMPACITY, USUAL_CUT_OFF_SHARE } from '../../reference/dc-practice.js';
import type { Battery, Bus, Converter, Rig } from '../../rig-file/schema.js';
import { batteriesSideBySide, cableOf, fuseOf, noFuse, protectionOf } from './dc-check-words.js';
import { inWords, judged, type RigCheck } from './rig-check.js';

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

function fuseChecks(
  style: NumberStyle,
  battery: Battery,
  strings: number,
  demands: readonly DcDemand[],
): readonly RigCheck[] {
  const about = { list: 'batteries', entryId: battery.id } as const;
  const { fuse } = battery;
  if (!fuse)
    return [inWords({ ...about, id: `${battery.id}:fuse`, verdict: 'unknown' }, noFuse(battery.name))];
  return demands.map((demand): RigCheck => {
    const band = fuseBand(fuse, demand.seconds);
    const amps = demand.amps / strings;
    const verdict = judged(amps, band.pessimistic * fuse.amps, band.optimistic * fuse.amps);
    return inWords(
      { ...about, id: `${battery.id}:fuse:${demand.seconds}`, verdict },
      fuseOf(style, battery.name, fuse, { ...demand, amps }, band.pessimistic * fuse.amps),
    );
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
    return inWords(
      {
        id: `${battery.id}:protection:${demand.seconds}`,
        list: 'batteries',
        entryId: battery.id,
        verdict,
      },
      protectionOf(style, battery.name, { ...demand, amps }, carries),
    );
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
    inWords(
      { id: `${battery.id}:cable`, list: 'batteries', entryId: battery.id, verdict },
      cableOf(style, battery.name, carries, fuse.amps, school, verdict === 'tight'),
    ),
  ];
}

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
      inWords(
        {
          id: `${bus.id}:matching`,
          list: 'batteries',
          entryId: first.id,
          verdict: differ ? 'tight' : 'holds',
        },
        batteriesSideBySide(
          bank.map(({ name }) => name),
          differ,
        ),
      ),
    ];
  });
}
