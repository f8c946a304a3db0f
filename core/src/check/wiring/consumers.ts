import { atVolts, betweenPhases, onModifiedSine } from '../../loads/at-volts.js';
import { consumerOf, type Consumer } from '../../loads/consumer.js';
import { systemOfLoad } from '../../loads/voltage-of-load.js';
import type { Interval } from '../../units/quantity.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Rig, Supply } from '../../rig-file/schema.js';
import type { FedLoad } from './fed-loads.js';

/** Volts between two legs of a 208 V service over those of a 240 V one. */
const WYE_OVER_OPPOSED = 208 / 240;

/** A load as what feeds it makes it: at the volts of the source, or on the inverter's wave. */
export function fedConsumer(rig: Rig, supply: Supply, entry: FedLoad, stateId?: string): Consumer {
  const consumer = consumerOf(entry.load, systemOfLoad(rig, entry.load), stateId);
  const [feed] = entry.feeds;
  if (feed.by === 'source') {
    const fed = atVolts(consumer, voltageShare(supply, entry));
    return isBetweenPhases(entry) ? betweenPhases(fed) : fed;
  }
  const isModified = feed.by === 'inverter' && feed.converter.waveform === 'modified-sine';
  return isModified ? onModifiedSine(consumer) : consumer;
}

const isBetweenPhases = ({ poles, feeds }: FedLoad): boolean =>
  poles.length > 1 && feeds[0].phase === 'wye-208';

/** Voltage at a load over its nominal voltage; where none was read, the nominal one. */
export function voltageShare(supply: Supply, entry: FedLoad): Interval {
  const between = isBetweenPhases(entry) ? WYE_OVER_OPPOSED : 1;
  if (!supply.volts) return { lo: between, stated: between, hi: between };
  const { lo, stated, hi } = intervalOf(supply.volts, 'running');
  const share = (volts: number): number => (volts / entry.bus.volts) * between;
  return { lo: share(lo), stated: share(stated), hi: share(hi) };
}
