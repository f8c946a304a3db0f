import { kindOfPart } from '../reference/kinds-of-parts.js';
import { fieldName } from './field-names.js';
import type { RigProblem } from './problems.js';
import type { Part, Rig } from './schema.js';

/** Parts that say nothing to compute with: neither a number nor anything it follows from. */
export function checkCompleteness(rig: Rig): readonly RigProblem[] {
  return rig.loads.flatMap((load, i) =>
    load.parts.flatMap((part, j) => {
      const path = `loads[${i}].parts[${j}]`;
      return [...runningProblems(rig, path, part), ...startProblems(rig, path, part)];
    }),
  );
}

function runningProblems(rig: Rig, path: string, { runningW, runningFrom }: Part): readonly RigProblem[] {
  const problem = problemAt(rig, `${path}.runningW`);
  if (runningW) return [];
  const from = runningFrom ?? {};
  const follows = from.amps ?? from.va ?? from.horsepower ?? from.coolingW ?? from.cookingW ?? from.chargeA;
  if (follows === undefined)
    return [problem('is missing; give watts, or amps, VA, horsepower, cooling capacity or cooking power')];
  return from.chargeA && !from.amps && from.volts === undefined
    ? [problem('cannot follow from the charge current alone; give the volts it charges at')]
    : [];
}

function startProblems(rig: Rig, path: string, part: Part): readonly RigProblem[] {
  const { start, kind } = part;
  if (!start) return [];
  if (start.none === 'yes')
    return isNeverWithoutStart(part) ? [problemAt(rig, `${path}.start.none`)(NOT_NONE)] : [];
  if (start.va) return belowRunning(rig, `${path}.start.va`, start.va.value, part);
  if (kindOfPart(kind).startMultiple) return [];
  const { inrushA, lockedRotorA, ratedLoadA, horsepower } = start.from ?? {};
  return (inrushA ?? lockedRotorA ?? ratedLoadA ?? horsepower) === undefined
    ? [problemAt(rig, `${path}.start`)('is missing; give its VA, or the amps on its nameplate')]
    : [];
}

function belowRunning(rig: Rig, path: string, startVA: number, part: Part): readonly RigProblem[] {
  const runs = statedVA(part);
  if (runs === undefined || startVA >= runs) return [];
  const message = `is below the ${Math.round(runs)} it draws running; give what the clamp showed in all: the "max" of a plug-in meter is only "at least"`;
  return [problemAt(rig, path)(message)];
}

/** What it draws running at the least, VA, where that is entered outright. */
function statedVA({ runningW, runningFrom }: Part): number | undefined {
  const { amps, va, volts } = runningFrom ?? {};
  return runningW?.value ?? va?.value ?? (amps && volts !== undefined ? amps.value * volts : undefined);
}

const NOT_NONE =
  'cannot be "yes" for a motor or compressor: its rotor starts from rest; leave it out, or choose a variable-speed kind';

/** A rotor that starts from rest without anything that softens it. */
function isNeverWithoutStart({ kind, start }: Part): boolean {
  const isSoft = start?.soft !== undefined || start?.softStarter === 'yes';
  return kindOfPart(kind).startTorqueShare !== undefined && !isSoft;
}

function problemAt(rig: Rig, path: string) {
  return (message: string): RigProblem => ({ path, field: fieldName(path, rig), message });
}
