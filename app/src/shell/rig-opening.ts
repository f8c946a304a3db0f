import { inject, Injectable, signal } from '@angular/core';
import { problemLines, readRigFile, type Rig, type Validation, freeName } from '@heliarch/core/rig';
import { RigFiles } from '../storage/rig-files';
import { RigRepository } from '../storage/rig-repository';
import { RigSession } from '../storage/rig-session';
import { RigShelf } from '../storage/rig-shelf';
import { nameOf, type FoundRig } from '../storage/stored-rig';
import { Notices, type Notice } from './notices';

/** What a hand may do about entries that share an id. */
export const OWN_IDS = 'Give each its own id, and open it';

/** A rig that came in under the id of one that is here: the user says which stays. */
export interface SameId {
  readonly rig: Rig;
  readonly from: string;
  readonly found: FoundRig;
}

/** Opens rigs that come from outside, and never puts one in the place of another unasked. */
@Injectable({ providedIn: 'root' })
export class RigOpening {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  private readonly repository = inject(RigRepository);
  private readonly session = inject(RigSession);
  private readonly shelf = inject(RigShelf);
  private readonly asked = signal<SameId | undefined>(undefined);

  /** What the user is asked about now. */
  readonly sameId = this.asked.asReadonly();

  /** Goes to another rig, but not away from work that this browser does not keep. */
  leave(go: () => void): void {
    const rig = this.session.rig();
    if (!rig || !this.session.hasUnkeptWork()) {
      go();
      return;
    }
    const saveAndGo = (): void => {
      this.files.save(rig);
      go();
    };
    this.notices.tell({
      text: `This browser does not keep ${rig.name}: it would be gone.`,
      action: { label: `Save ${rig.name} to a file and go on`, run: saveAndGo },
    });
  }

  async openFile(file: File): Promise<void> {
    this.take(await this.files.read(file), file.name);
  }

  /** Opens the text of a rig file that came another way. */
  openText(text: string, from: string): void {
    this.take(readRigFile(text), from);
  }

  /** Puts the rig that came in in the place of the one that is here. */
  async replace({ rig, from, found }: SameId): Promise<void> {
    this.cancel();
    const putBack = await this.shelf.replace(rig);
    const name = found.isReadable ? found.rig.name : found.name;
    this.notices.tell({
      text: `Opened ${rig.name} from ${from}, in the place of the one that was here.`,
      ...(await unknownFieldsIn(rig)),
      action: { label: `Put ${name} back as it was`, run: putBack },
    });
  }

  /** Keeps the rig that came in beside the one that is here. */
  async keepBoth({ rig, from }: SameId): Promise<void> {
    this.cancel();
    const names = (await this.repository.rows()).map(nameOf);
    const name = freeName(rig.name, names);
    this.shelf.openNew({ ...rig, name });
    this.notices.tell({
      text: `Opened ${name} from ${from}; the other one is still here.`,
      ...(await unknownFieldsIn(rig)),
    });
  }

  cancel(): void {
    this.asked.set(undefined);
  }

  private take(read: Validation<Rig>, from: string): void {
    if (read.ok) {
      this.leave(() => void this.bringIn(read.value, from));
      return;
    }
    const { problems, mended } = read;
    this.notices.tell({
      text: `${from} was not opened; nothing has changed.`,
      details: problemLines(problems),
      ...(mended && {
        action: { label: OWN_IDS, run: () => this.leave(() => void this.bringIn(mended, from)) },
      }),
    });
  }

  private async bringIn(rig: Rig, from: string): Promise<void> {
    const { found } = await this.shelf.bringIn(rig);
    if (found) this.asked.set({ rig, from, found });
    else this.notices.tell({ text: `Opened ${rig.name} from ${from}.`, ...(await unknownFieldsIn(rig)) });
  }
}

/** Said once: a slip in the name of a field takes its number out of every check. */
async function unknownFieldsIn(rig: Rig): Promise<Pick<Notice, 'details'>> {
  const { unknownFieldsOf } = await import('@heliarch/core/describe');
  const unknown = unknownFieldsOf(rig);
  return unknown.length === 0
    ? {}
    : {
        details: unknown.map(
          (path) => `${path} is not a field of a rig: it is kept, and counts for nothing. A typing slip?`,
        ),
      };
}
