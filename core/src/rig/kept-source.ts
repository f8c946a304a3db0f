/** What a test at an inlet says of the source: volts with nothing on, and ohms of the way. */
export interface SourceRead {
  readonly emptyV: number;
  readonly ohms: number;
}

const OHM_DECIMALS = 3;

/** Volts and ohms of a source as they are kept: to what a meter tells. */
export function keptSource({ emptyV, ohms }: SourceRead): SourceRead {
  return { emptyV: Number(emptyV.toFixed(1)), ohms: Number(ohms.toFixed(OHM_DECIMALS)) };
}
