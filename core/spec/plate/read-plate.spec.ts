import fc from 'fast-check';
import { keyOfFact } from '../../src/plate/read/plate-fact.js';
import { compareReadings } from '../../src/plate/read/compare-readings.js';
import { readPlateNumber } from '../../src/plate/read/plate-number.js';
import { sayPlate, type PlateFor } from '../../src/plate/say-plate.js';

const NORTH_AMERICA: PlateFor = { volts: 120, hertz: 60, answers: {}, confirmed: 'all' };
const EUROPE: PlateFor = { ...NORTH_AMERICA, volts: 230, hertz: 50 };

/** What a plate says, by slot and quantity. */
function saidBy(text: string, at: PlateFor = NORTH_AMERICA): Readonly<Record<string, number | string>> {
  const { facts } = sayPlate(text, at);
  return Object.fromEntries(
    facts.map((fact) => [keyOfFact(fact), fact.letter ?? Number(fact.value.toPrecision(5))]),
  );
}
const askedOf = (text: string, at = NORTH_AMERICA) => sayPlate(text, at).open.map(({ kind }) => kind);

/** Invented plates, each written as its standard or its trade writes them (docs/plate.md). */
const PLATES: readonly (readonly [
  text: string,
  at: PlateFor,
  says: Readonly<Record<string, number | string>>,
])[] = [
  [
    '120V~ 60Hz 1PH 12.5A RLA 11.2 LRA 58 13500 BTU/H CODE K',
    NORTH_AMERICA,
    {
      'main-volts': 120,
      'main-hertz': 60,
      'main-phases': 1,
      'main-amps': 12.5,
      'compressor-ratedLoadAmps': 11.2,
      'compressor-lockedRotorAmps': 58,
      'main-cooling': 3956.5,
      'main-codeLetter': 'K',
    },
  ],
  // Names in one row and numbers in the next, and a part that has a line of its own (NEC 440.4).
  [
    'COMPRESSOR\nVOLTS  PH  HZ  RLA  LRA\n115   1   60   11.2   58\nFAN MOTOR 2.1 FLA\nMIN CIRCUIT AMPACITY 16.1 MAX FUSE 20A',
    NORTH_AMERICA,
    {
      'main-volts': 115,
      'main-phases': 1,
      'main-hertz': 60,
      'compressor-ratedLoadAmps': 11.2,
      'compressor-lockedRotorAmps': 58,
      'fan-amps': 2.1,
      'main-circuitAmps': 16.1,
      'main-fuseAmps': 20,
    },
  ],
  // Read at the volts of the circuit.
  [
    'TABLE SAW 1 1/2 HP 115/230V 15/7.5A 3450 RPM S.F. 1.15 INS CL B CODE K',
    { ...NORTH_AMERICA, volts: 240 },
    { 'main-horsepower': 1.5, 'main-volts': 230, 'main-amps': 7.5, 'main-rpm': 3450, 'main-codeLetter': 'K' },
  ],
  // Decimal commas, power factor, speed as IEC 60034-8 writes them.
  [
    'Mot. 1~  230 V  50 Hz\n1,1 kW  7,2 A  cos φ 0,92\n2850 min-1  IP 54  Th.Cl. F  S1',
    EUROPE,
    {
      'main-phases': 1,
      'main-volts': 230,
      'main-hertz': 50,
      'main-watts': 1100,
      'main-amps': 7.2,
      'main-powerFactor': 0.92,
      'main-rpm': 2850,
    },
  ],
  // IEC 60335-1, clause 7: a range of volts and of watts.
  [
    'WASSERKOCHER TYP 4711 220-240V~ 50/60Hz 1850-2200W',
    EUROPE,
    { 'main-volts': 230, 'main-hertz': 50, 'main-watts': 2025 },
  ],
  [
    'MICROWAVE OVEN\nRATED POWER INPUT: 1450 W 12.5A\nMICROWAVE OUTPUT 1000 W 2450 MHz\n120V60Hz',
    NORTH_AMERICA,
    { 'input-watts': 1450, 'input-amps': 12.5, 'output-watts': 1000, 'main-volts': 120, 'main-hertz': 60 },
  ],
  [
    'INPUT: 100-240V~ 50/60Hz 1.5A\nOUTPUT: 19V⎓3.42A',
    NORTH_AMERICA,
    { 'input-volts': 170, 'input-hertz': 50, 'input-amps': 1.5, 'output-volts': 19, 'output-amps': 3.42 },
  ],
  // What is no number of ours is passed over: model, refrigerant, pressures, weight, class, temperatures.
  [
    'MODEL RX-1200W SER NO 40-2215\nR-134a 0.12 kg HIGH SIDE 350 PSIG\n115 VAC 60 Hz 1.6 A CLASS I 40°C AMB',
    NORTH_AMERICA,
    { 'main-volts': 115, 'main-hertz': 60, 'main-amps': 1.6 },
  ],
  [
    'Leistung 1200 W Spannung 230 V Strom 5,2 A',
    EUROPE,
    { 'main-watts': 1200, 'main-volts': 230, 'main-amps': 5.2 },
  ],
  ['Puissance absorbée: 2,4 kW, tension 230 V', EUROPE, { 'main-watts': 2400, 'main-volts': 230 }],
];

describe('a nameplate', () => {
  it('is read as it stands, with nothing made up and nothing left', () => {
    for (const [text, at, says] of PLATES) {
      const said = sayPlate(text, at);
      expect(saidBy(text, at)).withContext(text).toEqual(says);
      expect(said.read.unread).withContext(text).toEqual([]);
      expect(said.open).withContext(text).toEqual([]);
      for (const { line, text: own } of said.facts) {
        const number = /\d[\d.,/-]*/.exec(own)?.[0] ?? own;
        const [here = '', below = ''] = said.read.lines.slice(line - 1);
        expect(here + below)
          .withContext(`${own}, line ${line}`)
          .toContain(number);
      }
    }
  });

  it('is read the same whatever the order of its numbers, their names before or behind them, on however many lines', () => {
    const ways: Readonly<Record<string, readonly ((value: number) => string)[]>> = {
      'main-volts': [(v) => `${v}V`, (v) => `${v} VAC`, (v) => `VOLTS: ${v}`, (v) => `${v} V~`],
      'main-hertz': [(v) => `${v}Hz`, (v) => `${v} HZ`, (v) => `FREQ: ${v} Hz`],
      'main-amps': [(v) => `${v}A`, (v) => `${v} AMPS`, (v) => `AMPS: ${v}`, (v) => `CURRENT: ${v} A`],
      'main-watts': [(v) => `${v}W`, (v) => `${v / 1000} kW`, (v) => `POWER: ${v} W`],
      'compressor-ratedLoadAmps': [(v) => `RLA: ${v}`, (v) => `R.L.A.: ${v}`, (v) => `RLA: ${v} A`],
      'compressor-lockedRotorAmps': [(v) => `LRA: ${v}`, (v) => `LOCKED ROTOR AMPS: ${v}`],
    };
    const values = fc.record({
      'main-volts': fc.constantFrom(115, 120, 127),
      'main-hertz': fc.constantFrom(50, 60),
      'main-amps': fc.integer({ min: 12, max: 16 }),
      'main-watts': fc.integer({ min: 1100, max: 1380 }),
      'compressor-ratedLoadAmps': fc.integer({ min: 90, max: 110 }).map((tenths) => tenths / 10),
      'compressor-lockedRotorAmps': fc.integer({ min: 40, max: 70 }),
    });
    fc.assert(
      fc.property(values, fc.infiniteStream(fc.nat()), (says, choices) => {
        const next = (): number => choices.next().value as number;
        const parts = Object.entries(says)
          .map(([key, value]) => ({ at: next(), text: ways[key]![next() % ways[key]!.length]!(value) }))
          .sort((a, b) => a.at - b.at)
          .map(({ text }) => text);
        const plate = parts.map((part) => part + (next() % 2 === 0 ? '\n' : '  ')).join('');
        expect(saidBy(plate)).withContext(plate).toEqual(says);
      }),
      { numRuns: 300 },
    );
  });

  it('is read from names behind their numbers too, and from unspaced lines', () => {
    expect(saidBy('11.2 RLA 58 LRA')).toEqual(saidBy('RLA 11.2 LRA 58'));
    expect(saidBy('12.5A RLA 11.2A LRA 58A')).toEqual({ 'main-amps': 12.5, ...saidBy('RLA 11.2 LRA 58') });
    expect(saidBy('120V60Hz15A')).toEqual({ 'main-volts': 120, 'main-hertz': 60, 'main-amps': 15 });
    expect(saidBy('RLA11.2LRA58')).toEqual(saidBy('RLA 11.2 LRA 58'));
    expect(saidBy('1800W RATED 2200W MAX')).toEqual({ 'main-watts': 1800, 'most-watts': 2200 });
    expect(saidBy('RATED 1800W MAX 2200W')).toEqual({ 'main-watts': 1800, 'most-watts': 2200 });
  });

  it('has numbers in either style, told by the others of the plate, and asked where nothing tells', () => {
    expect(readPlateNumber('1 1/2', undefined)!.value).toBe(1.5);
    expect(readPlateNumber('1.234,5', undefined)).toEqual({ value: 1234.5, otherwise: undefined });
    expect(readPlateNumber('13,500', undefined)).toEqual({ value: 13500, otherwise: 13.5 });
    expect(saidBy('1.200 W 5,2 A', EUROPE)['main-watts']).toBe(1200);
    expect(saidBy('1,200 W')['main-watts']).withContext('1.2 W is no plate').toBe(1200);
    expect(askedOf('12,500 W')).toEqual(['which-reading']);
    expect(saidBy('12,500 W', { ...NORTH_AMERICA, answers: { 'which-reading-main-watts': '1' } })).toEqual({
      'main-watts': 12.5,
    });
  });

  it('has several of one kind, which is asked unless the plate has their sum too', () => {
    const hob = '230V 50Hz 2 x 1000W';
    expect(askedOf(hob, EUROPE)).toEqual(['all-or-one']);
    expect(saidBy(hob, EUROPE)['main-watts']).toBeUndefined();
    const answered = (answer: string) =>
      saidBy(hob, { ...EUROPE, answers: { 'all-or-one-main-watts': answer } })['main-watts'];
    expect([answered('0'), answered('1')]).toEqual([2000, 1000]);
    for (const sum of ['2000W 2x1000W', '2X1000 W = 2 kW', '2 × 1000 W (2000 W)']) {
      expect(askedOf(sum)).withContext(sum).toEqual([]);
      expect(saidBy(sum)['main-watts']).withContext(sum).toBe(2000);
    }
    expect(saidBy('3 x 400 V 50 Hz', EUROPE))
      .withContext('conductors')
      .toEqual({ 'main-volts': 400, 'main-hertz': 50 });
  });

  it('that contradicts itself is asked, and neither number is taken until then', () => {
    // 5 hp are 3,730 W at the shaft, 120 V times 12 A at most 1,440 W (1 hp = 746 W).
    const vacuum = '5 HP 120V 12A';
    expect(askedOf(vacuum)).toEqual(['more-at-the-shaft']);
    expect(saidBy(vacuum)).toEqual({ 'main-volts': 120 });
    const believed = { ...NORTH_AMERICA, answers: { 'more-at-the-shaft': 'other' } };
    expect(saidBy(vacuum, believed)).toEqual({ 'main-volts': 120, 'main-amps': 12 });
    expect(askedOf('120V 10A 2000W')).toEqual(['more-watts-than-volt-amps']);
    expect(askedOf('120V 125A 1500W')).withContext('a point lost').toEqual(['few-watts-of-volt-amps']);
    expect(askedOf('RLA 11.2 LRA 158')).toEqual(['locked-rotor-of-rated-load']);
    expect(askedOf('12.8V 100Ah 2560Wh')).toEqual(['watt-hours-of-amp-hours']);
    expect(askedOf('120V 60Hz 1500W 1300W')).toEqual(['two-values']);
    // Several values that go with no volts: none is taken, least of all the smaller one.
    expect(askedOf('120V 1200/1500W')).toEqual(['two-values']);
    expect(saidBy('120V 1200/1500W')).toEqual({ 'main-volts': 120 });
    expect(saidBy('230/400 V 5/3 A 2 kW')).withContext('at no volts').toEqual({ 'main-watts': 2000 });
    expect(askedOf('1500 W 5000 A')).toContain('implausible');
    // NEC Table 430.7(B): K is 8.0 to 8.99 kVA for each hp, so 12 to 13.5 kVA at 1.5 hp, 104 to 117 A at 115 V.
    expect(askedOf('1.5 HP 115V LRA 110 CODE K')).toEqual([]);
    expect(askedOf('1.5 HP 115V LRA 60 CODE K')).toEqual(['code-letter-of-locked-rotor']);
    expect(askedOf('1.1 kW 2850 RPM', EUROPE)).toEqual(['takes-or-gives']);
  });

  it('for other volts, other hertz or three phases says so', () => {
    const kinds = (text: string, at = NORTH_AMERICA) => sayPlate(text, at).warnings.map(({ kind }) => kind);
    expect(kinds('230V 50Hz 1000W')).toEqual(['other-volts', 'other-hertz']);
    expect(kinds('220-240V 50/60Hz 1000W', EUROPE)).toEqual([]);
    expect(kinds('3~ 400V 50Hz 3kW', EUROPE)).toEqual(['other-volts', 'three-phases']);
    const inverter = 'INVERTER INPUT 12V DC OUTPUT 120V AC 60Hz 2000W';
    expect(kinds(inverter, { ...NORTH_AMERICA, batteryVolts: 25.6 })).toEqual(['other-battery']);
    expect(kinds(inverter, { ...NORTH_AMERICA, batteryVolts: 12.8 })).toEqual([]);
    expect(askedOf('230/400 V 2 kW')).toEqual(['which-volts']);
  });

  it('never breaks, whatever is typed', () => {
    const sign = fc.constantFrom(...Array.from('0123456789.,/- VAWHPhzRLKxφ~=:\n()½'));
    const signs = fc.array(sign, { maxLength: 60 }).map((each) => each.join(''));
    fc.assert(
      fc.property(signs, (text) => {
        for (const { value, quantity } of sayPlate(text, NORTH_AMERICA).facts)
          expect(Number.isFinite(value) || quantity === 'codeLetter')
            .withContext(text)
            .toBeTrue();
      }),
      { numRuns: 300 },
    );
  });

  it('of two readings of a picture is the one that says more, with what the other has otherwise', () => {
    const { text, otherwise } = compareReadings(['120V 60Hz\n125 A', '120V 60Hz\n12.5 A 1500 W'], 120);
    expect(text).toContain('1500 W');
    expect([...otherwise.keys()]).toEqual(['main-amps']);
    expect(otherwise.get('main-amps')!.value).toBe(125);
  });
});
