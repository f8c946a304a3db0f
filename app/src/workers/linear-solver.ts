import { highsSolver } from '@heliarch/core/planning';

/** Where the build puts what the solver runs. */
const RUNS = '/solver/highs.wasm';

/** The solver of linear programmes, loaded when it is first asked for: it is large. */
export async function linearSolver(): Promise<ReturnType<typeof highsSolver>> {
  const { default: load } = await import('highs');
  return highsSolver(await load({ locateFile: () => RUNS }));
}
