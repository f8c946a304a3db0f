const HAURWITZ_W = 1098;
const HAURWITZ_EXTINCTION = 0.059;
const CLOUD_SHARE = 0.75;
const CLOUD_POWER = 3.4;
const OKTAS = 8;

/**
 * Global irradiance on the flat under a clear sky, W/m².
 *
 * @param altitudeRad Altitude of the sun, rad; nothing below the horizon.
 * @returns W/m². Source: Haurwitz 1945, in Reno, Hansen and Stein, SAND2012-2389; also printed with 0.057.
 */
export function clearSkyWPerM2(altitudeRad: number): number {
  const cosZenith = Math.sin(altitudeRad);
  return cosZenith <= 0 ? 0 : HAURWITZ_W * cosZenith * Math.exp(-HAURWITZ_EXTINCTION / cosZenith);
}

/**
 * What clouds leave of it.
 *
 * @param oktas Eighths of the sky, 0 to 8.
 * @returns A factor. Source: Kasten and Czeplak 1980, 1 - 0.75 (N/8)^3.4.
 *
 * @example
 * cloudFactor(6); // 0.718
 */
export function cloudFactor(oktas: number): number {
  return 1 - CLOUD_SHARE * (oktas / OKTAS) ** CLOUD_POWER;
}

/** What a flat array gives, W: dirt, wiring, charge controller and heat leave 0.70 to 0.80 (common practice). */
export function flatArrayW(peakW: number, wPerM2: number, derating = 0.75): number {
  const STANDARD_W_PER_M2 = 1000;
  return (peakW * wPerM2 * derating) / STANDARD_W_PER_M2;
}
