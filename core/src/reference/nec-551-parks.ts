import type { Provenance } from './provenance.js';

/** Calculated load of a site and demand factors of a park, NEC 551.73(A); the clauses are remembered. */
export const PARKS: Provenance = { source: 'NEC 551.73(A)', confidence: 'medium' };

/** Calculated load of one site by its largest receptacle, VA: 12,000 from the 2020 edition on, 9,600 before (second hand). */
export const SITE_VA = { 50: 12_000, 30: 3600, 20: 2400 } as const;
export type SiteReceptacle = keyof typeof SITE_VA;

/** Share of the sum that the feeder is planned for, by the number of sites up to which it counts. */
export const DEMAND_FACTORS: readonly { readonly sitesUpTo: number; readonly share: number }[] = [
  { sitesUpTo: 1, share: 1 },
  { sitesUpTo: 2, share: 0.9 },
  { sitesUpTo: 3, share: 0.8 },
  { sitesUpTo: 4, share: 0.75 },
  { sitesUpTo: 5, share: 0.65 },
  { sitesUpTo: 6, share: 0.6 },
  { sitesUpTo: 9, share: 0.55 },
  { sitesUpTo: 12, share: 0.5 },
  { sitesUpTo: 15, share: 0.48 },
  { sitesUpTo: 18, share: 0.47 },
  { sitesUpTo: 21, share: 0.45 },
  { sitesUpTo: 24, share: 0.43 },
  { sitesUpTo: 35, share: 0.42 },
  { sitesUpTo: Infinity, share: 0.41 },
];
