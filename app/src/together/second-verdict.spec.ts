import { batteryClockOf, check, compile, dropOutOf, type CheckScene } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { onPage } from '../parts/on-page.testing';
import { SecondVerdict } from './second-verdict';

/** Shore through an inverter that charges and assists up to an input limit. */
function withShore(inputLimitA: number): Rig {
  const small = smallRig();
  return {
    ...small,
    buses: [...small.buses, { id: 'in', name: 'Inlet', kind: 'ac', volts: 120, hertz: 60 }],
    sources: [{ id: 'shore', name: 'Shore inlet', kind: 'inlet', bus: 'in' }],
    converters: small.converters.map((each) => ({
      ...each,
      kind: 'inverter-charger',
      passThroughFrom: 'in',
      canAssist: 'yes',
    })),
    supplies: [
      ...small.supplies,
      { id: 'shore', name: 'Shore', sources: ['shore'], inputLimitA, assist: 'on', charging: 'off' },
    ],
  };
}

function answers(
  rig: Rig,
  scene: CheckScene,
  charge?: { readonly percent: number; readonly readAt: string },
) {
  const result = check(compile(rig), scene);
  return onPage(SecondVerdict, () => ({
    rig,
    sourceName: 'shore',
    dropOut: dropOutOf(compile(rig), scene),
    clock: batteryClockOf(charge ? { charge } : {}, result),
    result,
  }));
}

const KETTLE = [{ load: 'kettle' }];
const BOTH = [{ load: 'kettle' }, { load: 'saw' }];

describe('what stands beside every verdict', () => {
  it('on battery is how fast it falls, and until when once the charge is known', () => {
    const scene = { supply: 'battery', on: KETTLE };
    const unread = answers(smallRig(), scene);
    expect(unread.text()).toMatch(/Falling 1\d\d A/);
    expect(unread.text()).toContain('Enter the charge');
    expect(unread.text()).not.toContain('drops out');
    const read = answers(smallRig(), scene, { percent: 80, readAt: new Date().toISOString() });
    expect(read.text()).toMatch(/reserve in \d+ min/);
  });

  it('does not count on a charge that was read long ago', () => {
    const scene = { supply: 'battery', on: KETTLE };
    const old = answers(smallRig(), scene, { percent: 80, readAt: '2026-01-01T12:00:00Z' });
    expect(old.text()).toContain('read it again');
    expect(old.text()).not.toContain('reserve in');
  });

  it('on a hookup is whether the inverter alone would carry it, with the working behind it', async () => {
    const holds = answers(withShore(30), { supply: 'shore', on: KETTLE });
    expect(holds.text()).toContain('If shore drops out');
    expect(holds.text()).toMatch(/Holds/);
    expect(holds.text()).toContain('Not drawn on');
    const trips = answers(
      {
        ...withShore(30),
        loads: withShore(30).loads.map((load) =>
          load.id === 'kettle'
            ? {
                ...load,
                parts: load.parts.map((part) => ({ ...part, runningW: { value: 2600, basis: 'measured' } })),
              }
            : load,
        ),
      },
      { supply: 'shore', on: BOTH },
    );
    expect(trips.text()).toMatch(/Trips (at once|within \d+ s)/);
    trips.press(/^Trips/);
    await trips.fixture.whenStable();
    expect(trips.text()).toMatch(/What went in\s*Kettle2,600.VA/);
  });

  it('draws on the battery for what the input limit does not let through', () => {
    const page = answers(withShore(5), { supply: 'shore', on: KETTLE });
    expect(page.text()).toMatch(/Falling \d/);
  });
});
