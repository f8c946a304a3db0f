import { readFileSync } from 'node:fs';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { problemLines, readRigFile, writeRigFile } from '../../src/formats/rig-file.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { demoText } from '../demo-rigs.js';

const text = demoText('tern');

/** The demo file with one thing changed, read back: what a person is told. */
const told = (change: (file: any) => void): readonly string[] => {
  const file = JSON.parse(text);
  change(file);
  const read = readRigFile(JSON.stringify(file));
  return read.ok ? [] : problemLines(read.problems);
};

const opened = (content: string): Rig => {
  const read = readRigFile(content);
  if (!read.ok) throw new Error(problemLines(read.problems).join('\n'));
  return read.value;
};

describe('a rig file', () => {
  it('may be as small as its page shows: it opens, and answers (docs/file-format.md)', () => {
    const [, smallest = ''] = /```json\n(.*?)```/s.exec(readFileSync('docs/file-format.md', 'utf8')) ?? [];
    const rig = opened(smallest);
    const { verdict, limits } = check(compile(rig), { supply: 'battery', on: rig.scenes[0]!.on });
    expect(verdict).toBe('holds');
    const { worst, capacity } = limits.find(({ kind }) => kind === 'inverter-watts')!;
    expect([worst.hi, capacity.pessimistic]).toEqual([1650, 2000]);
  });

  it('is written in one canonical order that reading and writing again does not change', () => {
    expect(writeRigFile(opened(text))).toBe(text);
    const shuffled = JSON.stringify(Object.fromEntries(Object.entries(JSON.parse(text)).reverse()));
    expect(writeRigFile(opened(shuffled))).toBe(text);
  });

  it('keeps fields that it does not know, at every depth', () => {
    const file = JSON.parse(text);
    file.ownNotes = { colour: 'green' };
    file.loads[0].parts[0].runningW.serial = 7;
    const saved = JSON.parse(writeRigFile(opened(JSON.stringify(file))));
    expect(saved.ownNotes).toEqual({ colour: 'green' });
    expect(saved.loads[0].parts[0].runningW.serial).toBe(7);
  });

  it('names the field and the fix for each fault', () => {
    expect(told((file) => (file.loads[0].parts[0].runningW.value = -5))).toEqual([
      'Load "Bandsaw", running power: must be a number of W from 0 to 100000; found -5.',
    ]);
    expect(told((file) => (file.loads[3].parts[1].start.seconds.value = 'long'))).toEqual([
      'Load "Roof air conditioner", part "Compressor", start, seconds of the start: must be a number of s from 0.01 to 120; found "long".',
    ]);
    expect(told((file) => (file.loads[0].parts[0].runningW.basis = 'rumour'))[0]).toMatch(
      /^Load "Bandsaw", running power, basis: must be one of measured, .*; found "rumour"\.$/,
    );
    expect(told((file) => delete file.circuits)).toEqual(['Circuits: is missing; it must be a list.']);
    expect(told((file) => (file.loads[1].circuit = 'attic'))[0]).toMatch(
      /^Load "Dust extractor", circuit: "attic" is not in this file; use one of tools, galley/,
    );
    expect(told((file) => (file.loads[1].id = 'bandsaw'))).toContain(
      'Load "Dust extractor", id: "bandsaw" is used twice; give one of the two another id.',
    );
    expect(told((file) => (file.loads[0].parts[0].runningW.minus = 500))[0]).toContain(
      'at most 86 % of its value',
    );
    expect(told((file) => (file.supplies = []))).toContain(
      'Supplies: must hold at least 1; found a list of 0.',
    );
  });

  it('offers ids of their own for arrays and states that share one, and only where that is all that is wrong', () => {
    const file = JSON.parse(demoText('tern'));
    file.solar = [...file.solar, { ...file.solar[0], name: 'Second array' }];
    const twice = file.loads.findIndex(({ states }: { states?: unknown[] }) => (states?.length ?? 0) > 1);
    file.loads[twice].states.push({ ...file.loads[twice].states[0], name: 'Again' });
    const read = readRigFile(JSON.stringify(file));
    if (read.ok) throw new Error('two arrays of one id were taken');
    expect(read.problems.length).toBe(2);
    const { solar = [], loads } = read.mended ?? ({ loads: [] } as Pick<Rig, 'solar' | 'loads'>);
    expect(new Set(solar.map(({ id }) => id)).size).toBe(file.solar.length);
    const states = loads[twice]?.states ?? [];
    expect(new Set(states.map(({ id }) => id)).size).toBe(states.length);
    const worse = readRigFile(JSON.stringify({ ...file, circuits: [] }));
    expect(worse.ok || worse.mended !== undefined).toBeFalse();
  });

  it('says what kind of file it was given instead', () => {
    const refuse = (content: string) => {
      const read = readRigFile(content);
      return read.ok ? '' : problemLines(read.problems).join(' ');
    };
    expect(refuse('PK..')).toMatch(/^The file is not JSON/);
    expect(refuse('[1, 2]')).toMatch(/^The file holds no rig/);
    expect(refuse('{"format":"other"}')).toMatch(/^The file is JSON but not a rig file/);
    expect(refuse('{"format":"heliarch-rig","version":9}')).toMatch(
      /saved by a newer Heliarch \(file version 9\)/,
    );
    expect(refuse('x'.repeat(20 * 1024 * 1024 + 1))).toMatch(/larger than 20 MB/);
    expect(refuse('['.repeat(1e6) + ']'.repeat(1e6))).toMatch(/^The file is nested more than 64 levels deep/);
    expect(refuse(`[${'1,'.repeat(9e6)}1]`)).toMatch(/^The file holds more than 100000 values/);
    expect(refuse(text.replace('"loads": [', '"loads": [], "loads": ['))).toMatch(
      /^The file has the field "loads" twice in one place; remove one/,
    );
  });

  it('is taken with a byte order mark, and with field names that JavaScript has plans for', () => {
    expect(writeRigFile(opened(`\uFEFF${text}`))).toBe(text);
    const strange = text.replace(
      '"format"',
      '"__proto__": {"name": "x"}, "constructor": 1, "toString": 2, "hasOwnProperty": 3, "format"',
    );
    const saved = JSON.parse(writeRigFile(opened(strange))) as object;
    expect(Object.entries(saved)).toEqual(
      jasmine.arrayContaining([
        ['__proto__', { name: 'x' }],
        ['toString', 2],
      ]),
    );
    expect(Object.hasOwn(saved, 'constructor')).toBeTrue();
    expect(({} as { name?: string }).name).toBeUndefined();
  });

  it('is judged the same when what has not changed is not gone through again', () => {
    const sound = opened(text);
    const [load] = sound.loads;
    const changed: readonly unknown[] = [
      { ...sound, loads: [{ ...load, circuit: '' }, ...sound.loads.slice(1)] },
      { ...sound, circuits: sound.circuits.slice(1) },
      { ...sound, scenes: [] },
      { ...sound, note: 5 },
      { ...sound, buses: undefined },
      { ...sound, name: 'Another' },
    ];
    for (const document of changed) expect(validateRig(document, sound)).toEqual(validateRig(document));
    expect(validateRig(changed[0]).ok).toBeFalse();
    expect(validateRig(changed[5]).ok).toBeTrue();
  });
});
