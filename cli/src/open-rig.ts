import { readFile, stat } from 'node:fs/promises';
import { LARGEST_FILE_BYTES, problemLines, readRigFile, type Rig } from '@heliarch/core/rig';
import { BadInput } from './exit-codes.ts';

/** Reads a rig from disk, or says what is wrong with it. */
export async function openRig(path: string): Promise<Rig> {
  const read = readRigFile(await textOf(path));
  if (!read.ok) throw new BadInput(`${path} cannot be used:\n${problemLines(read.problems).join('\n')}`);
  return read.value;
}

async function textOf(path: string): Promise<string> {
  try {
    const { size } = await stat(path);
    if (size > LARGEST_FILE_BYTES)
      throw new BadInput(`${path} is larger than 20 MB; a rig file is far smaller.`);
    return new TextDecoder('utf-8', { fatal: true }).decode(await readFile(path));
  } catch (error) {
    if (error instanceof TypeError)
      throw new BadInput(
        `${path} is not text in UTF-8, so it is not a rig file; choose one that Heliarch saved.`,
      );
    const code = (error as NodeJS.ErrnoException).code;
    if (code === undefined) throw error;
    throw new BadInput(`${path} cannot be read (${code}); name a rig file that exists.`);
  }
}
