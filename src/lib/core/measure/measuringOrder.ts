import { bodyPositions, type BodyPosition, type Measure } from './measure';

export type PositionGroup = Readonly<{ position: BodyPosition; measures: readonly Measure[] }>;

/**
 * Measures grouped so that the client changes position as few times as possible.
 *
 * Model:  the smallest set of positions in which every measure can be taken, by trying all of them (there are few); among
 *         equals the one that takes most measures in their preferred position. Then each measure goes to the position it
 *         prefers among those. The order runs from standing to the floor, so that nobody gets up again in between.
 */
export function measuringOrder(measures: readonly Measure[]): PositionGroup[] {
  if (measures.length === 0) return [];
  let best: { positions: BodyPosition[]; preferred: number } | null = null;
  for (let mask = 1; mask < 1 << bodyPositions.length; mask++) {
    const positions = bodyPositions.filter((_, i) => mask & (1 << i));
    if (!measures.every((m) => m.positions.some((p) => positions.includes(p)))) continue;
    const preferred = measures.filter((m) => positions.includes(m.positions[0]!)).length;
    const fewer = !best || positions.length < best.positions.length;
    if (fewer || (positions.length === best!.positions.length && preferred > best!.preferred)) best = { positions, preferred };
  }
  const chosen = best!.positions;
  return chosen.map((position) => ({
    position,
    measures: measures.filter((m) => m.positions.find((p) => chosen.includes(p)) === position)
  }));
}
