import { readFileSync } from 'node:fs';
import { problemLines, readRigFile } from '../src/formats/rig-file.js';
import type { Rig } from '../src/rig-file/schema.js';

export const DEMO_NAMES = ['tern', 'marram', 'puffin', 'lathe-house'] as const;

export type DemoName = (typeof DEMO_NAMES)[number];

/** The file of a shipped demo rig, as it stands. */
export function demoText(name: DemoName): string {
  return readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8');
}

export function demoRig(name: DemoName): Rig {
  const read = readRigFile(demoText(name));
  if (!read.ok) throw new Error(`${name}: ${problemLines(read.problems).join('\n')}`);
  return read.value;
}
