/**
 * A main fuse may exceed the ampacity of its cable by this. Source: ABYC E-11, the 150 % rule, from
 * memory; confidence low.
 */
export const ABYC_FUSE_OVER_AMPACITY = 1.5;

/**
 * Volts over nominal at which an inverter shuts down where its own are not known: 10.5 of 12.
 * Source: common practice, no published source.
 */
export const USUAL_CUT_OFF_SHARE = 10.5 / 12;
