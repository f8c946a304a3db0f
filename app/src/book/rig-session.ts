import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core';
import { concatMap, Subject } from 'rxjs';
import { DemoRigs } from './demo-rigs';
import { RigRepository } from './rig-repository';

/** Where the work stands with what the browser keeps. */
export type Keeping =
  | { readonly state: 'saved'; readonly at: Date }
  | { readonly state: 'saving' }
  | { readonly state: 'not-kept'; readonly because: string };

export type SessionState =
  { readonly state: 'loading' } | { readonly state: 'empty' } | { readonly state: 'open'; readonly rig: Rig };

/** The rig that is open, and its way into the book: every change is kept as it is made. */
@Injectable({ providedIn: 'root' })
export class RigSession {
  private readonly repository = inject(RigRepository);
  private readonly demoRigs = inject(DemoRigs);
  private readonly current = signal<SessionState>({ state: 'loading' });
  private readonly keeping = signal<Keeping>({ state: 'saving' });
  private readonly changes = new Subject<Rig>();

  readonly state = this.current.asReadonly();
  readonly kept = this.keeping.asReadonly();
  readonly rig = computed(() => {
    const session = this.current();
    return session.state === 'open' ? session.rig : undefined;
  });

  constructor() {
    this.changes
      .pipe(
        concatMap((rig) => this.keep(rig)),
        takeUntilDestroyed(),
      )
      .subscribe((kept) => this.keeping.set(kept));
  }

  /** Opens what was saved last; an empty book is offered the demo rig where the server says so. */
  async start(): Promise<void> {
    try {
      const last = await this.repository.lastSaved();
      if (last) {
        this.current.set({ state: 'open', rig: last.rig });
        this.keeping.set({ state: 'saved', at: last.savedAt });
        return;
      }
    } catch (error) {
      this.keeping.set({ state: 'not-kept', because: reasonOf(error) });
    }
    const demo = await this.demoRigs.offered();
    if (demo) this.open(demo);
    else this.current.set({ state: 'empty' });
  }

  /** Opens a rig and keeps it. */
  open(rig: Rig): void {
    this.current.set({ state: 'open', rig });
    this.changes.next(rig);
  }

  /** Opens another rig of the book. */
  async openById(id: string): Promise<void> {
    const rig = await this.repository.byId(id);
    if (rig) this.open(rig);
  }

  /** Changes the open rig and keeps the result. */
  change(edit: (rig: Rig) => Rig): void {
    const rig = this.rig();
    if (rig) this.open(edit(rig));
  }

  private async keep(rig: Rig): Promise<Keeping> {
    try {
      return { state: 'saved', at: await this.repository.save(rig) };
    } catch (error) {
      return { state: 'not-kept', because: reasonOf(error) };
    }
  }
}

const reasonOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
