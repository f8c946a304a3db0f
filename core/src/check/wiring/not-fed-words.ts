/** Why a load is not on this supply, said after "not on this supply:". */
export const WHY_NOT_FED = {
  nothingFeeds: (circuit: string): string => `nothing feeds ${circuit}`,
  keptOff: (supply: string): string => `you keep it off ${supply}`,
  onePole: (volts: number): string => `it needs ${volts} V, and both legs are one pole here`,
  twoSources: 'its two legs are fed by different sources',
  otherHertz: (rated: number, fed: number): string => `a ${rated} Hz motor overheats on ${fed} Hz`,
  modifiedSine: 'its soft starter needs a true sine wave',
  locked: (lock: string): string => `"${lock}" lets one run at a time`,
  dropped: (shedder: string, watched: string): string => `"${shedder}" drops it while ${watched} runs`,
} as const;
