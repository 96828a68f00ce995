import type { Phase } from './phase';

/** What of a phase its curve is drawn from. */
export type DrawnPhase = Pick<Phase, 'kind' | 'startS' | 'endS' | 'fromPct' | 'toPct'>;

/** As fine as a curve is drawn that stands among many. */
const columns = 80;

/**
 * The course of a whole session for a drawing a thumb wide: what is held, pressed and drawn, in so many columns, like ones in one.
 *
 * Model:  a column has the greatest effort either way that falls into it, and is held where any of it is.
 * Shape:  a phase without effort at the start and the end, so that the length stays; between them the runs, what is held first.
 */
export function smallCurve(phases: readonly Phase[]): DrawnPhase[] {
  const [startS, endS] = [phases[0]?.startS ?? 0, phases.at(-1)?.endS ?? 0];
  const widthS = (endS - startS) / columns;
  if (widthS <= 0) return [];
  const tracks = { hold: new Array<number>(columns).fill(0), press: new Array<number>(columns).fill(0), draw: new Array<number>(columns).fill(0) }; // prettier-ignore
  for (const p of phases) {
    const kind = p.kind === 'hold' || p.kind === 'settle' ? 'hold' : p.fromPct + p.toPct > 0 ? 'press' : 'draw';
    const height = Math.max(Math.abs(p.fromPct), Math.abs(p.toPct));
    if (kind !== 'hold' && height === 0) continue;
    const last = Math.max(Math.floor((p.startS - startS) / widthS), Math.ceil((p.endS - startS) / widthS) - 1);
    for (let x = Math.floor((p.startS - startS) / widthS); x <= Math.min(last, columns - 1); x++)
      tracks[kind][x] = Math.max(tracks[kind][x]!, kind === 'hold' ? 1 : height);
  }
  const still = (atS: number): DrawnPhase => ({ kind: 'rest', startS: atS, endS: atS, fromPct: 0, toPct: 0 });
  const at = (x: number) => Math.round(startS + x * widthS);
  const runs = (['hold', 'press', 'draw'] as const).flatMap((kind) =>
    runsOf(tracks[kind]).map(([from, to, height]): DrawnPhase => {
      const pct = kind === 'hold' ? 0 : kind === 'press' ? height : -height;
      return { kind, startS: at(from), endS: at(to), fromPct: pct, toPct: pct };
    })
  );
  return [still(startS), ...runs, still(endS)];
}

/** Runs of one value that is not zero: from a column up to another, and the value. */
function runsOf(values: readonly number[]): [from: number, to: number, value: number][] {
  const runs: [number, number, number][] = [];
  for (const [x, value] of values.entries()) {
    const last = runs.at(-1);
    if (value === 0) continue;
    if (last && last[1] === x && last[2] === value) last[1] = x + 1;
    else runs.push([x, x + 1, value]);
  }
  return runs;
}
