import { createEnvironmentInjector, EnvironmentInjector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Dexie } from 'dexie';
import { type Rig, withLoad, withPartNumber } from '@heliarch/core';
import { BookDatabase } from './book-database';
import { DemoRigs } from './demo-rigs';
import { RigRepository } from './rig-repository';
import { RigSession } from './rig-session';
import { smallRig } from './small-rig.spec-data';

let databases = 0;

/** One tab of the browser on a book; a second one on the same name is another tab, or a reload. */
function setUp(offered: Rig | undefined, name = `book-${(databases += 1)}-${crypto.randomUUID()}`) {
  const database = new BookDatabase(name);
  const tab = createEnvironmentInjector(
    [
      { provide: BookDatabase, useValue: database },
      { provide: DemoRigs, useValue: { offered: () => Promise.resolve(offered) } },
      RigRepository,
      RigSession,
    ],
    TestBed.inject(EnvironmentInjector),
  );
  return { name, database, session: tab.get(RigSession), repository: tab.get(RigRepository) };
}

async function until(condition: () => boolean | Promise<boolean>): Promise<void> {
  while (!(await condition())) await new Promise((resolve) => setTimeout(resolve, 5));
}

const switchKettle = (session: RigSession, isOn: boolean) =>
  session.change((rig) => withLoad(rig, 'now', 'kettle', isOn), { label: 'switch' });

const ticked = (session: RigSession) => session.rig()?.scenes[0]?.on.map((entry) => entry.load);

describe('the rig session', () => {
  it('puts the offered demo into an empty book, and never over what is there', async () => {
    const { session, name } = setUp(smallRig('Tern'));
    await session.start();
    session.change((rig) => ({ ...rig, name: 'Mine now' }), { label: 'rename' });
    await until(() => session.kept().state === 'saved');

    const later = setUp(smallRig('Tern'), name);
    await later.session.start();
    expect(later.session.rig()?.name).toBe('Mine now');
    expect(later.session.kept().state).toBe('saved');
  });

  it('opens a book of version 1, which kept dates as dates', async () => {
    const name = `book-${crypto.randomUUID()}`;
    const old = new Dexie(name);
    old.version(1).stores({ rigs: 'id, savedAt' });
    const savedAt = new Date('2026-06-01T08:00:00Z');
    const document = smallRig('From before');
    await old.table('rigs').put({ id: document.id, name: document.name, revision: 3, savedAt, document });
    old.close();
    const { session, repository } = setUp(undefined, name);
    await session.start();
    expect(session.rig()?.name).toBe('From before');
    expect((await repository.lastSaved())?.savedAt).toEqual(savedAt);
  });

  it('shows the empty book where no demo is offered', async () => {
    const { session } = setUp(undefined);
    await session.start();
    expect(session.state().state).toBe('empty');
  });

  it('keeps every change in the order it was made, the last one last', async () => {
    const { session, repository, database } = setUp(smallRig());
    await session.start();
    for (const isOn of [true, false, true]) switchKettle(session, isOn);
    await until(async () => (await database.rigs.get('small'))?.revision === 4);
    expect((await repository.lastSaved())?.rig.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
    expect(session.kept().state).toBe('saved');
  });

  it('goes on in memory where the browser keeps nothing, and says so', async () => {
    const { session, database } = setUp(smallRig());
    database.close({ disableAutoOpen: true });
    await session.start();
    await until(() => session.kept().state === 'not-kept');
    switchKettle(session, true);
    expect(session.rig()?.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
  });

  it('does not open what it cannot read', async () => {
    const { session, database } = setUp(undefined);
    await database.rigs.put({
      id: 'x',
      name: 'Broken',
      revision: 1,
      savedAt: Date.now(),
      document: { loads: 'none' },
    });
    await session.start();
    const kept = session.kept();
    expect(kept.state === 'not-kept' && kept.because).toContain('"Broken" in this browser cannot be read');
  });

  it('steps back and forward, also after a reload; typing one number is one step', async () => {
    const { session, name } = setUp(smallRig());
    await session.start();
    switchKettle(session, true);
    for (const watts of [1, 12, 123]) {
      const typed = { value: watts, basis: 'measured' } as const;
      session.change((rig) => withPartNumber(rig, 'saw', 'main', 'running', typed), {
        label: 'correct',
        key: 'saw',
      });
    }
    await until(() => session.kept().state === 'saved');

    const { session: reloaded, database } = setUp(undefined, name);
    await until(async () => ((await database.rigs.get('small'))?.revision ?? 0) >= 5);
    await reloaded.start();
    const watts = () => reloaded.rig()?.loads[1]?.parts[0]?.runningW?.value;
    expect(watts()).toBe(123);
    reloaded.undo();
    expect(watts()).toBe(500);
    expect(ticked(reloaded)).toEqual(['kettle']);
    reloaded.undo();
    expect(ticked(reloaded)).toEqual([]);
    expect(reloaded.undoLabel()).toBeUndefined();
    reloaded.redo();
    reloaded.redo();
    expect(watts()).toBe(123);
    expect(reloaded.redoLabel()).toBeUndefined();
  });

  it('shows what another tab saved, and overwrites nothing when both changed at once', async () => {
    const { session: mine, name } = setUp(smallRig());
    await mine.start();
    await until(() => mine.kept().state === 'saved');
    const { session: other } = setUp(undefined, name);
    await other.start();
    switchKettle(other, true);
    await until(() => ticked(mine)?.length === 1);

    mine.change((rig) => ({ ...rig, name: 'mine' }), { label: 'rename' });
    other.change((rig) => ({ ...rig, name: 'other' }), { label: 'rename' });
    await until(() => [mine, other].some((session) => session.kept().state === 'two-versions'));
    const loser = mine.kept().state === 'two-versions' ? mine : other;
    expect(loser.rig()?.name).toMatch(/^(mine|other)$/);
    loser.keepMineAsCopy();
    await until(() => loser.kept().state === 'saved');
    expect(loser.rig()?.name).toMatch(/, copy$/);
  });

  it('copies a rig beside itself, deletes one with its history, and puts it back', async () => {
    const { session, repository } = setUp(smallRig('Tern'));
    await session.start();
    switchKettle(session, true);
    session.duplicate();
    await until(() => session.kept().state === 'saved');
    expect(session.rig()?.name).toBe('Tern, copy');
    expect(session.rig()?.id).not.toBe('small');

    const putBack = await session.remove();
    expect(session.rig()?.id).toBe('small');
    expect(ticked(session)).toEqual(['kettle']);
    const alsoBack = await session.remove();
    expect(session.state().state).toBe('empty');
    expect(await repository.lastSaved()).toBeUndefined();

    alsoBack?.();
    await until(() => session.kept().state === 'saved');
    expect(session.undoLabel()).toBe('switch');
    session.undo();
    expect(ticked(session)).toEqual([]);
    putBack?.();
    await until(() => session.kept().state === 'saved');
    expect(session.rig()?.name).toBe('Tern, copy');
  });
});
