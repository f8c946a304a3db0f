import type { Consumer } from '../../loads/consumer.js';
import { restartWaitOf } from '../../loads/start/restart-wait.js';
import { SAME_MOMENT_S } from '../../reference/rough-use.js';
import type { Load } from '../../rig-file/schema.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { decidingLimit } from '../../check/limits/limit-order.js';
import { atMostTight, withCause, type Limit } from '../../check/limits/limit.js';
import { situationOf, steadyLimitsOf, type CheckScene, type Situation } from '../../check/situation.js';
import { hasStart } from '../../loads/start/joined-start.js';
import { worstVerdict, type Verdict } from '../../check/verdict.js';

/** What restarts together after an outage, so long after the power is back. */
export interface Wave {
  readonly afterS: number;
  readonly loads: readonly Load[];
}

/** What happens when the power comes back to a set that was on. */
export interface PowerBack {
  readonly verdict: Verdict;
  readonly decider: Limit | undefined;
  readonly waves: readonly Wave[];
  /** What to switch off before it comes back, so that the rest holds; empty where it holds, or where nothing helps. */
  readonly switchOffFirst: readonly Load[];
}

/**
 * When power comes back, thermostats, pressure switches and whatever was left on start in the same moment;
 * restart waits and soft starters come later, those within five seconds of each other together. A tool whose switch is
 * not known to let go starts too at worst, and stays off as entered.
 *
 * @returns Undefined where nothing restarts. Source: methods.md 8 and rule 37; common practice.
 */
export function powerBackOf(compiled: CompiledRig, scene: CheckScene): PowerBack | undefined {
  const situation = situationOf(compiled.on(scene.supply), scene);
  const restarting = situation.consumers.filter(({ load }) => mayRestart(load));
  if (restarting.length === 0) return undefined;
  const usually = restarting.filter(({ load }) => usuallyRestarts(load));
  const limits =
    usually.length === restarting.length
      ? limitsOf(situation, restarting)
      : [...limitsOf(situation, usually), ...limitsOf(situation, restarting).map(atMostTight)];
  return {
    verdict: worstVerdict(limits.map((limit) => limit.verdict)),
    decider: decidingLimit(limits),
    waves: wavesOf(restarting).map(({ afterS, consumers }) => ({
      afterS,
      loads: consumers.map((consumer) => consumer.load),
    })),
    switchOffFirst: whatToSwitchOff(situation, restarting).map((consumer) => consumer.load),
  };
}

/** A switch that lets go as the power goes keeps its load off; of no other is that known. */
const mayRestart = ({ afterOutage }: Load): boolean => afterOutage !== 'stays-off';

/** A hand usually lets go of the switch of a tool: as entered it stays off, at worst it starts. */
const usuallyRestarts = (load: Load): boolean =>
  load.afterOutage === 'restarts' || (mayRestart(load) && load.usage !== 'during-work');

interface ConsumerWave {
  readonly afterS: number;
  readonly consumers: readonly Consumer[];
}

function wavesOf(restarting: readonly Consumer[]): readonly ConsumerWave[] {
  const byWait = [...restarting].sort((a, b) => restartWaitOf(a.load) - restartWaitOf(b.load));
  return byWait.reduce<readonly ConsumerWave[]>((waves, consumer) => {
    const last = waves.at(-1);
    const afterS = restartWaitOf(consumer.load);
    if (!last || afterS - last.afterS > SAME_MOMENT_S) return [...waves, { afterS, consumers: [consumer] }];
    return [...waves.slice(0, -1), { ...last, consumers: [...last.consumers, consumer] }];
  }, []);
}

function limitsOf(situation: Situation, restarting: readonly Consumer[]): readonly Limit[] {
  const running: Consumer[] = [];
  const starts: Limit[] = [];
  for (const { consumers } of wavesOf(restarting)) {
    running.push(...consumers);
    const starting = consumers.filter(hasStart);
    const [alone] = starting;
    // The parts of one load start as whenever it starts: what follows of them is no second load.
    if (starting.length === 1 && alone) starts.push(...situation.test(running, alone));
    else
      starts.push(...situation.testTogether(running, starting).map((limit) => withCause(limit, 'together')));
  }
  return [...steadyLimitsOf(situation, restarting), ...starts];
}

/** The largest starts first, protected loads never, until the rest holds. */
function whatToSwitchOff(situation: Situation, restarting: readonly Consumer[]): readonly Consumer[] {
  const holds = (rest: readonly Consumer[]): boolean =>
    limitsOf(situation, rest).every((limit) => limit.verdict === 'holds');
  if (holds(restarting)) return [];
  const candidates = restarting
    .filter(({ load }) => load.isProtected !== 'yes')
    .sort((a, b) => heaviness(b) - heaviness(a));
  const off: Consumer[] = [];
  for (const consumer of candidates) {
    off.push(consumer);
    if (holds(restarting.filter((each) => !off.includes(each)))) return off;
  }
  return [];
}

const heaviness = ({ parts }: Consumer): number =>
  parts.reduce((sum, part) => sum + (part.start?.va.value ?? part.running.watts.value), 0);
