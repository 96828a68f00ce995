import type { Exercise } from './exercise';

/** A neighbour, and whether it is practised as a step or only read across exercises. */
export type Neighbour = Readonly<{ id: string; inferred: boolean }>;
type Named = Pick<Exercise, 'id' | 'harder' | 'harderInferred'> & Partial<Pick<Exercise, 'easier'>>;

/** Its harder neighbours: those it names, and those that name it as their easier one. */
const harderOf = (e: Named, catalogue: readonly Named[]): Neighbour[] => [
  ...e.harder.map((id) => ({ id, inferred: false })),
  ...e.harderInferred.map((id) => ({ id, inferred: true })),
  ...catalogue.filter((own) => own.easier?.includes(e.id)).map(({ id }) => ({ id, inferred: false }))
];

/** The easier and the harder neighbours of an exercise that are in the catalogue. */
export function neighboursOf(exercise: Named, catalogue: readonly Named[]): { easier: Neighbour[]; harder: Neighbour[] } {
  const known = new Set(catalogue.map((e) => e.id));
  return {
    easier: catalogue.flatMap((e) =>
      harderOf(e, catalogue)
        .filter((n) => n.id === exercise.id)
        .map(({ inferred }) => ({ id: e.id, inferred }))
    ),
    harder: harderOf(exercise, catalogue).filter((n) => known.has(n.id))
  };
}

/**
 * The row an exercise stands in, from easier to harder.
 *
 * Model:  from the exercise down its easier and up its harder neighbours, a step that is practised before one that is only read
 *         across; no exercise twice.
 */
export function chainOf(exercise: Named, catalogue: readonly Named[]): string[] {
  const byId = new Map(catalogue.map((e) => [e.id, e]));
  const chain = [exercise.id];
  const walk = (way: 'easier' | 'harder') => {
    for (let at: Named | undefined = exercise; at;) {
      const found: Neighbour[] = neighboursOf(at, catalogue)[way].filter((n) => !chain.includes(n.id));
      const next: Neighbour | undefined = found.find((n) => !n.inferred) ?? found[0];
      at = next && byId.get(next.id);
      if (at) chain[way === 'easier' ? 'unshift' : 'push'](at.id);
    }
  };
  walk('easier');
  walk('harder');
  return chain;
}

/**
 * The rows of a catalogue, each from easier to harder; an exercise may stand in several.
 *
 * Model:  a row from every exercise that has a harder neighbour and no easier one; a row stands once.
 */
export function chainsOf(catalogue: readonly Named[]): string[][] {
  const rows = catalogue
    .filter((e) => {
      const { easier, harder } = neighboursOf(e, catalogue);
      return easier.length === 0 && harder.length > 0;
    })
    .map((e) => chainOf(e, catalogue));
  const covered = new Set(rows.flat());
  const rest = catalogue.filter((e) => !covered.has(e.id) && neighboursOf(e, catalogue).harder.length > 0);
  const all = [...rows, ...rest.map((e) => chainOf(e, catalogue))];
  return [...new Map(all.map((row) => [row.join(), row])).values()];
}

/** Which of two exercises is the harder one, and by how many steps, where one leads to the other; null where they stand in no row together. */
export function harderOfTwo(catalogue: readonly Named[], a: string, b: string): { id: string; steps: number } | null {
  const [up, down] = [stepsTo(catalogue, a, b), stepsTo(catalogue, b, a)];
  if (up === null && down === null) return null;
  return down === null || (up !== null && up <= down) ? { id: b, steps: up! } : { id: a, steps: down };
}

/** Steps from one exercise to a harder one by the shortest way; null where none leads there. */
function stepsTo(catalogue: readonly Named[], from: string, to: string): number | null {
  const byId = new Map(catalogue.map((e) => [e.id, e]));
  const seen = new Set([from]);
  let at = [from];
  for (let steps = 1; at.length > 0; steps++) {
    at = at.flatMap((id) => harderOf(byId.get(id)!, catalogue).map((n) => n.id)).filter((id) => byId.has(id) && !seen.has(id));
    if (at.includes(to)) return steps;
    for (const id of at) seen.add(id);
  }
  return null;
}

/** An exercise that is its own harder neighbour, at once or through others: the ring it stands in; null where there is none. */
export function ringThrough(exercise: Named, catalogue: readonly Named[]): string[] | null {
  const all = [...catalogue.filter((e) => e.id !== exercise.id), exercise];
  const byId = new Map(all.map((e) => [e.id, e]));
  const seen = new Set<string>();
  const look = (id: string, path: string[]): string[] | null => {
    for (const next of harderOf(byId.get(id) ?? { id, harder: [], harderInferred: [] }, all)) {
      if (next.id === exercise.id) return [...path, next.id];
      if (seen.has(next.id)) continue;
      seen.add(next.id);
      const ring = look(next.id, [...path, next.id]);
      if (ring) return ring;
    }
    return null;
  };
  return look(exercise.id, [exercise.id]);
}
