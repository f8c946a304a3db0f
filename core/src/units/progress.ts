/** How far a long answer is: so many of so many steps. */
export type Progress = (done: number, of: number) => void;

/** For whoever only waits for the answer. */
export const noProgress: Progress = () => undefined;
