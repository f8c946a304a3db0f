/** A three-level wave: zero, plus and minus its peak. */
export interface QuasiSquare {
  /** V. */
  readonly peakV: number;
  /** Share of each half cycle that conducts, 0 to 1. */
  readonly conducting: number;
}

/**
 * RMS, fundamental and distortion of a modified sine wave.
 *
 * V = V_p sqrt(d); fundamental (2 sqrt 2 / pi) V_p sin(pi d / 2); distortion over the fundamental.
 * Source: physics (Fourier series).
 *
 * @example
 * quasiSquare({ peakV: 170, conducting: 0.5 }); // 120.2 V, fundamental 108.2 V, distortion 0.483
 */
export function quasiSquare({ peakV, conducting }: QuasiSquare): {
  readonly rmsV: number;
  readonly fundamentalV: number;
  readonly distortion: number;
} {
  const rmsV = peakV * Math.sqrt(conducting);
  const fundamentalV = ((2 * Math.SQRT2) / Math.PI) * peakV * Math.sin((Math.PI * conducting) / 2);
  return {
    rmsV,
    fundamentalV,
    distortion: Math.sqrt(Math.max(0, rmsV * rmsV - fundamentalV * fundamentalV)) / fundamentalV,
  };
}
