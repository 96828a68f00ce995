import { headlineMeasures } from './headlineMeasures';
import type { Measure } from './measure';
import { motionMeasures } from './motionMeasures';

/** Everything that can be measured. */
export const measures: readonly Measure[] = [...headlineMeasures, ...motionMeasures];

const byId = new Map(measures.map((m) => [m.id, m]));

export function measureOf(id: string): Measure {
  const measure = byId.get(id);
  if (!measure) throw new RangeError(`no measure ${id}`);
  return measure;
}
