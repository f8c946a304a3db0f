import { MOST_CHARGE_RATE, REFERENCE_VOLTS, USUAL_CHARGE_RATE } from '../reference/batteries.js';
import { BATTERY_CHARGER_EFFICIENCY } from '../reference/conversion-defaults.js';
import { CHARGING_VOLTS, UNCORRECTED_CHARGER_POWER_FACTOR } from '../reference/inverter-losses.js';
import { typical } from './typical-quantity.js';
import type { Battery, Circuit, Converter, Load, Part, Rig, Supply } from '../rig-file/schema.js';

/** Whether what charges is on: where nobody says that it is off it is taken to be. */
export const mayCharge = ({ charging }: Supply): boolean => charging !== 'off';

/** What a charger gives whose amps are not entered, A: stated, and at worst. */
export interface UsualCharge {
  readonly stated: number;
  readonly hi: number;
}

/**
 * Amps that a bank is usually charged with, where those of its charger are not entered.
 *
 * @param busId The DC bus of the bank.
 * @returns Undefined where no battery is on it. Source: common practice, no published source (methods.md, rule 38).
 */
export function usualChargeA(rig: Rig, busId: string): UsualCharge | undefined {
  const bank = rig.batteries.filter(({ bus }) => bus === busId);
  if (bank.length === 0) return undefined;
  const amps = (perAmpHour: (battery: Battery) => number): number =>
    bank.reduce((sum, battery) => sum + battery.ampHours.value * perAmpHour(battery), 0);
  return {
    stated: amps(() => USUAL_CHARGE_RATE),
    hi: amps(({ chemistry = 'lfp' }) => MOST_CHARGE_RATE[chemistry]),
  };
}

/** Long enough for the rule of three hours: a charger charges for hours. */
const CHARGES_FOR_MINUTES = 480;

/** A converter that charges, as a load on its input bus. */
export interface ChargingLoad {
  readonly converter: Converter;
  readonly load: Load;
  /** The wire it hangs on: its breaker is not known, so it is no circuit of the rig. */
  readonly circuit: Circuit;
}

/**
 * Every stand-alone or DC to DC charger as a load of its own: it draws charge amps times the volts of charging, over
 * its efficiency and power factor, for hours. What an inverter/charger charges with is not here: it backs off to its
 * input limit.
 *
 * Source: physics; efficiency, power factor and volts by reference/, common practice.
 */
export function chargingLoads(rig: Rig): readonly ChargingLoad[] {
  return rig.converters
    .filter(({ kind }) => kind === 'charger' || kind === 'dc-dc')
    .map((converter) => {
      const circuit: Circuit = {
        id: `feed of ${converter.id}`,
        name: `the feed of ${converter.name}`,
        bus: converter.from,
        ...(converter.pole && { pole: converter.pole }),
        protection: { amps: 0, curve: 'ul-489' },
      };
      return { converter, circuit, load: loadOfCharger(rig, converter, circuit) };
    });
}

const PREFIX = 'charging by ';

/** Whether a load is what a charger draws; no load of a rig file has such an id. */
export const isCharging = ({ id }: Pick<Load, 'id'>): boolean => id.startsWith(PREFIX);

function loadOfCharger(rig: Rig, converter: Converter, circuit: Circuit): Load {
  return {
    id: `${PREFIX}${converter.id}`,
    name: `Charging by ${converter.name}`,
    circuit: circuit.id,
    usage: 'by-itself',
    runsMinutes: CHARGES_FOR_MINUTES,
    parts: [
      {
        id: 'charger',
        kind: 'supply-without-correction',
        ...drawOf(rig, converter),
        powerFactor: typical(UNCORRECTED_CHARGER_POWER_FACTOR),
      },
    ],
  };
}

/**
 * At best the battery is full; at worst it is at absorption. Without its amps: what is usual for the bank it charges, or
 * what it is rated to give.
 */
function drawOf(rig: Rig, converter: Converter): Pick<Part, 'runningW' | 'runningFrom'> {
  const { to, chargeA, unitsInParallel = 1, continuousW } = converter;
  const usual = chargeA === undefined ? usualChargeA(rig, to) : { stated: chargeA, hi: chargeA };
  if (usual === undefined) {
    const value = (continuousW.value * unitsInParallel) / BATTERY_CHARGER_EFFICIENCY.usual;
    return { runningW: { value, basis: continuousW.basis, minus: value, plus: 0 } };
  }
  const bus = rig.buses.find(({ id }) => id === to);
  const twelves = Math.max(1, Math.round((bus?.volts ?? 0) / REFERENCE_VOLTS));
  const units = chargeA === undefined ? 1 : unitsInParallel;
  const value = usual.stated * units;
  return {
    runningFrom: {
      chargeA: {
        value,
        basis: chargeA === undefined ? 'guess' : 'setting',
        minus: value,
        plus: (usual.hi * units * CHARGING_VOLTS.high) / CHARGING_VOLTS.usual - value,
      },
      volts: CHARGING_VOLTS.usual * twelves,
    },
  };
}
