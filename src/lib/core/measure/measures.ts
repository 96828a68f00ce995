import { headlineMeasures } from './headlineMeasures';
import type { Measure } from './measure';
import { motionMeasures } from './motionMeasures';
import { positionOf } from './positions';
import type { WayId } from './ways';

/** A picture reads what its position allows: a height, or an angle with or without a line. */
function photoWays(measureId: string): readonly WayId[] {
  const { photo } = positionOf(measureId);
  if (!photo) return [];
  if (photo.kind === 'height') return ['photo height'];
  return photo.from === 'other' ? ['photo'] : ['photo', 'photo, line guessed'];
}

/** Everything that can be measured. */
export const measures: readonly Measure[] = [...headlineMeasures, ...motionMeasures].map((m) => ({
  ...m,
  ways: [...m.ways, ...photoWays(m.id)]
}));

/** Whether the values of a measure are signed depths: below zero is past flat, by a raise of its own. */
export const isSignedDepth = ({ ways }: Pick<Measure, 'ways'>): boolean => ways.includes('raise');

const byId = new Map(measures.map((m) => [m.id, m]));

export function measureOf(id: string): Measure {
  const measure = byId.get(id);
  if (!measure) throw new RangeError(`no measure ${id}`);
  return measure;
}
