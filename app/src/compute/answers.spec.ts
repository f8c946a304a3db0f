import { TestBed } from '@angular/core/testing';
import { compile, outlooksOf, type WorthLookingUp } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { firstValueFrom, lastValueFrom, Subject } from 'rxjs';
import { smallRig } from '../storage/small-rig.testing';
import { Answers, type Answer } from './answers';
import { latest } from './latest';

const scene = { supply: 'battery', on: [{ load: 'kettle' }] };
const manyLoads = (count: number): Rig => {
  const rig = smallRig();
  const [load] = rig.loads;
  const loads = Array.from({ length: count }, (_, index) => ({
    ...load!,
    id: `more-${index}`,
    name: `More ${index}`,
  }));
  return { ...rig, loads: [...rig.loads, ...loads] };
};

/** So many that every outlook looks long for what makes room. */
const halfOf = ({ loads }: Rig) => loads.slice(0, loads.length / 2).map(({ id }) => ({ load: id }));

describe('the answers of the worker', () => {
  const answers = () => TestBed.inject(Answers);

  it('are those of the core on this thread', async () => {
    const rig = smallRig();
    const last = await lastValueFrom(answers().ask('tick', rig, 'outlooks', { ...scene, on: [] }));
    expect(last).toEqual({ status: 'given', value: outlooksOf(compile(rig), { ...scene, on: [] }) });
  });

  it('tell what went wrong, and the worker goes on', async () => {
    const last = await lastValueFrom(
      answers().ask('tick', smallRig(), 'outlooks', { supply: 'none', on: [] }),
    );
    expect(last).toEqual({ status: 'failed', problem: 'The rig has no supply none' });
    const then = await lastValueFrom(answers().ask('tick', smallRig(), 'outlooks', { ...scene, on: [] }));
    expect(then.status).toBe('given');
  });

  it('drop a stale question: only the newest is answered, however long the one before takes', async () => {
    const door = answers();
    const rigs = new Subject<Rig>();
    const about: number[] = [];
    const done = new Promise<void>((resolve) => {
      latest(rigs, (rig) =>
        door.ask('tick', rig, 'outlooks', { supply: 'battery', on: halfOf(rig) }),
      ).subscribe(({ given, newest }) => {
        if (newest.status !== 'given') return;
        about.push(given?.about.loads.length ?? 0);
        resolve();
      });
    });
    rigs.next(manyLoads(2000));
    await new Promise((resolve) => setTimeout(resolve, 150));
    const small = smallRig();
    rigs.next(small);
    await done;
    expect(about).toEqual([small.loads.length]);
  });

  it('say how far a long one is', async () => {
    const rig = manyLoads(120);
    const seen: Answer<readonly WorthLookingUp[]>[] = [];
    const asked = answers().ask('search', rig, 'worthLookingUp', { supply: 'battery', on: [] });
    await new Promise<void>((resolve) => {
      const waiting = asked.subscribe((answer) => {
        seen.push(answer);
        if (answer.status === 'given' || (answer.status === 'asked' && answer.of > 0)) {
          waiting.unsubscribe();
          resolve();
        }
      });
    });
    expect(await firstValueFrom(answers().ask('tick', smallRig(), 'outlooks', { ...scene, on: [] }))).toEqual(
      {
        status: 'asked',
        done: 0,
        of: 0,
      },
    );
    expect(seen[0]).toEqual({ status: 'asked', done: 0, of: 0 });
  });
});
