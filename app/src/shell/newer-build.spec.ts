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
    expect(notices.notice()).toBeUndefined();
    versionUpdates.next({
      type: 'VERSION_READY',
      currentVersion: { hash: 'old' },
      latestVersion: { hash: 'new' },
    });
    expect(notices.notice()?.text).toBe('A newer build is ready.');
    expect(notices.notice()?.action?.label).toBe('Reload to use it');
  });
});
