import { BTU_PER_HOUR_PER_WATT } from '../units/conversion-factors.js';
import type { Provenance } from './provenance.js';

/**
 * What stands on nameplates, and what it means: units, abbreviations and the words beside them in several languages.
 * docs/plate.md explains each; the wording of a plate is free, so the lists are common practice where no standard rules it.
 */
export const PLATE_TERMS: readonly Provenance[] = [
  { source: 'IEC 60034-8 and IEC 60034-1, clause 10 (rating plates of motors)', confidence: 'medium' },
  { source: 'NEC 440.4 and UL 484, UL 60335-2-40 (plates of air conditioners)', confidence: 'medium' },
  { source: 'NEC 430.7 and NEMA MG 1 (plates of motors)', confidence: 'high' },
  { source: 'IEC 60335-1, clause 7 (plates of household appliances)', confidence: 'medium' },
];

/** What a number on a plate is of. */
export type PlateQuantity =
  | 'volts'
  | 'hertz'
  | 'phases'
  | 'amps'
  | 'ratedLoadAmps'
  | 'lockedRotorAmps'
  | 'circuitAmps'
  | 'fuseAmps'
  | 'watts'
  | 'voltAmps'
  | 'horsepower'
  | 'powerFactor'
  | 'codeLetter'
  | 'cooling'
  | 'coolingRatio'
  | 'efficiency'
  | 'rpm'
  | 'ampHours'
  | 'wattHours'
  | 'ratedHours'
  | 'seconds';

/** A unit after a number: what it is of, and how many of ours one of it is. */
export interface PlateUnit {
  readonly unit: RegExp;
  readonly quantity: PlateQuantity;
  readonly factor: number;
}

const METRIC_HORSEPOWER = 0.98632;

/** Quantities that add up where a plate has several of one kind: `2 x 1000 W`. */
export const PLATE_SUMS: readonly PlateQuantity[] = [
  'watts',
  'voltAmps',
  'amps',
  'horsepower',
  'cooling',
  'ampHours',
  'wattHours',
];

/** A number outside of these is misread, or of something else; in our units. */
export const PLAUSIBLE: Readonly<Record<PlateQuantity, { readonly least: number; readonly most: number }>> = {
  volts: { least: 5, most: 1000 },
  hertz: { least: 16, most: 400 },
  phases: { least: 1, most: 3 },
  amps: { least: 0.02, most: 600 },
  ratedLoadAmps: { least: 0.3, most: 150 },
  lockedRotorAmps: { least: 2, most: 600 },
  circuitAmps: { least: 1, most: 200 },
  fuseAmps: { least: 1, most: 400 },
  watts: { least: 2, most: 50_000 },
  voltAmps: { least: 5, most: 50_000 },
  horsepower: { least: 0.01, most: 20 },
  powerFactor: { least: 0.3, most: 1 },
  codeLetter: { least: 0, most: 0 },
  cooling: { least: 250, most: 30_000 },
  coolingRatio: { least: 1.5, most: 30 },
  efficiency: { least: 0.3, most: 1 },
  rpm: { least: 50, most: 45_000 },
  ampHours: { least: 0.5, most: 5000 },
  wattHours: { least: 5, most: 100_000 },
  ratedHours: { least: 1, most: 100 },
  seconds: { least: 0.005, most: 3600 },
};

/** Longer units before shorter ones that they begin with. */
export const PLATE_UNITS: readonly PlateUnit[] = [
  {
    unit: /b\.?t\.?u\.?'?s?(?: ?(?:\/|per) ?h(?:ou)?r?\.?|h)?/,
    quantity: 'cooling',
    factor: 1 / BTU_PER_HOUR_PER_WATT,
  },
  { unit: /k ?w ?h/, quantity: 'wattHours', factor: 1000 },
  { unit: /w ?h|watt-? ?hours?/, quantity: 'wattHours', factor: 1 },
  { unit: /m ?a ?h/, quantity: 'ampHours', factor: 0.001 },
  { unit: /a\.? ?h\.?|amp(?:ere)?-? ?hours?/, quantity: 'ampHours', factor: 1 },
  { unit: /k\.? ?v\.? ?a\.?/, quantity: 'voltAmps', factor: 1000 },
  { unit: /v\.? ?a\.?|volt-? ?amp(?:ere)?s?/, quantity: 'voltAmps', factor: 1 },
  { unit: /v\.?a\.?c\.?|v\.?d\.?c\.?|volts?|v\.?/, quantity: 'volts', factor: 1 },
  { unit: /m ?a/, quantity: 'amps', factor: 0.001 },
  { unit: /amp(?:ere)?s?\.?|a\.?/, quantity: 'amps', factor: 1 },
  { unit: /kilowatts?|kw/, quantity: 'watts', factor: 1000 },
  { unit: /watts?\.?|w\.?/, quantity: 'watts', factor: 1 },
  { unit: /h\.? ?p\.?|horse ?power/, quantity: 'horsepower', factor: 1 },
  { unit: /p\.?s\.?|cv|ch/, quantity: 'horsepower', factor: METRIC_HORSEPOWER },
  { unit: /hertz|hz|c\.?p\.?s\.?|cycles?/, quantity: 'hertz', factor: 1 },
  { unit: /phases?|ph\.?|ø|φ|~/, quantity: 'phases', factor: 1 },
  {
    unit: /r\.? ?p\.? ?m\.?|min ?-1|min⁻¹|(?:1|r|u|tr|t|giri|omw\.?)? ?\/ ?min/,
    quantity: 'rpm',
    factor: 1,
  },
  { unit: /milliseconds?|ms/, quantity: 'seconds', factor: 0.001 },
  { unit: /sec(?:onds?)?\.?|s/, quantity: 'seconds', factor: 1 },
  { unit: /min(?:utes?)?\.?/, quantity: 'seconds', factor: 60 },
];

/** Words before or after a number that say what it is of. */
export interface PlateLabel {
  readonly words: RegExp;
  readonly quantity: PlateQuantity;
}

export const PLATE_LABELS: readonly PlateLabel[] = [
  { words: /r\.? ?l\.? ?[ac]\.?|rated[- ]load (?:amp(?:ere)?s?|current)/, quantity: 'ratedLoadAmps' },
  { words: /l\.? ?r\.? ?[ac]\.?|locked[- ]rotor (?:amp(?:ere)?s?|current)/, quantity: 'lockedRotorAmps' },
  { words: /m\.? ?c\.? ?a\.?|min(?:imum|\.)? (?:circuit|ckt\.?) amp(?:acity|s)\.?/, quantity: 'circuitAmps' },
  {
    words:
      /m\.?o\.?c?\.?p\.?|max(?:imum|\.)? (?:fuse|breaker|overcurrent|over current)(?: protection| prot\.?)?(?: (?:size|or hacr (?:ckt\.? bkr|breaker))\.?)?|(?:fuse|sicherung|fusible|absicherung)/,
    quantity: 'fuseAmps',
  },
  { words: /f\.? ?l\.? ?[ac]\.?|full[- ]load (?:amp(?:ere)?s?|current)/, quantity: 'amps' },
  {
    words:
      /(?:rated |nominal |operating |total )?(?:amp(?:ere)?s?|current)|nennstrom|stromaufnahme|strom|courant|intensité|corriente|intensidad|corrente|stroom/,
    quantity: 'amps',
  },
  {
    words:
      /(?:rated |nominal |operating )?(?:volt(?:age|s)?)|nennspannung|spannung|tension|tensión|tensione|voltaje|spanning/,
    quantity: 'volts',
  },
  { words: /freq(?:uency|\.)?|hz|frequenz|fréquence|frecuencia|frequenza|frequentie/, quantity: 'hertz' },
  { words: /phases?|ph\.?|phasen|fases/, quantity: 'phases' },
  { words: /h\.?p\.?|horse ?power/, quantity: 'horsepower' },
  {
    words:
      /p\.?f\.?|power factor|cos\.? ?(?:φ|ϕ|phi|ø|o|fi|\(?phi\)?)?|leistungsfaktor|facteur de puissance|factor de potencia|λ/,
    quantity: 'powerFactor',
  },
  { words: /eff(?:iciency|\.)?|nema nom\.? eff\.?|wirkungsgrad|rendement/, quantity: 'efficiency' },
  { words: /e\.?e\.?r\.?|c\.?o\.?p\.?/, quantity: 'coolingRatio' },
  {
    words:
      /(?:rated |nominal |total )?cooling(?: capacity)?|kühlleistung|kälteleistung|puissance frigorifique|potencia frigorífica/,
    quantity: 'cooling',
  },
  {
    words:
      /(?:rated |nominal |total |max(?:imum|\.)? )?power(?: consumption| rating)?|wattage|watts?|nennleistung|nennaufnahme|leistungsaufnahme|leistung|puissance(?: absorbée)?|potencia|potenza|vermogen/,
    quantity: 'watts',
  },
  { words: /r\.?p\.?m\.?|speed|drehzahl|vitesse|velocidad|giri/, quantity: 'rpm' },
  { words: /(?:rated |nominal )?capacity|kapazität|capacité|capacidad/, quantity: 'ampHours' },
];

/** Words that say on which side of a device, or of which part of it, a number is. */
export const PLATE_PLACES = [
  {
    words:
      /(?:ac |dc )?(?:power )?(?:input|in(?= ?:))|primary|pri|eingang|entrée|entrada|ingresso|aufnahme|p1/,
    place: 'input',
  },
  {
    words:
      /(?:ac |dc |microwave |mw |rated )?(?:power )?(?:output|out(?= ?:))(?: power)?|secondary|sec|ausgang|abgabe|sortie|salida|uscita|shaft|p2/,
    place: 'output',
  },
  { words: /compressors?|comp(?:r)?\.?|verdichter|compresseur|compresor/, place: 'compressor' },
  {
    words:
      /(?:outdoor |indoor |evap(?:orator)?\.? |cond(?:enser)?\.? )?fan(?: ?motor)?s?|fan mtr|blower(?: motor)?|ventilator|lüfter/,
    place: 'fan',
  },
  {
    words:
      /(?:electric |strip |aux(?:iliary)?\.? )?heat(?:er|ing)?(?: element| strip)?|heizung|heizleistung|chauffage|defrost(?: heater)?/,
    place: 'heater',
  },
] as const;
export type PlatePlace = (typeof PLATE_PLACES)[number]['place'];

/** Words that say in what manner a number holds: for long, for moments, at most. */
export const PLATE_MANNERS = [
  {
    words:
      /surge|peak|start(?:ing)?|max(?:imum|\.)?(?: power| output)?|spitze|spitzenleistung|anlauf|crête|pico/,
    manner: 'most',
  },
  { words: /rated|running|run|continuous|cont\.?|nominal|nom\.?|nenn|dauer|prime/, manner: 'rated' },
  { words: /(?:max(?:imum|\.)? )?(?:charge|charging)(?: current)?|ladestrom|charger/, manner: 'charge' },
  { words: /(?:max(?:imum|\.)? )?(?:continuous )?discharge(?: current)?|entladestrom/, manner: 'discharge' },
  { words: /no[- ]load(?: current| draw)?|stand-?by|idle(?: draw)?|leerlauf/, manner: 'idle' },
] as const;
export type PlateManner = (typeof PLATE_MANNERS)[number]['manner'];

/** What stands on plates and is no number of ours: passed over with what belongs to it. */
export const PLATE_PASSED_OVER: readonly RegExp[] = [
  /(?:model|mod|type|typ|serial|ser|s\/n|art|part|p\/n|item|lot|frame|fr|date|year|ref)\.?(?: ?(?:no|nr|number|code))?\.?[ :#]+[\w./-]+/,
  /r-?(?:1234yf|134a|404a|407c|410a|32|290|600a|22)\b(?:[ :]+[\d.,]+ ?(?:kg|g|oz|lbs?))?/,
  /ip ?[0-9x]{2}[a-d]?|ik ?\d\d/,
  /(?:ins(?:ul(?:ation)?)?\.?|iso(?:l)?\.?|th\.?)? ?(?:class|cl|kl|klasse|classe)\.?[ :]*(?:i{1,3}|[abefhn])\b/,
  /s(?:er(?:v(?:ice)?)?)?\.? ?f(?:actor|\.)?[ :]*1[.,]\d+/,
  /(?:duty|betrieb)[ :]*(?:cont(?:inuous|\.)?|s ?[1-9])|\bs[1-9](?: ?\d+ ?%)?|k\.?b\.? ?\d+ ?min/,
  /(?:max(?:imum|\.)? )?(?:amb(?:ient|\.)?|temp(?:erature|\.)?(?: rise)?|rise|tmax|t)[ :]*\d+ ?°? ?[cf]\b|\d+ ?° ?[cf]\b(?: ?(?:amb(?:ient)?|rise))?/,
  /\d[\d.,]* ?(?:µf|uf|mfd|mf|kg|g|oz|lbs?|psi[ga]?|k?pa|mpa|bar|mm2?|cm|cfm|gpm|l\/min|m³\/h|m3\/h|db(?:\(a\))?|mhz|ghz|lm|l|litres?|ltr|liter|rh)\b/,
  /(?:design|high|low|max(?:imum|\.)?|allowable|operating)[- ](?:side )?(?:press(?:ure|\.)?|side)[ :]*(?:high|low|side)*[ :]*[\d.,]*/,
  /\d[\d.,]* ?k ?w ?h ?\/ ?(?:24 ?h|a(?:nnum|nno)?|yr|year|jahr|an)\b/,
  /(?:made|assembled) in [a-z]+|tested to [\w. -]+|(?:en|iec|ul|nec|csa|vde|ce|din)[ -]\d[\d.:-]*/,
];

/** Words that say that a current or a voltage is alternating or direct. */
export const PLATE_CURRENTS = [
  { words: /~|∼|a\.?c\.?/, current: 'ac' },
  { words: /⎓|⎓|=+|-{2,}|d\.?c\.?/, current: 'dc' },
] as const;
