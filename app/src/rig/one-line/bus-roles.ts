import type { Bus, Converter, Rig } from '@heliarch/core/rig';

/** Whether a converter feeds a bus. */
export const isOutput = (rig: Rig, bus: Bus): boolean => rig.converters.some(({ to }) => to === bus.id);

/** Whether a converter takes AC from a bus. */
export function takesFrom(converter: Converter, busId: string): boolean {
  return converter.passThroughFrom === busId || (converter.kind === 'charger' && converter.from === busId);
}
