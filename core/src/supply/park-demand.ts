import { DEMAND_FACTORS, SITE_VA, type SiteReceptacle } from '../reference/nec-551-parks.js';

const SERVICE_V = 240;
const ONE_POLE_V = 120;

/**
 * What the feeder of a park is planned for, A per site (and per leg, at 50 A): it explains low voltage on a full site.
 *
 * @param sites 1 and more.
 * @returns A. Source: NEC 551.73(A), from memory.
 *
 * @example
 * plannedAmpsPerSite(36, 50); // 20.5
 */
export function plannedAmpsPerSite(sites: number, receptacle: SiteReceptacle): number {
  const factor = DEMAND_FACTORS.find(({ sitesUpTo }) => sites <= sitesUpTo)?.share ?? 1;
  return (factor * SITE_VA[receptacle]) / (receptacle === 50 ? SERVICE_V : ONE_POLE_V);
}
