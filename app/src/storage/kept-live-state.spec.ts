import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Rig } from '@heliarch/core/rig';
import { withSwitchedOn } from '@heliarch/core/now';
import { BehaviorSubject } from 'rxjs';
import { KeptLiveState } from './kept-live-state';
import { RigRepository } from './rig-repository';
import { RigSession } from './rig-session';
import { smallRig } from './small-rig.testing';

/** A storage of one rig, and a second tab that writes into it; one that is slow takes no write in. */
function ticksOn(kept: unknown, isSlow = false) {
  const rig = signal<Rig | undefined>(smallRig());
  const stored = new BehaviorSubject<unknown>(kept);
  const written: unknown[] = [];
  TestBed.configureTestingModule({
    providers: [
      { provide: RigSession, useValue: { rig } },
      {
        provide: RigRepository,
        useValue: {
          beside$: () => stored,
          keepBeside: (_id: string, _what: string, value: unknown) => {
            if (isSlow) return new Promise(() => undefined);
            written.push(value);
            stored.next(value);
            return Promise.resolve();
          },
        },
      },
    ],
  });
  const ticks = TestBed.inject(KeptLiveState);
  TestBed.tick();
  return { ticks, rig, stored, written };
}

const [first] = smallRig().loads;
const tick = (ticks: KeptLiveState, label?: string) =>
  ticks.change((at, rig) => withSwitchedOn(rig, at, first?.id ?? '', 1000), label);

describe('own ticks', () => {
  beforeEach(() => localStorage.clear());

  it('are kept as they are made, and can be taken back once', async () => {
    const { ticks, written } = ticksOn(undefined);
    expect(ticks.at()?.on).toEqual([]);
    tick(ticks, 'the first on');
    expect(ticks.at()?.on.map(({ load }) => load)).toEqual([first?.id ?? '']);
    expect(ticks.lastChange()).toBe('the first on');
    ticks.takeBack();
    expect(ticks.at()?.on).toEqual([]);
    expect(ticks.lastChange()).toBeUndefined();
    await new Promise((resolve) => setTimeout(resolve));
    expect(written.length).toBe(2);
  });

  it('of two tabs are the newer ones; an older write that comes in late changes nothing', () => {
    const { ticks, stored } = ticksOn(undefined);
    tick(ticks);
    const mine = ticks.at();
    stored.next({ serial: 0, at: { ...mine, on: [] } });
    expect(ticks.at()?.on.length).toBe(1);
    stored.next({ serial: 7, at: { ...mine, on: [] } });
    expect(ticks.at()?.on.length).toBe(0);
  });

  it('that cannot be read are said, and stay until something is ticked', () => {
    const { ticks, written } = ticksOn({ serial: 3, at: 'nonsense' });
    expect(ticks.isUnreadable()).toBeTrue();
    expect(ticks.at()?.on).toEqual([]);
    expect(written).toEqual([]);
    tick(ticks);
    expect(ticks.isUnreadable()).toBeFalse();
  });

  it('are there again where the page was closed before the storage had them', () => {
    tick(ticksOn({ serial: 4, at: undefined }, true).ticks);
    TestBed.resetTestingModule();
    const { ticks, stored } = ticksOn({ serial: 4, at: undefined });
    expect(ticks.at()?.on.length).toBe(1);
    stored.next({ serial: 9, at: { ...ticks.at(), on: [] } });
    expect(ticks.at()?.on.length).toBe(0);
  });
});
