import { readFileSync } from 'node:fs';
import { readRigFile, type Rig } from '../src/api/rig.js';

/** Run from the root of the project: the demo rig with its loads repeated until there are so many; names and ids differ. */
export function largeRig(loads: number): Rig {
  const read = readRigFile(readFileSync('demo/tern.json', 'utf8'));
  if (!read.ok) throw new Error('The demo rig cannot be read');
  const { loads: own } = read.value;
  const repeated = Array.from({ length: loads }, (_, index) => {
    const load = own[index % own.length];
    if (!load) throw new Error('The demo rig has no loads');
    const round = Math.floor(index / own.length);
    return round === 0 ? load : { ...load, id: `${load.id}-${round}`, name: `${load.name} ${round + 1}` };
  });
  return { ...read.value, id: `tern-${loads}`, name: `Tern ${loads}`, loads: repeated };
}
