/** A number as it stands on a plate, and what else the same signs may mean: `1,200` is a thousand and more, or little over one. */
export interface PlateNumber {
  readonly value: number;
  readonly otherwise: number | undefined;
}

/** How a plate separates: undefined where nothing on it tells. */
export type DecimalSign = '.' | ',' | undefined;

const FRACTION = /^(?:(\d+)[ -]+)?(\d{1,2})\/(\d{1,2})$/;
const ONE_SIGN = /^(\d{1,3})([.,])(\d{3})$/;
const DECIMAL = /^\d*([.,])\d+$/;

/**
 * Reads a number of a plate.
 *
 * @param sign What the plate uses as its decimal sign, where another number on it tells.
 * @returns Undefined where the text is no number.
 *
 * @example
 * readPlateNumber('1 1/2', undefined); // { value: 1.5, otherwise: undefined }
 * readPlateNumber('1,200', undefined); // { value: 1200, otherwise: 1.2 }
 * readPlateNumber('1,200', '.'); // { value: 1200, otherwise: undefined }
 */
export function readPlateNumber(text: string, sign: DecimalSign): PlateNumber | undefined {
  const plain = text.replace(/[ '](?=\d{3}(?!\d))/g, '').trim();
  const fraction = FRACTION.exec(plain);
  if (fraction) return sure(Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]));
  const one = ONE_SIGN.exec(plain);
  return one ? grouped(one[1] ?? '', one[2], one[3] ?? '', sign) : decimal(plain);
}

/** A number that can be read in one way only. */
function decimal(plain: string): PlateNumber | undefined {
  const last = Math.max(plain.lastIndexOf('.'), plain.lastIndexOf(','));
  const isDecimal = DECIMAL.test(plain) || (plain.includes('.') && plain.includes(','));
  const point = isDecimal ? `${digits(plain.slice(0, last))}.${digits(plain.slice(last))}` : digits(plain);
  return point === '' ? undefined : sure(Number(point));
}

/** Three digits behind one sign: thousands, or decimals. */
function grouped(ahead: string, mark: string | undefined, behind: string, sign: DecimalSign): PlateNumber {
  const [thousands, decimals] = [Number(ahead + behind), Number(`${ahead}.${behind}`)];
  if (ahead === '0' || mark === sign) return sure(decimals);
  if (sign !== undefined) return sure(thousands);
  return mark === ',' ? { value: thousands, otherwise: decimals } : { value: decimals, otherwise: thousands };
}

/** The decimal sign of a whole plate: that of a number which can be read in one way only. */
export function decimalSignOf(numbers: readonly string[]): DecimalSign {
  const signs = numbers.flatMap((text) => {
    const [, sign] = /^\d+([.,])\d{1,2}$/.exec(text) ?? [];
    return sign === '.' || sign === ',' ? [sign] : [];
  });
  return new Set(signs).size === 1 ? (signs[0] as DecimalSign) : undefined;
}

const digits = (text: string): string => text.replace(/\D/g, '');
const sure = (value: number): PlateNumber => ({ value, otherwise: undefined });
