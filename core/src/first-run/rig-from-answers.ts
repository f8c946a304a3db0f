import type { Quantity } from '../units/quantity.js';
import { fieldAt } from '../rig-file/field-table.js';
import { freeId } from '../rig-file/free-names.js';
import { RIG_FORMAT, RIG_VERSION, type Circuit, type Rig } from '../rig-file/schema.js';
import type { FirstAnswers } from './answers.js';
import { withFirstLoads } from './loads-from-answers.js';
import { MAINS } from './mains.js';

const typical = (value: number): Quantity => ({ value, basis: 'typical' });
const plate = (value: number): Quantity => ({ value, basis: 'nameplate' });
/** The largest rating that a file takes. */
const MOST_VA = fieldAt('converters[].tiers[].limit').range?.most ?? Infinity;
const USUAL = {
  batteryV: 12.8,
  batteryAh: 100,
  inverterVA: 2000,
  surgeShare: 2,
  surgeS: 1,
  reservePercent: 20,
};

/** Amps of a converter or charger whose plate is not read (common practice, no published source). */
const USUAL_CHARGE_A = 45;

/**
 * A rig from the first answers: complete enough for a verdict where each is within what the rig file takes. What was
 * left open is filled with what is usual and marked as typical, so that the doubt of it shows where it decides.
 */
export function rigFromAnswers(answers: FirstAnswers): Rig {
  const hasInverter = answers.fedBy !== 'wall';
  const withoutLoads: Rig = {
    format: RIG_FORMAT,
    version: RIG_VERSION,
    id: freeId(answers.name, []),
    name: answers.name.trim() || 'My rig',
    buses: busesOf(answers, hasInverter),
    sources: sourcesOf(answers, hasInverter),
    converters: hasInverter ? convertersOf(answers) : [],
    batteries: hasInverter ? [batteryOf(answers)] : [],
    ...(hasInverter &&
      answers.solarW !== undefined && {
        solar: [{ id: 'solar', name: 'Solar', bus: 'dc', stcW: plate(answers.solarW) }],
      }),
    circuits: circuitsOf(answers),
    loads: [],
    supplies: suppliesOf(answers, hasInverter),
    scenes: [{ id: 'now', name: 'Now', supply: hasInverter ? 'battery' : 'wall', on: [] }],
  };
  return withFirstLoads(withoutLoads, answers);
}

function busesOf({ mains, batteryV }: FirstAnswers, hasInverter: boolean): Rig['buses'] {
  const { volts, hertz, poles } = MAINS[mains];
  const ac = { kind: 'ac', volts, hertz, poles } as const;
  const panel = { id: 'panel', name: 'Panel', ...ac };
  if (!hasInverter) return [panel];
  return [
    { id: 'dc', name: 'Battery side', kind: 'dc', volts: batteryV ?? USUAL.batteryV },
    { id: 'inlet', name: 'Inlet', ...ac },
    panel,
  ];
}

function batteryOf({ chemistry, batteryAh }: FirstAnswers): Rig['batteries'][number] {
  return {
    id: 'battery',
    name: 'Battery',
    bus: 'dc',
    ...(chemistry && { chemistry }),
    ampHours: batteryAh === undefined ? typical(USUAL.batteryAh) : plate(batteryAh),
    reservePercent: USUAL.reservePercent,
  };
}

function convertersOf(answers: FirstAnswers): Rig['converters'] {
  const inverter = inverterOf(answers);
  return answers.charger === 'separate' ? [inverter, chargerOf(answers)] : [inverter];
}

function inverterOf(answers: FirstAnswers): Rig['converters'][number] {
  const { inverterVA, inverterW, assists, mains } = answers;
  const va = inverterVA ?? inverterW ?? USUAL.inverterVA;
  const isKnown = inverterVA !== undefined || inverterW !== undefined;
  const state = isKnown ? plate : typical;
  return {
    id: 'inverter',
    name: 'Inverter',
    ...kindOfInverter(answers),
    from: 'dc',
    to: 'panel',
    passThroughFrom: 'inlet',
    ...(MAINS[mains].poles === 'split-180' && { pole: 'both' as const }),
    continuousW: state(inverterW ?? va),
    continuousVA: state(va),
    tiers: tiersOf(answers, va),
    ...(assists !== undefined && { canAssist: assists ? ('yes' as const) : ('no' as const) }),
  };
}

function kindOfInverter({
  charger = 'in-inverter',
  chargeA,
}: FirstAnswers): Pick<Rig['converters'][number], 'kind' | 'chargeA'> {
  if (charger !== 'in-inverter') return { kind: 'inverter' };
  return { kind: 'inverter-charger', ...(chargeA !== undefined && { chargeA }) };
}

/** As stated, else twice the running VA for a second, as is usual. */
function tiersOf({ tiers = [] }: FirstAnswers, va: number): Rig['converters'][number]['tiers'] {
  const usual = {
    limit: typical(Math.min(MOST_VA, va * USUAL.surgeShare)),
    unit: 'VA' as const,
    seconds: USUAL.surgeS,
  };
  const stated = tiers.map((tier) => ({ limit: plate(tier.va), unit: 'VA' as const, seconds: tier.seconds }));
  return stated.length > 0 ? stated : [usual];
}

/** A converter or charger of its own hangs on the inlet: fed by the battery it would charge itself from itself. */
function chargerOf({
  batteryV = USUAL.batteryV,
  chargeA = USUAL_CHARGE_A,
}: FirstAnswers): Rig['converters'][number] {
  const va = typical(Math.min(MOST_VA, Math.round(batteryV * chargeA)));
  return {
    id: 'charger',
    name: 'Converter/charger',
    kind: 'charger',
    from: 'inlet',
    to: 'dc',
    continuousW: va,
    continuousVA: va,
    tiers: [],
    chargeA,
  };
}

function sourcesOf({ hookups, generatorW }: FirstAnswers, hasInverter: boolean): Rig['sources'] {
  const bus = hasInverter ? 'inlet' : 'panel';
  const inlet = hasInverter
    ? { id: 'shore', name: 'Shore inlet', kind: 'inlet' as const, bus }
    : { id: 'wall', name: 'Wall', kind: 'inlet' as const, bus };
  const generator = generatorW !== undefined && {
    id: 'generator',
    name: 'Generator',
    kind: 'generator' as const,
    bus,
    continuousVA: plate(generatorW),
    continuousW: plate(generatorW),
  };
  return [...(hookups.length > 0 || !hasInverter ? [inlet] : []), ...(generator ? [generator] : [])];
}

function suppliesOf(answers: FirstAnswers, hasInverter: boolean): Rig['supplies'] {
  const { mains, generatorW, assists, charger } = answers;
  const assist = assists === true ? ('on' as const) : ('off' as const);
  const besides = hasInverter && { assist, ...(charger !== 'none' && { charging: 'on' as const }) };
  const hookups = hasInverter || answers.hookups.length > 0 ? answers.hookups : [{ amps: undefined }];
  const posts = hookups.map(({ amps, ...hookup }, index) => ({
    id: (hasInverter ? 'shore' : 'wall') + (index === 0 ? '' : `-${index + 1}`),
    name: amps === undefined ? 'On the wall' : `${hasInverter ? 'Shore' : 'Wall'} ${amps} A`,
    sources: [hasInverter ? 'shore' : 'wall'],
    ...(amps !== undefined && { breaker: { amps, curve: MAINS[mains].breaker } }),
    ...('plugA' in hookup &&
      hookup.plugA !== undefined && { cords: [{ name: `${hookup.plugA} A adapter`, plugA: hookup.plugA }] }),
    ...besides,
  }));
  return [
    ...(hasInverter ? [{ id: 'battery', name: 'On battery', sources: [] }] : []),
    ...posts,
    ...(generatorW === undefined
      ? []
      : [{ id: 'generator', name: 'Generator', sources: ['generator'], ...besides }]),
  ];
}

function circuitsOf({ mains, circuits }: FirstAnswers): Rig['circuits'] {
  const { breaker, amps, poles } = MAINS[mains];
  const wanted = circuits.length > 0 ? circuits : [{ name: 'Outlets', amps }];
  const leg = (index: number): Circuit['pole'] => (index % 2 === 0 ? 'l1' : 'l2');
  return wanted.reduce<readonly Circuit[]>(
    (before, { name, amps: size, isPair }, index) => [
      ...before,
      {
        id: freeId(
          name,
          before.map(({ id }) => id),
        ),
        name,
        bus: 'panel',
        ...(poles === 'split-180' && { pole: isPair ? ('both' as const) : leg(index) }),
        protection: { amps: size, curve: breaker },
      },
    ],
    [],
  ) as Circuit[];
}
