import { Ajv2020 } from 'ajv/dist/2020.js';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** The command as a person types it, in the project's root. */
function heliarch(...args: string[]) {
  const { status, stdout, stderr } = spawnSync('npx', ['--no-install', 'heliarch', ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '', npm_config_loglevel: 'error' },
  });
  return { status, stdout, stderr };
}

const checkTern = (on: string, ...more: string[]) =>
  heliarch('check', 'demo/tern.json', '--supply', 'battery', '--on', on, ...more);

describe('heliarch check', () => {
  it('answers holds, tight and trips by its exit code: 0, 10, 11', () => {
    expect(checkTern('kettle,laptop').status).toBe(0);
    expect(checkTern('kettle,roof-air,fridge').status).toBe(10);
    expect(checkTern('kettle,hob,oven').status).toBe(11);
  });

  it('prints the whole result as JSON', () => {
    const { stdout } = checkTern('bandsaw,extractor,water-heater', '--json');
    const result = JSON.parse(stdout);
    expect(result).toEqual(
      jasmine.objectContaining({
        verdict: 'holds',
        startOrder: ['bandsaw', 'extractor'],
        notFed: [{ load: 'water-heater', because: 'nothing feeds Water' }],
      }),
    );
    expect(result.restarts).toEqual([{ load: 'bandsaw', holds: false, switchOffFirst: ['extractor'] }]);
    const [restart, decider] = result.limits;
    expect(restart).toEqual(jasmine.objectContaining({ load: 'bandsaw', restart: true, verdict: 'tight' }));
    expect(decider).toEqual(
      jasmine.objectContaining({ load: 'extractor', restart: false, verdict: 'holds' }),
    );
    expect(decider.capacity.pessimistic - decider.worst.hi).toBeCloseTo(decider.headroom.pessimistic, 6);
  });

  it('keeps to its published schema on every supply and verdict (Ajv, draft 2020-12)', () => {
    const schema = JSON.parse(readFileSync(join(root, 'docs/check-report.schema.json'), 'utf8'));
    const validate = new Ajv2020({ strict: false }).compile(schema);
    for (const [supply, set] of [
      ['battery', 'kettle,hob,oven'],
      ['shore-15', 'bandsaw,extractor,fridge,water-heater'],
      ['generator', 'kettle,roof-air,water-heater'],
    ] as const) {
      const { stdout } = heliarch('check', 'demo/tern.json', '--supply', supply, '--on', set, '--json');
      validate(JSON.parse(stdout));
      expect(validate.errors ?? [])
        .withContext(supply)
        .toEqual([]);
    }
    expect(validate({ format: 'heliarch-check', version: 1 })).toBe(false);
  });

  it('takes a scene of the file, states of loads, and another rule for the order', () => {
    const scene = heliarch('check', 'demo/tern.json', '--scene', 'now', '--json');
    expect(JSON.parse(scene.stdout)).toEqual(
      jasmine.objectContaining({ verdict: 'holds', restartVerdict: 'fails', ifSourceDrops: null }),
    );
    expect(JSON.parse(scene.stdout).reserveInS).toBeGreaterThan(3600);
    expect(checkTern('hob@low,kettle').status).toBe(0);
    expect(checkTern('extractor,bandsaw', '--order', 'given').status).toBe(10);
    expect(checkTern('extractor,bandsaw', '--order', 'best').status).toBe(0);
    const shore = heliarch('check', 'demo/tern.json', '--scene', 'now', '--supply', 'shore-15', '--json');
    const report: { ifSourceDrops: { verdict: string }; fromSourceW: number; fromBatteryW: number } =
      JSON.parse(shore.stdout);
    expect(report.ifSourceDrops.verdict).toBe('tight');
    expect(report.fromSourceW + report.fromBatteryW).toBeGreaterThan(1700);
  });

  it('refuses bad input with exit code 2 and the message on stderr', () => {
    const toaster = checkTern('toaster');
    expect(toaster).toEqual(jasmine.objectContaining({ status: 2, stdout: '' }));
    expect(toaster.stderr).toContain('--on: "toaster" is not in this rig; use some of bandsaw, extractor');
    expect(heliarch('check', 'demo/tern.json', '--supply', 'moon', '--on', 'hob').stderr).toContain(
      'use one of battery, shore-30',
    );
    expect(heliarch('check', 'nowhere.json', '--supply', 'battery', '--on', 'hob').stderr).toContain(
      'name a rig file that exists',
    );
    expect(heliarch('check', 'demo/tern.json').status).toBe(2);
    expect(checkTern('hob@sizzling').stderr).toContain(
      'hob has no state "sizzling"; use one of low, medium, high',
    );
  });
});

describe('heliarch validate', () => {
  it('accepts the demo and lists every fault of a bad file', () => {
    expect(heliarch('validate', 'demo/tern.json').status).toBe(0);
    const folder = mkdtempSync(join(tmpdir(), 'heliarch-'));
    const bad = join(folder, 'bad.json');
    const file = JSON.parse(readFileSync(join(root, 'demo/tern.json'), 'utf8'));
    file.loads[0].circuit = 'attic';
    file.loads[1].parts[0].runningW.minus = 900;
    writeFileSync(bad, JSON.stringify(file));
    const { status, stderr } = heliarch('validate', bad);
    rmSync(folder, { recursive: true });
    expect(status).toBe(2);
    expect(stderr).toContain('Load "Bandsaw", circuit');
    expect(stderr).toContain('Load "Dust extractor", running power');
  });
});
