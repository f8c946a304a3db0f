import { readSpoiltFiles } from './files.js';

const DEFAULT_COUNT = 10_000;
const [count = DEFAULT_COUNT, seed = Date.now()] = process.argv.slice(2).map(Number);

const began = Date.now();
readSpoiltFiles(count, seed);
const seconds = Math.round((Date.now() - began) / 1000);
console.log(
  `${count} spoilt files, seed ${seed}: none threw, none was refused unclearly, none changed (${seconds} s)`,
);
