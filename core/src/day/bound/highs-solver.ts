import type { Solver } from './linear-programme.js';

/** What the solver HiGHS offers, as far as it is used. */
export interface Highs {
  solve(
    text: string,
    options: { readonly time_limit: number },
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
  };
}

/** Nobody waits longer for one bound, s; what is not proved by then is not said. */
const MOST_SECONDS = 10;

/** HiGHS as a solver of programmes; it is loaded by whoever asks, for it is large. */
export function highsSolver(highs: Highs): Solver {
  return (text) => {
    const { Status, ObjectiveValue } = highs.solve(text, { time_limit: MOST_SECONDS });
    if (Status === 'Optimal') return { status: 'optimal', objective: ObjectiveValue };
    const isInfeasible = Status === 'Infeasible' || Status === 'Primal infeasible or unbounded';
    return { status: isInfeasible ? 'infeasible' : 'unknown', objective: NaN };
  };
}
