import type { Work } from './rig-repository';

/**
 * A rig that is open, with the revision it follows on. What is saved of it is saved as this rig's, whatever
 * is opened afterwards.
 */
export class OpenRig {
  /** What is still to be saved; later work takes the place of earlier. */
  unsaved: Work | undefined;
  /** What is on its way into the storage. */
  saving: Work | undefined;
  isDeleted = false;

  /** @param revision Undefined for a rig that this browser does not keep yet. */
  constructor(
    public id: string,
    public revision?: number,
  ) {}

  /** Goes on under another id, since its own is taken. */
  rename(id: string): void {
    this.id = id;
    if (this.unsaved) this.unsaved = { ...this.unsaved, rig: { ...this.unsaved.rig, id } };
  }
}
