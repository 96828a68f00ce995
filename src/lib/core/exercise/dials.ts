import type { Dial, DialId, Exercise, Setting } from './exercise';
import type { Rung } from '../props/ladder';

/** Where a dial stands and where it would go next; null at its end. */
export type DialState = Readonly<{ id: DialId; unit: Dial['unit']; at: number; harder: number | null; easier: number | null }>;

export type DialRange = Readonly<{ rungs: readonly Rung[]; effortCapPct: number; flatIsEnd: boolean }>;

/**
 * The dials of an exercise at one setting, in the order they are moved.
 *
 * Model:  a depth moves along the ladder's rungs (easier is up, harder down and past flat); the others by their step,
 *         an effort never past the client's cap, a depth never past flat where a limit says so.
 */
export function dialStates(exercise: Exercise, setting: Setting, range: DialRange): DialState[] {
  return exercise.dials.flatMap((dial): DialState[] => {
    const at = setting[dial.id];
    if (at === undefined) return [];
    const next = dial.id === 'depthCm' ? depthNeighbours(at, range) : stepNeighbours(dial, at, range);
    return [{ id: dial.id, unit: dial.unit, at, ...next }];
  });
}

function depthNeighbours(at: number, { rungs, flatIsEnd }: DialRange): Pick<DialState, 'harder' | 'easier'> {
  const depths = rungs.map((rung) => rung.depthCm);
  const deeper = depths.filter((d) => d < at - 1e-9 && !(flatIsEnd && d < 0));
  const higher = depths.filter((d) => d > at + 1e-9);
  return { harder: deeper.length ? Math.max(...deeper) : null, easier: higher.length ? Math.min(...higher) : null };
}

function stepNeighbours(dial: Dial, at: number, { effortCapPct }: DialRange): Pick<DialState, 'harder' | 'easier'> {
  const max = dial.id === 'effortPct' ? Math.min(dial.max, effortCapPct) : dial.max;
  const up = at + dial.step <= max + 1e-9 ? at + dial.step : null;
  const down = at - dial.step >= dial.min - 1e-9 ? at - dial.step : null;
  return dial.harder === 'up' ? { harder: up, easier: down } : { harder: down, easier: up };
}
