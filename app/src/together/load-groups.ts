import type { NumberStyle } from '@heliarch/core/units';
import {
  followersOf,
  leaderOf,
  LOAD_FAMILIES,
  loadOf,
  theLoad,
  wattsCounted,
  type Load,
  type LoadFamily,
  type Rig,
  type Scene,
  loadSummary,
} from '@heliarch/core/rig';
import { listNames, outlookWords, type CheckResult, type Outlook, type Verdict } from '@heliarch/core/check';
import type { Basis, Quantity } from '@heliarch/core/units';

/** One row of the load list. */
export interface LoadRow {
  readonly load: Load;
  readonly isOn: boolean;
  readonly stateId: string | undefined;
  /** Place in the switching order; none for loads that start by themselves or are not fed. */
  readonly place: number | undefined;
  readonly watts: number;
  readonly family: LoadFamily;
  readonly runningBasis: Basis;
  /** The largest start of its parts, VA. */
  readonly start: Quantity | undefined;
  /** Why it runs on nothing here although it is on. */
  readonly notFed: string | undefined;
  /** Which load that is on it starts with: "the bandsaw". */
  readonly follows: string | undefined;
  /** The tools before whose restart it is switched off. */
  readonly habit: string | undefined;
  readonly outlook: OutlookLine | undefined;
}

/** Whether a load that is off can be switched on now. */
export interface OutlookLine {
  readonly mark: OutlookMark;
  readonly words: string;
}

type OutlookMark = Verdict | 'later' | 'not-fed' | 'beside' | 'worse';

const MARKS: Record<Outlook['answer'], OutlookMark> = {
  'can-start': 'holds',
  tight: 'tight',
  'likely-trips': 'likely-trips',
  later: 'later',
  beside: 'beside',
  worse: 'worse',
  'not-here': 'not-fed',
};

export interface LoadGroup {
  readonly family: LoadFamily;
  /** Running watts of what is on in this group, as stated. */
  readonly watts: number;
  readonly rows: readonly LoadRow[];
}

/** The loads by family, each with its place in the start order or its outlook. */
export function groupLoads(
  style: NumberStyle,
  rig: Rig,
  scene: Pick<Scene, 'on'>,
  result: CheckResult,
  notFed: ReadonlyMap<string, string>,
  outlooks: ReadonlyMap<string, Outlook>,
): readonly LoadGroup[] {
  const places = new Map(result.order.map((consumer, index) => [consumer.load.id, index + 1]));
  const rows = rig.loads.map((load): LoadRow => {
    const on = scene.on.find((entry) => entry.load === load.id);
    const outlook = outlooks.get(load.id);
    const summary = loadSummary(rig, load);
    const leader = on && leaderOf(rig, scene.on, load.id);
    return {
      load,
      isOn: on !== undefined,
      stateId: on?.state,
      place: places.get(load.id),
      watts: wattsCounted(rig, load, on?.state),
      family: summary.family,
      runningBasis: summary.running.basis,
      start: summary.start,
      notFed: notFed.get(load.id),
      habit: on?.offAtRestartOf && listNames(on.offAtRestartOf.map((id) => theLoad(loadOf(rig, id).name))),
      follows: leader && theLoad(loadOf(rig, leader).name),
      outlook: outlook && lineOf(style, rig, load, outlook, result.verdict !== 'holds'),
    };
  });
  return LOAD_FAMILIES.map((family) => groupOf(family, rows)).filter((group) => group.rows.length > 0);
}

/** Beside a set in trouble nothing is marked as holding: what fits there fits beside it, what trips alone is no. */
function lineOf(
  style: NumberStyle,
  rig: Rig,
  load: Load,
  outlook: Outlook,
  isInTrouble: boolean,
): OutlookLine {
  if (isInTrouble && outlook.answer === 'can-start') return { mark: 'beside', words: 'fits beside it' };
  const isNo = outlook.answer === 'later' && outlook.after === undefined && outlook.inState === undefined;
  return {
    mark: isInTrouble && isNo ? 'trips' : MARKS[outlook.answer],
    words: `${outlookWords(style, rig, load, outlook)}${withFollowers(rig, load, outlook)}`,
  };
}

/** ", the dust extractor with it", where it can start and something starts with it. */
function withFollowers(rig: Rig, load: Load, { answer }: Outlook): string {
  const names = followersOf(rig, load.id).map((id) => theLoad(loadOf(rig, id).name));
  return answer === 'can-start' && names.length > 0 ? `, ${listNames(names)} with it` : '';
}

function groupOf(family: LoadFamily, rows: readonly LoadRow[]): LoadGroup {
  const own = rows.filter((row) => row.family === family);
  const watts = own.filter((row) => row.isOn && !row.notFed).reduce((sum, row) => sum + row.watts, 0);
  return { family, watts, rows: own };
}
