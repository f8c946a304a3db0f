import type { Rig } from '@heliarch/core/rig';

/** The least that is a rig. */
export function smallRig(name = 'Small'): Rig {
  return {
    format: 'heliarch-rig',
    version: 2,
    id: 'small',
    name,
    buses: [
      { id: 'dc', name: 'Battery', kind: 'dc', volts: 12 },
      { id: 'out', name: 'Output', kind: 'ac', volts: 120, hertz: 60 },
    ],
    sources: [],
    converters: [
      {
        id: 'inverter',
        name: 'Inverter',
        kind: 'inverter',
        from: 'dc',
        to: 'out',
        continuousW: { value: 2000, basis: 'data-sheet' },
        continuousVA: { value: 2000, basis: 'data-sheet' },
        tiers: [{ limit: { value: 4000, basis: 'data-sheet' }, unit: 'VA', seconds: 5 }],
      },
    ],
    batteries: [
      { id: 'bank', name: 'Bank', bus: 'dc', ampHours: { value: 100, basis: 'nameplate' }, dischargeA: 1000 },
    ],
    circuits: [{ id: 'main', name: 'Main', bus: 'out', protection: { amps: 20, curve: 'ul-489' } }],
    loads: [
      {
        id: 'kettle',
        name: 'Kettle',
        circuit: 'main',
        usage: 'left-on',
        parts: [{ id: 'main', kind: 'resistance-cooker', runningW: { value: 1200, basis: 'measured' } }],
      },
      {
        id: 'saw',
        name: 'Saw',
        circuit: 'main',
        usage: 'during-work',
        parts: [
          {
            id: 'main',
            kind: 'split-phase-motor',
            runningW: { value: 500, basis: 'measured' },
            start: { va: { value: 3000, basis: 'measured' }, seconds: { value: 0.6, basis: 'measured' } },
          },
        ],
      },
    ],
    supplies: [{ id: 'battery', name: 'On battery', sources: [] }],
    scenes: [{ id: 'now', name: 'Now', supply: 'battery', on: [] }],
  };
}
