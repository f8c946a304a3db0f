import type * as Highs from 'highs';
import { highsSolver } from '@heliarch/core/compute';

/** Where the build puts the solver: it looks for Node too, which no bundle of ours can resolve, so it comes as it is. */
const SOLVER = '/solver/highs.mjs';
const RUNS = '/solver/highs.wasm';

/** The solver of linear programmes, loaded when it is first asked for: it is large. */
export async function linearSolver(): Promise<ReturnType<typeof highsSolver>> {
  const address = new URL(SOLVER, location.origin).href;
  const { default: load } = (await import(address)) as typeof Highs;
  return highsSolver(await load({ locateFile: () => RUNS }));
}
