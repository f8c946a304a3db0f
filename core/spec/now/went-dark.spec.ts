import { newTrip, withStepDone, withTripBegun, withTripObserved } from '../../src/now/trip/trip-edits.js';
import { tripCauses } from '../../src/now/trip/trip-causes.js';
import { recoveryStepsOf } from '../../src/now/trip/recovery-steps.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { randomNumbers } from '../../src/day/plan/random-numbers.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';
import { simulatedTrip, type SimulatedTrip } from './simulated-trips.js';

/** The first hundred trips that the starts of random sets on the demo rigs lead to. */
function aHundredTrips(): readonly SimulatedTrip[] {
  const random = randomNumbers(20261130);
  const rigs = DEMO_NAMES.map(demoRig);
  const trips: SimulatedTrip[] = [];
  for (let turn = 0; trips.length < 100 && turn < 20_000; turn += 1) {
    const trip = simulatedTrip(rigs[turn % rigs.length]!, random);
    if (trip) trips.push(trip);
  }
  return trips;
}

describe('it went dark', () => {
  it('names the device that opened among the first two, 95 times in a hundred simulated trips', () => {
    const trips = aHundredTrips();
    expect(trips.length).toBe(100);
    const places = trips.map(({ rig, supply, on, started, observation, deviceId }) =>
      tripCauses(compile(rig), { supply, on }, started, observation).causes.findIndex(
        ({ device }) => device.id === deviceId,
      ),
    );
    expect(places.filter((place) => place === 0 || place === 1).length).toBeGreaterThanOrEqual(95);
  });

  const rig = demoRig('tern');
  const compiled = compile(rig);
  const seen = { went: 'all', stillOn: [], noticed: [], looked: [] } as const;
  const on = ['bandsaw', 'extractor', 'fridge', 'glue-pot', 'laptop', 'oven'].map((load) => ({ load }));
  const scene = { supply: 'battery', on };

  it('asks for the one look that tells the first two apart, and goes by it', () => {
    const observed = { ...seen, stillOn: [], noticed: [], pace: 'at-once' as const };
    const before = tripCauses(compiled, scene, 'oven', { ...observed, looked: [] });
    const look = before.look!;
    expect([look.yes.id, look.no.id].sort()).toEqual(
      before.causes
        .slice(0, 2)
        .map(({ device }) => device.id)
        .sort(),
    );
    for (const saw of ['yes', 'no'] as const) {
      const after = tripCauses(compiled, scene, 'oven', { ...observed, looked: [{ at: look.id, saw }] });
      expect(after.causes[0]?.device.id).toBe(look[saw].id);
      expect(after.look?.id).not.toBe(look.id);
    }
  });

  it('leads back by sets that the check lets run, and asks again for what had started', () => {
    const { causes } = tripCauses(compiled, scene, 'oven', { ...seen, stillOn: [], noticed: [], looked: [] });
    const steps = recoveryStepsOf(compiled, scene, 'oven', causes[0]!);
    expect(steps.map(({ step }) => step)).toEqual(['off', 'reset', 'wait', 'on', 'last']);
    const [again] = steps.flatMap((each) => (each.step === 'on' ? [each] : []));
    const back = [...again!.result.selfStarting, ...again!.result.order].map(({ load }) => ({
      load: load.id,
    }));
    expect(check(compiled, { supply: 'battery', on: back }).verdict).toBe('holds');
    const [last] = steps.flatMap((each) => (each.step === 'last' ? [each] : []));
    expect(last?.answer.answer).toBe('no');
    // The fridge has no soft starter: three minutes until its pressure has fallen (common practice).
    const [wait] = steps.flatMap((each) => (each.step === 'wait' ? [each] : []));
    expect(wait?.afterS).toBe(180);
  });

  it('switches off what must stay off: what was too much already, before anything was started', () => {
    const tooMuch = ['kettle', 'oven', 'hob', 'extractor', 'laptop'].map((load) => ({ load }));
    const set = { supply: 'battery', on: tooMuch };
    const steps = recoveryStepsOf(compiled, set, 'laptop', {
      device: tripCauses(compiled, set, 'laptop', { ...seen, stillOn: [], noticed: [], looked: [] })
        .causes[0]!.device,
      dark: tooMuch.map(({ load }) => load),
    });
    const off = steps.flatMap((each) => (each.step === 'off' ? each.loads.map(({ id }) => id) : []));
    const again = steps.flatMap((each) => (each.step === 'on' ? each.loads.map(({ id }) => id) : []));
    const leftOff = tooMuch.map(({ load }) => load).filter((id) => !again.includes(id));
    expect(leftOff.length).toBeGreaterThan(1);
    for (const id of leftOff) expect(off).toContain(id);
  });

  it('keeps what was on and what had just started, as it was', () => {
    const at = {
      supply: 'battery',
      on: [
        { load: 'fridge', sinceS: 0 },
        { load: 'kettle', sinceS: 900 },
      ],
      off: [],
      timers: [],
      trips: [],
      startsSeen: [],
    };
    const trip = newTrip(rig, at, 1000);
    expect(trip).toEqual(jasmine.objectContaining({ started: 'kettle', on: at.on, atS: 1000 }));
    const stepped = withStepDone(withTripBegun(at, trip), 1000, 0, true);
    expect(stepped.trips[0]?.done).toEqual([0]);
    // What is seen now may lead back another way.
    expect(withTripObserved(stepped, 1000, { pace: 'minutes' }).trips[0]?.done).toEqual([]);
  });
});
