import { addAc, type AcSum, type AcTerm, type Demand } from '../loads/apparent-power.js';
import { plainDemand } from './assist.js';
import type { StartOfPart } from '../loads/consumer.js';
import { leastAt } from './legs.js';
import { addStart } from '../loads/start/start-sum.js';

/**
 * On a 208 V service a load between two legs stands at 30 degrees to what is on one leg alone, ahead on one leg and
 * behind on the other: which, nobody knows.
 */
const TURNED = Math.PI / 6;

/**
 * Sums consumers on one conductor, some of which may stand between two phases of a 208 V service.
 *
 * @returns W, VA and var. Source: physics; methods.md, rule 12.
 *
 * @example
 * // 1,200 VA of heat on the leg beside 1,200 VA of a motor at power factor 0.87 between the legs: up to 2,400 VA
 */
export function addOnLeg(terms: readonly AcTerm[]): AcSum {
  const between = terms.filter((term) => term.isBetweenPhases);
  if (between.length === 0) return addAc(terms);
  return addTurned(addAc(terms.filter((term) => !term.isBetweenPhases)), addAc(between));
}

/**
 * What a conductor sees while one part starts and the rest of the set runs.
 *
 * @returns W, VA and var. Source: as `addStart` and `addOnLeg`.
 */
export function addStartOnLeg(rest: readonly AcTerm[], start: StartOfPart): AcSum {
  const turned = rest.filter((term) => term.isBetweenPhases !== start.isBetweenPhases);
  if (turned.length === 0 && !start.isBetweenPhases) return addStart(rest, start);
  const own = addStart(
    rest.filter((term) => term.isBetweenPhases === start.isBetweenPhases),
    start,
  );
  return start.isBetweenPhases ? addTurned(addOnLeg(turned), own) : addTurned(own, addAc(turned));
}

/**
 * At worst the turn brings both sums together, so that their volt-amps add; at best it takes them apart. As entered the
 * watts are those of both legs by half.
 */
function addTurned(one: AcSum, between: AcSum): AcSum {
  const [along, across] = [Math.cos(TURNED), Math.sin(TURNED)];
  const mixed = (own: Demand, turned: Demand, other: Demand): Demand =>
    plainDemand(
      own.lo + Math.max(0, turned.lo * along - other.hi * across),
      own.stated + turned.stated * along,
      own.hi + turned.hi * along + other.hi * across,
    );
  const isAlone = one.va.hi === 0;
  const apart = Math.max(0, most(one) - least(between), most(between) - least(one)) + TURNED;
  return {
    watts: mixed(one.watts, between.watts, between.nonActive),
    va: plainDemand(
      isAlone ? between.va.lo : leastAt(one.va.lo, between.va.lo, Math.min(Math.PI, apart)),
      one.va.stated + between.va.stated,
      one.va.hi + between.va.hi,
    ),
    nonActive: mixed(one.nonActive, between.nonActive, between.watts),
  };
}

const least = ({ watts, nonActive }: AcSum): number => Math.atan2(nonActive.lo, watts.hi);
const most = ({ watts, nonActive }: AcSum): number => Math.atan2(nonActive.hi, watts.lo);
