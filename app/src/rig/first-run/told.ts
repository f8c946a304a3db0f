import { check, compile, type Verdict } from '@heliarch/core/check';
import { dcWatts, lossCurveOf, type Rig, type Supply, theLoad } from '@heliarch/core/rig';
import { formatAmount, formatNumber, type NumberStyle, PERCENT } from '@heliarch/core/units';

/** Enough for a first impression, few enough to be worked out at every key. */
const MOST_TRIED = 12;

/** What a rig that is still being described already tells. */
export function told(style: NumberStyle, rig: Rig): readonly string[] {
  return [...ofTheBattery(style, rig), ...rig.supplies.flatMap((supply) => ofStarts(rig, supply))];
}

function ofTheBattery(style: NumberStyle, rig: Rig): readonly string[] {
  const [converter] = rig.converters;
  const [battery] = rig.batteries;
  const volts = rig.buses.find(({ id }) => id === battery?.bus)?.volts;
  if (!converter || !battery || volts === undefined) return [];
  const { continuousW, continuousVA } = converter;
  const watts = dcWatts(lossCurveOf(converter), continuousW.value, continuousVA.value);
  const share = 1 - (battery.reservePercent ?? 0) / PERCENT;
  const hours = (battery.ampHours.value * volts * share) / watts;
  return [
    `${formatAmount(style, continuousW.value, 'W')} running takes ${formatAmount(style, watts / volts, 'A')} out of the battery and empties it to its reserve in ${formatNumber(style, hours, 1)} h.`,
  ];
}

/** Which loads can start alone on a supply. */
function ofStarts(rig: Rig, supply: Supply): readonly string[] {
  const tried = rig.loads.slice(0, MOST_TRIED);
  if (tried.length === 0) return [];
  const compiled = compile(rig);
  const answers = tried.map(({ id, name }) => ({
    name: theLoad(name),
    verdict: check(compiled, { supply: supply.id, on: [{ load: id }] }).verdict,
  }));
  const named = (wanted: Verdict): string =>
    answers
      .filter(({ verdict }) => verdict === wanted)
      .map(({ name }) => name)
      .join(', ');
  const [tight, likely, trips] = [named('tight'), named('likely-trips'), named('trips')];
  if (tight + likely + trips === '') return [`${supply.name}: each of them can start alone.`];
  const words = [
    trips && `trips on its own: ${trips}`,
    likely && `likely trips on its own: ${likely}`,
    tight && `tight on its own: ${tight}`,
  ];
  return [`${supply.name}: ${words.filter(Boolean).join('; ')}.`];
}
