import { problemLines, type Rig, type RigProblem } from '@heliarch/core/rig';

/** An edit that would have left a rig that cannot be read again; it stands beside the rig, not in it. */
export interface RefusedEdit {
  /** What was done, in the words of its undo. */
  readonly label: string;
  readonly because: readonly string[];
  /** The rig as it would have been. */
  readonly document: unknown;
}

export function refusedEdit(label: string, document: Rig, problems: readonly RigProblem[]): RefusedEdit {
  return { label, because: problemLines(problems), document };
}
