import { compareFigures, compareSystems } from '../naive/compare.js';

const DEFAULT_COUNT = 10_000;
/** Figures take ten times as long as a verdict. */
const SHARE_WITH_FIGURES = 0.1;
const [count = DEFAULT_COUNT, seed = Date.now()] = process.argv.slice(2).map(Number);

const began = Date.now();
try {
  const seen = compareSystems(count, seed);
  const seconds = Math.round((Date.now() - began) / 1000);
  console.log(`${count} systems, seed ${seed}: judged as the naive check judges them (${seconds} s)`);
  for (const [verdict, times] of [...seen].sort()) console.log(`  ${verdict}: ${times}`);
  const alike = compareFigures(Math.ceil(count * SHARE_WITH_FIGURES), seed);
  const figures = [...alike.values()].reduce((sum, each) => sum + each, 0);
  console.log(`  ${figures} limits at either edge: every figure as the naive check has it`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
