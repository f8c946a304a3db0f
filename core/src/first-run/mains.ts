/** The mains systems a new rig begins with. */
export const MAINS = {
  'na-120': { words: '120 V, 60 Hz', volts: 120, hertz: 60, poles: 'single', breaker: 'ul-489', amps: 15 },
  'na-240': {
    words: '120/240 V, 60 Hz, two legs',
    volts: 120,
    hertz: 60,
    poles: 'split-180',
    breaker: 'ul-489',
    amps: 15,
  },
  'eu-230': {
    words: '230 V, 50 Hz',
    volts: 230,
    hertz: 50,
    poles: 'single',
    breaker: 'iec-60898-b',
    amps: 16,
  },
} as const;
export type MainsId = keyof typeof MAINS;
