/** The few functions that are used of it: the package brings no types. */
declare module 'jstat' {
  const jStat: {
    readonly chisquare: {
      /** The value below which chi-square lies with probability p. */
      inv(p: number, degreesOfFreedom: number): number;
    };
    readonly studentt: {
      /** The value below which Student's t lies with probability p. */
      inv(p: number, degreesOfFreedom: number): number;
    };
  };
  export default jStat;
}
