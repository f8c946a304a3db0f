import { Ajv2020 } from 'ajv/dist/2020.js';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { run } from '../src/run.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** One command line, with what it printed; a path is read from the project's root. */
async function heliarch(...args: string[]) {
  let stdout = '';
  let stderr = '';
  const inRoot = args.map((arg) => (arg.startsWith('demo/') ? join(root, arg) : arg));
  const status = await run(inRoot, {
    out: (text) => (stdout += text),
    err: (text) => (stderr += text),
  });
  return { status, stdout, stderr };
}

const checkTern = (on: string, ...more: string[]) =>
  heliarch('check', 'demo/tern.json', '--supply', 'battery', '--on', on, ...more);

describe('the heliarch command', () => {
  it('runs as a person types it, and hands its exit code on', () => {
    const asTyped = '--no-install heliarch check demo/tern.json --supply battery --on kettle,roof-air,fridge';
    const env = { ...process.env, NODE_OPTIONS: '', npm_config_loglevel: 'error' };
    const { status, stdout } = spawnSync('npx', asTyped.split(' '), { cwd: root, encoding: 'utf8', env });
    expect(status).toBe(13);
    expect(stdout).toContain('Likely trips');
  });
});

describe('whatever a file holds', () => {
  let folder: string;
  const fileOf = (content: string | Buffer): string => {
    const path = join(folder, 'rig.json');
    writeFileSync(path, content);
    return path;
  };
  const tern = () =>
    JSON.parse(readFileSync(join(root, 'demo/tern.json'), 'utf8')) as { loads: { name: string }[] };

  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'heliarch-cli-'))));
  afterEach(() => rmSync(folder, { recursive: true }));

  it('is refused in words with code 2, never with a stack', async () => {
    for (const content of [
      '['.repeat(200_000) + ']'.repeat(200_000),
      `{"format":"heliarch-rig","version":2,"note":${'{"a":'.repeat(9000)}1${'}'.repeat(9000)}}`,
      `[${'1,'.repeat(9e6)}1]`,
      Buffer.alloc(50_000_000, 'x'),
      Buffer.from([0xff, 0xfe, 0x7b, 0x00]),
      '',
    ]) {
      const { status, stderr } = await heliarch('validate', fileOf(content));
      expect(status).toBe(2);
      expect(stderr).toMatch(/rig/);
      expect(stderr).not.toMatch(/defect|RangeError|at .*\.ts/);
    }
  });

  it('prints controls of a terminal as letters, on either output', async () => {
    const rig = tern();
    rig.loads[0]!.name = 'Saw \u001b]0;owned\u0007\u009b31m\u202e';
    const { stdout } = await heliarch('check', fileOf(JSON.stringify(rig)), '--scene', 'now');
    expect(stdout).toContain('\\u001b]0;owned\\u0007\\u009b31m\\u202e');
    const { stderr } = await heliarch('check', 'demo/tern.json', '--on', 'x\u001b[2J', '--supply', 'battery');
    for (const text of [stdout, stderr]) expect(text).not.toMatch(CONTROLS);
    rig.loads[0]!.name = '';
    expect((await heliarch('validate', fileOf(JSON.stringify(rig)))).stderr).toContain(
      'is missing; give it a name',
    );
  });
});

const CONTROLS = /[\x00-\x08\x0b-\x1f\x7f-\x9f\u202a-\u202e]/;

describe('heliarch check', () => {
  it('answers by its exit code: 0 holds, 10 tight, 13 likely trips, 11 trips', async () => {
    expect((await checkTern('kettle,laptop')).status).toBe(0);
    expect((await checkTern('kettle,roof-air')).status).toBe(10);
    expect((await checkTern('kettle,roof-air,fridge')).status).toBe(13);
    expect((await checkTern('kettle,hob,oven')).status).toBe(11);
  });

  it('prints the whole result as JSON', async () => {
    const { stdout } = await checkTern('bandsaw,extractor,water-heater', '--json');
    const result = JSON.parse(stdout);
    expect(result).toEqual(
      jasmine.objectContaining({
        verdict: 'likely-trips',
        startOrder: ['bandsaw', 'extractor'],
        notFed: [{ load: 'water-heater', because: 'nothing feeds Water' }],
      }),
    );
    expect(result.restarts).toEqual([
      { load: 'bandsaw', verdict: 'likely-trips', switchOffFirst: ['extractor'] },
    ]);
    const [restart, decider] = result.limits;
    expect(restart).toEqual(
      jasmine.objectContaining({ load: 'bandsaw', restart: true, verdict: 'likely-trips' }),
    );
    expect(decider).toEqual(
      jasmine.objectContaining({ load: 'extractor', restart: false, verdict: 'holds' }),
    );
    expect(decider.capacity.pessimistic - decider.worst.hi).toBeCloseTo(decider.headroom.pessimistic, 6);
  });

  it('keeps to its published schema on every supply and verdict (Ajv, draft 2020-12)', async () => {
    const schema = JSON.parse(readFileSync(join(root, 'docs/check-report.schema.json'), 'utf8'));
    const validate = new Ajv2020({ strict: false }).compile(schema);
    for (const [rig, supply, set] of [
      ['tern', 'battery', 'kettle,hob,oven'],
      ['tern', 'shore-15', 'bandsaw,extractor,fridge,water-heater'],
      ['marram', 'site-30', 'front-air,rear-air,coffee'],
      ['puffin', 'pitch-6', 'kettle,hob'],
      ['lathe-house', 'generator', 'table-saw,dust,well-pump'],
    ] as const) {
      const { stdout } = await heliarch(
        'check',
        `demo/${rig}.json`,
        '--supply',
        supply,
        '--on',
        set,
        '--json',
      );
      validate(JSON.parse(stdout));
      expect(validate.errors ?? [])
        .withContext(`${rig} ${supply}`)
        .toEqual([]);
    }
    expect(validate({ format: 'heliarch-check', version: 2 })).toBe(false);
  });

  it('takes a scene of the file, states of loads, and another rule for the order', async () => {
    const scene = await heliarch('check', 'demo/tern.json', '--scene', 'now', '--json');
    expect(JSON.parse(scene.stdout)).toEqual(
      jasmine.objectContaining({ verdict: 'holds', ifSourceDrops: null }),
    );
    expect(JSON.parse(scene.stdout).reserveInS).toBeGreaterThan(3600);
    expect((await checkTern('hob@low,kettle')).status).toBe(0);
    const lathe = ['check', 'demo/lathe-house.json', '--scene', 'now'];
    expect((await heliarch(...lathe)).status).toBe(11);
    expect((await heliarch(...lathe, '--order', 'best')).status).toBe(0);
    const shore = await heliarch(
      'check',
      'demo/tern.json',
      '--scene',
      'now',
      '--supply',
      'shore-15',
      '--json',
    );
    const report: { ifSourceDrops: { verdict: string }; fromSourceW: number; fromBatteryW: number } =
      JSON.parse(shore.stdout);
    expect(report.ifSourceDrops.verdict).toBe('holds');
    expect(report.fromSourceW + report.fromBatteryW).toBeGreaterThan(1000);
  });

  it('explains each limit: what went in, its source, what decided', async () => {
    const { stdout } = await heliarch(
      ...['check', 'demo/marram.json', '--supply', 'site-50', '--explain'],
      ...['--on', 'front-air,rear-air,fridge,office,coffee,furnace-fan'],
    );
    expect(stdout).toContain('- the compressor of the front air conditioner, start: 3,631 VA');
    expect(stdout).toContain('left by its soft starter, common practice, no published source');
    expect(stdout).toContain('Decided at worst, with every doubt read against you.');
    expect(stdout).toContain('Limit: the rating of Inverter 1 (data sheet), less what heat takes');
    expect(stdout).toContain('When power comes back: ');
    expect(stdout).toContain('Caution: Hours at this current: look, smell');
  });

  it('shows a start, a cable and the volt-amps of a leg deciding in the demo rigs', async () => {
    const deciders = ['tern', 'marram', 'puffin', 'lathe-house'].map(async (rig) => {
      const { stdout } = await heliarch('check', `demo/${rig}.json`, '--scene', 'now', '--json');
      return JSON.parse(stdout).limits[0].kind;
    });
    expect(new Set(await Promise.all(deciders))).toEqual(
      new Set(['inverter-start-va', 'inverter-watts', 'dc-volts']),
    );
  });

  it('refuses bad input with exit code 2 and the message on stderr', async () => {
    const toaster = await checkTern('toaster');
    expect(toaster).toEqual(jasmine.objectContaining({ status: 2, stdout: '' }));
    expect(toaster.stderr).toContain('--on: "toaster" is not in this rig; use some of bandsaw, extractor');
    expect((await heliarch('check', 'demo/tern.json', '--supply', 'moon', '--on', 'hob')).stderr).toContain(
      'use one of battery, shore-30',
    );
    expect((await heliarch('check', 'nowhere.json', '--supply', 'battery', '--on', 'hob')).stderr).toContain(
      'name a rig file that exists',
    );
    expect((await heliarch('check', 'demo/tern.json')).status).toBe(2);
    expect((await checkTern('hob@sizzling')).stderr).toContain(
      'hob has no state "sizzling"; use one of low, medium, high',
    );
  });
});

describe('heliarch validate', () => {
  it('accepts the demo and lists every fault of a bad file', async () => {
    expect((await heliarch('validate', 'demo/tern.json')).status).toBe(0);
    const folder = mkdtempSync(join(tmpdir(), 'heliarch-'));
    const bad = join(folder, 'bad.json');
    const file = JSON.parse(readFileSync(join(root, 'demo/tern.json'), 'utf8'));
    file.loads[0].circuit = 'attic';
    file.loads[1].parts[0].runningW.minus = 900;
    writeFileSync(bad, JSON.stringify(file));
    const { status, stderr } = await heliarch('validate', bad);
    rmSync(folder, { recursive: true });
    expect(status).toBe(2);
    expect(stderr).toContain('Load "Bandsaw", circuit');
    expect(stderr).toContain('Load "Dust extractor", running power');
  });

  it('warns of what contradicts itself, and takes the file all the same', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'heliarch-'));
    const odd = join(folder, 'odd.json');
    const file = JSON.parse(readFileSync(join(root, 'demo/tern.json'), 'utf8'));
    file.converters[0].tiers[0].limit.value = 1000;
    writeFileSync(odd, JSON.stringify(file));
    const { status, stdout } = await heliarch('validate', odd);
    rmSync(folder, { recursive: true });
    expect(status).toBe(0);
    expect(stdout).toContain('a surge of 1000 VA is below the continuous 3000 VA');
  });

  it('names a field that it does not know, once, for a slip in a name takes a number out of the check', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'heliarch-'));
    const path = join(folder, 'slip.json');
    const file = JSON.parse(readFileSync(join(root, 'demo/tern.json'), 'utf8'));
    file.converters[0].chargeAmps = 60;
    file.loads[0].parts[0].runningW.sorce = 'x';
    writeFileSync(path, JSON.stringify(file));
    const says = ['converters[0].chargeAmps', 'loads[0].parts[0].runningW.sorce']
      .map((each) => `Not a field of a rig file, so it is kept and not used: ${each}\n`)
      .join('');
    expect((await heliarch('validate', path)).stdout).toContain(says);
    const checked = await heliarch('check', path, '--scene', 'now');
    expect(checked.stderr).toBe(says);
    expect((await heliarch('check', 'demo/marram.json', '--scene', 'now')).stderr).toBe('');
    rmSync(folder, { recursive: true });
  });
});

describe('who runs with whom, on the command line', () => {
  const valid = (name: string, text: string): unknown => {
    const schema: unknown = JSON.parse(readFileSync(join(root, `docs/${name}-report.schema.json`), 'utf8'));
    const value: unknown = JSON.parse(text);
    const ajv = new Ajv2020();
    expect(ajv.validate(schema as object, value))
      .withContext(ajv.errorsText())
      .toBeTrue();
    return value;
  };

  it('gives every largest combination with a load, and each holds as `check` says', async () => {
    const { status, stdout, stderr } = await heliarch(
      ...['sets', 'demo/tern.json', '--supply', 'battery', '--with', 'bandsaw,fridge', '--json'],
    );
    expect(status).toBe(0);
    expect(stderr).toContain('so far');
    const { sets, extent } = valid('sets', stdout) as { sets: { loads: string[] }[]; extent: string };
    expect(extent).toBe('all');
    expect(sets.length).toBeGreaterThan(2);
    for (const { loads } of sets.slice(0, 4)) {
      expect(loads).toContain('bandsaw');
      expect((await checkTern(loads.join(','))).status).toBe(0);
    }
  });

  it('tells one change away, one circuit, any order and other ranks apart, and each holds as `check` says', async () => {
    const sets = async (...more: string[]) => {
      const { stdout } = await heliarch('sets', 'demo/tern.json', '--supply', 'battery', '--json', ...more);
      return valid('sets', stdout) as {
        sets: { loads: string[]; headroom: { amount: number } }[];
        oneChangeAway: { does: string; loads: string[] }[];
      };
    };
    const { sets: found, oneChangeAway } = await sets('--with', 'bandsaw', '--one-change');
    const [shore] = oneChangeAway.filter(({ does }) => does.includes('Connect Shore 30 A'));
    expect(shore?.loads.length).toBeGreaterThan(found[0]!.loads.length);
    const onShore = ['check', 'demo/tern.json', '--supply', 'shore-30', '--on', shore!.loads.join(',')];
    expect((await heliarch(...onShore)).status).toBe(0);
    const { sets: anyOrder } = await sets('--with', 'bandsaw', '--any-order');
    for (const { loads } of anyOrder.slice(0, 3))
      expect((await checkTern(loads.join(','), '--order', 'any')).status).toBe(0);
    const { sets: galley } = await sets('--circuit', 'galley');
    expect(galley.flatMap(({ loads }) => loads)).not.toContain('bandsaw');
    const bad = await heliarch('sets', 'demo/tern.json', '--supply', 'battery', '--rank', 'beauty');
    expect([bad.status, bad.stderr]).toEqual([2, jasmine.stringMatching(/^--rank: "beauty" is not known/)]);
  });

  it('gives each pair in both directions', async () => {
    const { stdout } = await heliarch('pairs', 'demo/tern.json', '--supply', 'battery', '--json');
    const { pairs } = valid('pairs', stdout) as {
      pairs: { starts: string; runs: string; verdict: string }[];
    };
    const one = (starts: string, runs: string) =>
      pairs.find((pair) => pair.starts === starts && pair.runs === runs)?.verdict;
    expect([one('bandsaw', 'extractor'), one('extractor', 'bandsaw')]).toEqual([
      'likely-trips',
      'likely-trips',
    ]);
    const { stdout: text } = await heliarch('pairs', 'demo/tern.json', '--supply', 'battery');
    expect(text).toMatch(/Likely trips\s+bandsaw starts while extractor runs/);
  });

  it('says what makes a set fit, and each way holds as `check` says', async () => {
    const args = [
      'fit',
      'demo/tern.json',
      '--supply',
      'battery',
      '--on',
      'bandsaw,fridge',
      '--want',
      'roof-air',
    ];
    const { status, stdout, stderr } = await heliarch(...args, '--json');
    expect(status).toBe(0);
    expect(stderr).toMatch(/^\d+ of \d+$/m);
    const { ways } = valid('fit', stdout) as { ways: { changes: { by: string }[]; does: string }[] };
    expect(ways[0]?.changes).toEqual([{ by: 'state', loadId: 'roof-air', stateId: 'fan' } as never]);
    expect((await checkTern('bandsaw,fridge,roof-air@fan')).status).toBe(0);
    expect(ways.map(({ does }) => does)).toContain('Switch the bandsaw off');
    expect((await checkTern('fridge,roof-air')).status).toBe(0);
    const { stdout: text } = await heliarch(...args);
    expect(text).toMatch(/^The roof air conditioner on fan only, 140 W\. Holds/m);
    expect(text).toMatch(/^Would not help: More battery\./m);
  });

  it('says which sizes are enough, with a margin to grow', async () => {
    const args = ['size', 'demo/tern.json', '--supply', 'battery', '--on', 'kettle,oven', '--grow', '25'];
    const { stdout, stderr } = await heliarch(...args, '--json');
    expect(stderr).toMatch(/^\d+ of \d+$/m);
    const { sizes } = valid('size', stdout) as {
      sizes: { part: string; unit: string; seconds: number | null; has: number; needs: number }[];
    };
    const [watts] = sizes.filter(({ part, unit }) => part === 'inverter' && unit === 'W');
    // 2,880 W as entered, plates up to a tenth more, and a quarter to grow.
    expect(watts?.needs).toBeGreaterThan(2880 * 1.25);
    expect(watts?.needs).toBeLessThanOrEqual(2880 * 1.1 * 1.25 + 10);
    const { stdout: text } = await heliarch(...args);
    expect(text).toMatch(/^too small {2}Inverter, for hours: /m);
    const bad = await heliarch(...args.slice(0, -1), 'much');
    expect([bad.status, bad.stderr]).toEqual([2, jasmine.stringMatching(/^--grow: "much" is no margin/)]);
  });

  it('plans a day, and says of what has no place why', async () => {
    const args = ['plan', 'demo/tern.json', '--rounds', '4'];
    const { status, stdout, stderr } = await heliarch(...args, '--json');
    expect(status).toBe(0);
    expect(stderr).toMatch(/^4 of 4$/m);
    const { placed, of, unplaced, moments } = valid('plan', stdout) as {
      placed: number;
      of: number;
      unplaced: { job: string; answer: string }[];
      moments: { verdict: string }[];
    };
    expect([placed, of, unplaced[0]?.job, unplaced[0]?.answer]).toEqual([14, 15, 'water', 'impossible']);
    expect(moments.every(({ verdict }) => verdict === 'holds')).toBe(true);
    const { stdout: text } = await heliarch(...args);
    expect(text).toMatch(/^14 of 15 placed\. Lowest charge/);
    expect(text).toMatch(/^09:00 to 10:30 {2}Saw the ribs/m);
    expect(text).toMatch(/^ {2}From 19:00 to 20:05: the battery does not feed it\./m);
    const bad = await heliarch('plan', 'demo/tern.json', '--day', 'sunday');
    expect([bad.status, bad.stderr]).toEqual([2, jasmine.stringMatching(/^--day: "sunday" is not in this/)]);
  });

  it('says what tests measured, which numbers they give, and what they change: of a rig file and of a log', async () => {
    const { status, stdout } = await heliarch('log', 'demo/tern.json', '--test', 'extractor-until-evening');
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Lasts until .*, between .* and .*$/m);
    expect(stdout).toMatch(/^Gives: Dust extractor, running: 820 -> 900 W/m);
    expect(stdout).toMatch(/^Changes: Dust extractor and Water heater, Shore 15 A, shared: Trips/m);
    const folder = mkdtempSync(join(tmpdir(), 'heliarch-log-'));
    const log = join(folder, 'fridge.csv');
    const watts = (minute: number) => (minute % 40 < 10 ? 90 : 2);
    const time = (minute: number) => new Date(Date.UTC(2026, 5, 11, 0, minute)).toISOString();
    const lines = Array.from({ length: 300 }, (_, minute) => `${time(minute)};${watts(minute)},0`);
    writeFileSync(log, ['time;power [W]', ...lines, 'nonsense;1'].join('\n'));
    const read = await heliarch('log', log, '--rig', 'demo/tern.json', '--load', 'fridge', '--json');
    const [test] = (JSON.parse(read.stdout) as { tests: { headline: string; readings: number }[] }).tests;
    expect([test?.headline, test?.readings]).toEqual(['Runs 25 % of the time', 300]);
    expect(read.stderr).toBe('1 lines could not be read in full, the first of them line 302.\n');
    rmSync(folder, { recursive: true });
    const bad = await heliarch('log', 'demo/tern.json', '--test', 'none');
    expect([bad.status, bad.stderr]).toEqual([2, jasmine.stringMatching(/^--test: "none" is not in this/)]);
  });

  it('says what a nameplate holds, what it asks, and what it becomes in a rig', async () => {
    const saw = 'TABLE SAW\n5 HP 120V 60Hz 15A 3450 RPM';
    const asked = await heliarch('plate', saw);
    expect(asked.stdout).toMatch(/^A load: table saw/);
    expect(asked.stdout).toContain('Asked: 5 hp is more than 15 A can give');
    const rig = ['--rig', 'demo/tern.json', '--json', '--answer', 'more-at-the-shaft=other'];
    const { stdout } = await heliarch('plate', saw, ...rig);
    const report = JSON.parse(stdout) as {
      values: { quantity: string; line: number }[];
      entry: { parts: { runningFrom: { amps: { value: number; basis: string; note: string } } }[] };
    };
    expect(report.values.find(({ quantity }) => quantity === 'amps')?.line).toBe(2);
    expect(report.entry.parts[0]?.runningFrom.amps).toEqual({ value: 15, basis: 'nameplate', note: '15A' });
    const bad = await heliarch('plate', saw, '--volts', 'many');
    expect([bad.status, bad.stderr]).toEqual([2, jasmine.stringMatching(/^--volts: "many" is no voltage/)]);
  });

  it('names an option that asks for what is not there', async () => {
    const { status, stderr } = await heliarch(
      'sets',
      'demo/tern.json',
      '--supply',
      'battery',
      '--with',
      'sow',
    );
    expect([status, stderr]).toEqual([2, jasmine.stringMatching(/^--with: "sow" is not in this rig/)]);
  });
});
