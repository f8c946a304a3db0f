import { TestBed } from '@angular/core/testing';
import { type Rig, withLoad } from '@heliarch/core';
import { BookDatabase } from './book-database';
import { DemoRigs } from './demo-rigs';
import { RigRepository } from './rig-repository';
import { RigSession } from './rig-session';
import { smallRig } from './small-rig.spec-data';

let databases = 0;

function setUp(offered: Rig | undefined, name = `book-${(databases += 1)}-${crypto.randomUUID()}`) {
  TestBed.resetTestingModule();
  const database = new BookDatabase(name);
  TestBed.configureTestingModule({
    providers: [
      { provide: BookDatabase, useValue: database },
      { provide: DemoRigs, useValue: { offered: () => Promise.resolve(offered) } },
    ],
  });
  return { name, database, session: TestBed.inject(RigSession), repository: TestBed.inject(RigRepository) };
}

async function until(condition: () => boolean | Promise<boolean>): Promise<void> {
  while (!(await condition())) await new Promise((resolve) => setTimeout(resolve, 5));
}

describe('the rig session', () => {
  it('puts the offered demo into an empty book, and never over what is there', async () => {
    const { session, name } = setUp(smallRig('Tern'));
    await session.start();
    session.change((rig) => ({ ...rig, name: 'Mine now' }));
    await until(() => session.kept().state === 'saved');

    const later = setUp(smallRig('Tern'), name);
    await later.session.start();
    expect(later.session.rig()?.name).toBe('Mine now');
    expect(later.session.kept().state).toBe('saved');
  });

  it('shows the empty book where no demo is offered', async () => {
    const { session } = setUp(undefined);
    await session.start();
    expect(session.state().state).toBe('empty');
  });

  it('keeps every change in the order it was made, the last one last', async () => {
    const { session, repository, database } = setUp(smallRig());
    await session.start();
    for (const isOn of [true, false, true]) session.change((rig) => withLoad(rig, 'now', 'kettle', isOn));
    await until(async () => (await database.rigs.get('small'))?.revision === 4);
    expect((await repository.lastSaved())?.rig.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
    expect(session.kept().state).toBe('saved');
  });

  it('goes on in memory where the browser keeps nothing, and says so', async () => {
    const { session, database } = setUp(smallRig());
    database.close({ disableAutoOpen: true });
    await session.start();
    await until(() => session.kept().state === 'not-kept');
    session.change((rig) => withLoad(rig, 'now', 'kettle', true));
    expect(session.rig()?.scenes[0]?.on).toEqual([{ load: 'kettle' }]);
  });

  it('does not open what it cannot read', async () => {
    const { session, database } = setUp(undefined);
    await database.rigs.put({
      id: 'x',
      name: 'Broken',
      revision: 1,
      savedAt: new Date(),
      document: { loads: 'none' },
    });
    await session.start();
    const kept = session.kept();
    expect(kept.state === 'not-kept' && kept.because).toContain('"Broken" in this browser cannot be read');
  });
});
