import { createEnvironmentInjector, EnvironmentInjector } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Dexie } from 'dexie';
import { type Rig, withLoad, withPartNumber } from '@heliarch/core/rig';
import { firstValueFrom } from 'rxjs';
import { RigDatabase } from './rig-database';
import { DemoRigs } from './demo-rigs';
import { RigRepository } from './rig-repository';
import { OpenRigState } from './open-rig-state';
import { RigSaver } from './rig-saver';
import { RigSession } from './rig-session';
import { RigShelf } from './rig-shelf';
import { StorageQueue } from './storage-queue';
import { smallRig } from './small-rig.testing';

let databases = 0;

/** One tab of the browser on a book; a second one on the same name is another tab, or a reload. */
function setUp(offered: Rig | undefined, name = `book-${(databases += 1)}-${crypto.randomUUID()}`) {
  const database = new RigDatabase(name);
  const tab = createEnvironmentInjector(
    [
      { provide: RigDatabase, useValue: database },
      { provide: DemoRigs, useValue: { offered: () => Promise.resolve(offered) } },
      RigRepository,
      OpenRigState,
      RigSaver,
      RigSession,
      RigShelf,
      StorageQueue,
    ],
    TestBed.inject(EnvironmentInjector),
  );
  return {
    name,
    database,
    session: tab.get(RigSession),
    shelf: tab.get(RigShelf),
    repository: tab.get(RigRepository),
  };
}

async function until(condition: () => boolean | Promise<boolean>): Promise<void> {
  while (!(await condition())) await new Promise((resolve) => setTimeout(resolve, 5));
}

const switchKettle = (session: RigSession, isOn: boolean) =>
  session.change((rig) => withLoad(rig, 'now', 'kettle', isOn), { label: 'switch' });

const saved = (session: RigSession) => until(() => session.kept().state === 'saved');

/** A row as an older or newer build, or a defect, may have left it. */
const row = (id: string, more: object = {}) => ({
  id,
  name: `Row ${id}`,
  revision: 4,
  sequence: 1,
  savedAt: 0,
  document: { ...smallRig(), id },
  ...more,
});

const unreadableRow = (id: string, more: object = {}) =>
  row(id, { document: { ...smallRig(), id, version: 99, loads: 'of a later version' }, ...more });

const ticked = (session: RigSession) => session.rig()?.scenes[0]?.on.map((entry) => entry.load);

describe('the rig session', () => {
  it('puts the offered demo into an empty book, and never over what is there', async () => {
    const { session, name, shelf } = setUp(smallRig('Tern'));
    await shelf.start();
    session.change((rig) => ({ ...rig, name: 'Mine now' }), { label: 'rename' });
    await until(() => session.kept().state === 'saved');

    const later = setUp(smallRig('Tern'), name);
    await later.shelf.start();
    expect(later.session.rig()?.name).toBe('Mine now');
    expect(later.session.kept().state).toBe('saved');
  });

  for (const version of [1, 2])
    it(`opens what version ${version} kept, the rig that was saved last first`, async () => {
      const name = `book-${crypto.randomUUID()}`;
      const old = new Dexie(name);
      old.version(version).stores({ rigs: 'id, savedAt' });
      const savedAt = (day: number) => {
        const date = new Date(Date.UTC(2026, 5, day));
        return version === 1 ? date : date.getTime();
      };
      for (const [id, day] of [
        ['early', 1],
        ['late', 3],
        ['middle', 2],
      ] as const) {
        const document = { ...smallRig(id), id };
        await old.table('rigs').put({ id, name: id, revision: 3, savedAt: savedAt(day), document });
      }
      old.close();
      const { session, repository, shelf } = setUp(undefined, name);
      await shelf.start();
      expect(session.rig()?.name).toBe('late');
      const titles = await firstValueFrom(repository.titles$);
      expect(titles.map(({ id }) => id)).toEqual(['late', 'middle', 'early']);
    });

  it('begins with the rig that was open last, whatever the clock says', async () => {
    const { session, name, shelf } = setUp(smallRig('First'));
    await shelf.start();
    await saved(session);
    spyOn(Date, 'now').and.returnValue(0);
    shelf.openNew(smallRig('Second'));
    await saved(session);
    const { session: later, shelf: laterShelf } = setUp(undefined, name);
    await laterShelf.start();
    expect(later.rig()?.name).toBe('Second');
  });

  it('shows the empty book where no demo is offered', async () => {
    const { session, shelf } = setUp(undefined);
    await shelf.start();
    expect(session.state().state).toBe('empty');
  });

  it('keeps every change in the order it was made, the last one last', async () => {
    const { session, repository, database, shelf } = setUp(smallRig());
    await shelf.start();
    for (const isOn of [true, false, true]) switchKettle(session, isOn);
    await saved(session);
    const last = await repository.lastOpen();
    expect(last?.isReadable && last.rig.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
    expect(await database.rigs.count()).toBe(1);
  });

  it('is not behind where the page was closed in the middle of a save, and puts nothing over a later one', async () => {
    const { session, name, database, shelf } = setUp(smallRig('Tern'));
    await shelf.start();
    await saved(session);
    spyOn(database.rigs, 'put').and.callFake(() =>
      Dexie.Promise.resolve().then(() => new Promise(() => undefined)),
    );
    switchKettle(session, true);
    window.dispatchEvent(new Event('pagehide'));
    const next = setUp(undefined, name);
    await next.shelf.start();
    expect(ticked(next.session)).toEqual(['kettle']);
    await saved(next.session);
    switchKettle(next.session, false);
    await saved(next.session);
    window.dispatchEvent(new Event('pagehide'));
    const third = setUp(undefined, name);
    await third.shelf.start();
    expect(ticked(third.session)).toEqual([]);
  });

  it('goes on in memory where the browser keeps nothing, and says so', async () => {
    const { session, shelf } = setUp(smallRig());
    spyOn(IDBFactory.prototype, 'open').and.throwError(new DOMException('blocked', 'SecurityError'));
    await shelf.start();
    await until(() => session.kept().state === 'not-kept');
    switchKettle(session, true);
    expect(session.rig()?.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
  });

  it('leaves a rig that it cannot read as it is, shows it, and lets the demo have no power over it', async () => {
    const { session, database, repository, shelf } = setUp(smallRig('Tern'));
    await database.rigs.put(unreadableRow('small'));
    await shelf.start();
    const state = session.state();
    if (state.state !== 'unreadable') return fail(state.state);
    expect(state.found.name).toBe('Row small');
    expect(state.found.because.join()).toContain('saved by a newer Heliarch (file version 99)');
    expect(await database.rigs.toArray()).toEqual([unreadableRow('small')]);
    expect(await firstValueFrom(repository.titles$)).toEqual([
      { id: 'small', name: 'Row small', isReadable: false },
    ]);
    shelf.openNew(smallRig('Tern'));
    await saved(session);
    expect(session.rig()?.id).toMatch(/^small-[0-9a-f]{8}$/);
    expect(await database.rigs.get('small')).toEqual(unreadableRow('small'));
  });

  it('deletes a rig that it cannot read only by hand, and puts it back as it was', async () => {
    const { session, database, shelf } = setUp(undefined);
    await database.rigs.bulkPut([unreadableRow('a', { sequence: 2 }), unreadableRow('b')]);
    await shelf.start();
    const putBack = await shelf.remove();
    expect(session.state()).toEqual(jasmine.objectContaining({ state: 'unreadable' }));
    expect(await database.rigs.toCollection().primaryKeys()).toEqual(['b']);
    putBack?.();
    await until(async () => (await database.rigs.count()) === 2);
    expect((await database.rigs.get('a'))?.document).toEqual(unreadableRow('a').document);
  });

  it('asks before a file takes the place of a rig of its id; what is replaced can be put back', async () => {
    const { session, database, shelf } = setUp(smallRig('Mine'));
    await shelf.start();
    switchKettle(session, true);
    await saved(session);
    const id = session.rig()?.id ?? '';
    const theirs = { ...smallRig('Theirs'), id };
    const { found } = await shelf.bringIn(theirs);
    expect(found?.isReadable && found.rig.name).toBe('Mine');
    expect(session.rig()?.name).toBe('Mine');

    const putBack = await shelf.replace(theirs);
    expect(session.rig()?.name).toBe('Theirs');
    putBack();
    await until(() => session.rig()?.name === 'Mine');
    expect(session.undoLabel()).toBe('switch');
    expect(await database.rigs.count()).toBe(1);
    expect((await shelf.bringIn({ ...theirs, id: 'other' })).found).toBeUndefined();
    await saved(session);
    expect(await database.rigs.count()).toBe(2);
  });

  it('never stores what cannot be read again: the edit stands beside the rig, also after a reload', async () => {
    const { session, name, database, shelf } = setUp(smallRig());
    await shelf.start();
    await saved(session);
    const before = session.rig();
    session.change((rig) => ({ ...rig, loads: rig.loads.map((load) => ({ ...load, circuit: '' })) }), {
      label: 'move',
    });
    expect(session.rig()).toBe(before);
    const reason = 'Load "Kettle", circuit: is missing; give it an id such as "dust-extractor".';
    expect(session.refused()?.because).toContain(reason);
    switchKettle(session, true);
    await saved(session);
    const { session: later, shelf: laterShelf } = setUp(undefined, name);
    await laterShelf.start();
    expect(ticked(later)).toEqual(['kettle']);
    expect(later.refused()?.label).toBe('move');
    later.forgetRefused();
    await until(async () => (await database.rigs.toCollection().first())?.refused === undefined);
  });

  it('opens a rig whose steps are damaged without them, and says so', async () => {
    const { session, database, shelf } = setUp(undefined);
    const step = { label: 'x', undo: [{ op: 'replace', path: '/loads/77/name', value: 1 }], redo: [] };
    await database.rigs.bulkPut([
      row('a', { sequence: 3, history: { past: 'none' } }),
      row('b', { sequence: 2, history: { past: [step], future: [] } }),
    ]);
    await shelf.start();
    expect(session.rig()?.id).toBe('a');
    expect(session.isHistoryLost()).toBeTrue();
    await shelf.openById('b');
    expect(session.isHistoryLost()).toBeFalse();
    session.undo();
    expect(session.isHistoryLost()).toBeTrue();
    expect(session.rig()?.loads.length).toBe(2);
    expect(session.undoLabel()).toBeUndefined();
  });

  it('steps back and forward, also after a reload; typing one number is one step', async () => {
    const { session, name, shelf } = setUp(smallRig());
    await shelf.start();
    switchKettle(session, true);
    for (const watts of [1, 12, 123]) {
      const typed = { value: watts, basis: 'measured' } as const;
      session.change((rig) => withPartNumber(rig, 'saw', 'main', 'running', typed), {
        label: 'correct',
        key: 'saw',
      });
    }
    await until(() => session.kept().state === 'saved');

    const { session: reloaded, shelf: reloadedShelf } = setUp(undefined, name);
    await reloadedShelf.start();
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
    const { session: mine, shelf: mineShelf, name } = setUp(smallRig());
    await mineShelf.start();
    await until(() => mine.kept().state === 'saved');
    const { session: other, shelf: otherShelf } = setUp(undefined, name);
    await otherShelf.start();
    switchKettle(other, true);
    await until(() => ticked(mine)?.length === 1);

    mine.change((rig) => ({ ...rig, name: 'mine' }), { label: 'rename' });
    other.change((rig) => ({ ...rig, name: 'other' }), { label: 'rename' });
    await until(() => [mine, other].some((session) => session.kept().state === 'two-versions'));
    const loser = mine.kept().state === 'two-versions' ? mine : other;
    expect(loser.rig()?.name).toMatch(/^(mine|other)$/);
    (loser === mine ? mineShelf : otherShelf).keepMineAsCopy();
    await until(() => loser.kept().state === 'saved');
    expect(loser.rig()?.name).toMatch(/, copy$/);
  });

  it('says that another tab deleted the rig, and brings it back only as a copy', async () => {
    const { session: mine, shelf: mineShelf, name } = setUp(smallRig('Tern'));
    await mineShelf.start();
    await saved(mine);
    const { shelf: otherShelf, database } = setUp(undefined, name);
    await otherShelf.start();
    await otherShelf.remove();
    await until(() => mine.kept().state === 'deleted-elsewhere');
    switchKettle(mine, true);
    expect(await database.rigs.count()).toBe(0);
    mineShelf.keepMineAsCopy();
    await saved(mine);
    expect(mine.rig()?.name).toBe('Tern, copy');
    expect(ticked(mine)).toEqual(['kettle']);
    expect(await database.rigs.count()).toBe(1);
  });

  it('keeps its version as a copy when the user goes to another rig before deciding', async () => {
    const { session: mine, shelf: mineShelf, database } = setUp(smallRig('Tern'));
    await mineShelf.start();
    await saved(mine);
    const id = mine.rig()?.id ?? '';
    await database.rigs.put(row('b'));
    const stored = await database.rigs.get(id);
    if (stored) await database.rigs.put({ ...stored, revision: 7 });
    switchKettle(mine, true);
    await until(() => mine.kept().state === 'two-versions');
    await mineShelf.openById('b');
    await until(async () => (await database.rigs.count()) === 3);
    const copy = (await database.rigs.toArray()).find((each) => each.name === 'Tern, copy');
    expect((copy?.document as Rig).scenes[0]?.on).toEqual([{ load: 'kettle' }]);
  });

  it('leaves no work behind whose save met another tab only after the user had gone on', async () => {
    const { session, database, shelf } = setUp(smallRig('Tern'));
    await shelf.start();
    await saved(session);
    const id = session.rig()?.id ?? '';
    await database.rigs.put(row('b'));
    const stored = await database.rigs.get(id);
    if (stored) await database.rigs.put({ ...stored, revision: 7 });
    switchKettle(session, true);
    await shelf.openById('b');
    await until(async () => (await database.rigs.count()) === 3);
    const copy = (await database.rigs.toArray()).find((each) => each.name === 'Tern, copy');
    expect((copy?.document as Rig).scenes[0]?.on).toEqual([{ load: 'kettle' }]);
  });

  it('brings no deleted rig back by saves that still waited, and mistakes no quick switch for another tab', async () => {
    const { session, database, shelf } = setUp(smallRig('Tern'));
    await shelf.start();
    await saved(session);
    const first = session.rig()?.id ?? '';
    await database.rigs.put(row('b'));
    for (let time = 0; time < 20; time += 1) {
      switchKettle(session, time % 2 === 0);
      await shelf.openById('b');
      switchKettle(session, time % 2 === 0);
      expect(session.rig()?.id).toBe('b');
      await shelf.openById(first);
      expect(session.kept().state).not.toBe('two-versions');
    }
    for (const isOn of [true, false, true]) switchKettle(session, isOn);
    await shelf.remove();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(await database.rigs.toCollection().primaryKeys()).toEqual(['b']);
    expect(session.rig()?.id).toBe('b');
  });

  it('copies a rig beside itself, deletes one with its history, and puts it back', async () => {
    const { session, repository, shelf } = setUp(smallRig('Tern'));
    await shelf.start();
    switchKettle(session, true);
    shelf.duplicate(undefined);
    await until(() => session.kept().state === 'saved');
    expect(session.rig()?.name).toBe('Tern, copy');
    const copied = session.rig()?.id;

    const putBack = await shelf.remove();
    expect(session.rig()?.id).not.toBe(copied);
    expect(ticked(session)).toEqual(['kettle']);
    const alsoBack = await shelf.remove();
    expect(session.state().state).toBe('empty');
    expect(await repository.lastOpen()).toBeUndefined();

    alsoBack?.();
    await until(() => session.kept().state === 'saved' && session.state().state === 'open');
    expect(session.undoLabel()).toBe('switch');
    session.undo();
    expect(ticked(session)).toEqual([]);
    putBack?.();
    await until(() => session.rig()?.name === 'Tern, copy');
  });
});
