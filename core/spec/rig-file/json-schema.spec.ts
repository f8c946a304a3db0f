import { Ajv2020 } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { rigJsonSchema } from '../../src/rig-file/json-schema.js';

const published = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../../${name}`, import.meta.url), 'utf8'));

describe('the published JSON Schema of the rig file', () => {
  it('is the one that the field table gives', () => {
    expect(published('docs/rig.schema.json')).toEqual(JSON.parse(JSON.stringify(rigJsonSchema())));
  });

  it('accepts the demo and refuses what the reader refuses (Ajv, draft 2020-12)', () => {
    const validate = new Ajv2020({ strict: false }).compile(rigJsonSchema());
    const tern = published('demo/tern.json');
    expect(validate(tern)).toBe(true);
    const faults: ((file: any) => void)[] = [
      (file) => (file.version = 9),
      (file) => delete file.loads[0].circuit,
      (file) => (file.loads[0].parts[0].runningW.value = -5),
      (file) => (file.loads[0].parts[0].runningW.basis = 'rumour'),
      (file) => (file.circuits[0].protection.amps = 0),
      (file) => (file.supplies = []),
    ];
    for (const fault of faults) {
      const file = structuredClone(tern);
      fault(file);
      expect(validate(file)).toBe(false);
    }
  });
});
