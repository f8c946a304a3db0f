/**
 * Measuring a start: five starts, at least one at the worst state; the base load may not move by
 * more than 5 % meanwhile; three starts must agree within 10 %. Source: common practice, no published source.
 */
export const STARTS_WANTED = 5;
export const MOST_BASE_DRIFT = 0.05;
export const STARTS_THAT_AGREE = 3;
export const STARTS_AGREE_WITHIN = 0.1;
