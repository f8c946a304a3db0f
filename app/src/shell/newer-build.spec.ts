import { TestBed } from '@angular/core/testing';
import { SwUpdate, type VersionEvent } from '@angular/service-worker';
import { Subject } from 'rxjs';
import { NewerBuild } from './newer-build';
import { Notices } from './notices';

describe('a newer build', () => {
  it('is told once it is ready, not while it is fetched, and waits for the user', () => {
    const versionUpdates = new Subject<VersionEvent>();
    TestBed.configureTestingModule({ providers: [{ provide: SwUpdate, useValue: { versionUpdates } }] });
    const notices = TestBed.inject(Notices);
    TestBed.inject(NewerBuild);
    versionUpdates.next({ type: 'VERSION_DETECTED', version: { hash: 'new' } });
    expect(notices.shown()).toEqual([]);
    versionUpdates.next({
      type: 'VERSION_READY',
      currentVersion: { hash: 'old' },
      latestVersion: { hash: 'new' },
    });
    notices.tell({ text: 'Saved as tern.' });
    notices.tell({ text: 'Saved as marram.' });
    expect(notices.shown().map(({ text }) => text)).toEqual(['A newer build is ready.', 'Saved as marram.']);
    expect(notices.shown()[0]?.action?.label).toBe('Reload to use it');
  });
});
