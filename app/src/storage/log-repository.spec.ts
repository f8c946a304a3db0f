import { TestBed } from '@angular/core/testing';
import { newTest, withReading, type LogTest } from '@heliarch/core/logbook';
import { firstValueFrom } from 'rxjs';
import { LogRepository } from './log-repository';
import { LogDatabase } from './rig-database';
import { joinedTests } from './rig-files';
import { RigRepository } from './rig-repository';

const DAY_MS = 86_400_000;
const begun = newTest({ id: 'run', kind: 'run-down', question: 'How long?', begunAtS: 0 });
const read = (test: LogTest, id: string, atS: number) => withReading(test, { id, atS, percent: 90 });

/** A storage of tests, beside rigs of which some may be gone. */
function setUp(rigs: readonly string[]) {
  const database = new LogDatabase(`tests-${crypto.randomUUID()}`);
  const kept = { rows: () => Promise.resolve(rigs.map((id) => ({ id }))) };
  TestBed.configureTestingModule({
    providers: [
      { provide: LogDatabase, useValue: database },
      { provide: RigRepository, useValue: kept },
    ],
  });
  const repository = TestBed.inject(LogRepository);
  const put = (rigId: string, test: LogTest, serial: number) =>
    repository.keep({ rigId, id: test.id, serial, savedAt: serial, test });
  return { database, repository, put, kept };
}

describe('the storage of tests', () => {
  it('loses no reading of two tabs that read at once, whichever comes first', async () => {
    const { put, repository } = setUp(['van']);
    await put('van', begun, 1);
    await put('van', read(begun, 'mine', 10), 2);
    await put('van', read(begun, 'theirs', 5), 2);
    const [row] = await firstValueFrom(repository.changes$('van'));
    expect((row!.test as LogTest).readings.map(({ id }) => id)).toEqual(['theirs', 'mine']);
    expect(row!.serial).toBe(3);
  });

  it('keeps the tests of a rig that is gone for a day, as it may be put back', async () => {
    const { database, repository, put, kept } = setUp(['van']);
    await put('van', begun, 1);
    await put('gone', begun, 1);
    await repository.tidy(10 * DAY_MS);
    await repository.tidy(10.9 * DAY_MS);
    expect(await database.tests.count()).toBe(2);
    kept.rows = () => Promise.resolve([{ id: 'van' }, { id: 'gone' }]);
    await repository.tidy(20 * DAY_MS);
    kept.rows = () => Promise.resolve([{ id: 'van' }]);
    await repository.tidy(21 * DAY_MS);
    expect(await database.tests.count())
      .withContext('put back, and deleted once more')
      .toBe(2);
    await repository.tidy(22.1 * DAY_MS);
    expect((await database.tests.toArray()).map(({ rigId }) => rigId)).toEqual(['van']);
  });

  it('has of each test the newer version, that of a file or that of this browser; what was taken out stays out', () => {
    const filed = (id: string, changedAtMs?: number) => ({
      id,
      from: 'file',
      ...(changedAtMs && { changedAtMs }),
    });
    const row = (id: string, savedAt: number, isThere = true) => ({
      id,
      savedAt,
      test: isThere ? { id, from: 'here' } : undefined,
    });
    const joined = joinedTests(
      [filed('only-filed'), filed('newer', 9), filed('older', 3), filed('demo'), filed('taken-out', 3)],
      [row('newer', 5), row('older', 5), row('demo', 5), row('taken-out', 5, false), row('only-here', 5)],
    ) as { id: string; from: string }[];
    expect(joined.map(({ id, from }) => `${id} ${from}`)).toEqual([
      'only-filed file',
      'newer file',
      'older here',
      'demo here',
      'only-here here',
    ]);
  });
});
