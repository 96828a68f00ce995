import { exerciseFrom, exercises, ringThrough, CoreError, type Dial, type Exercise, type LinkId, type StackUse } from '$lib/core';
import { dialKinds, type OwnDial, type OwnExerciseInput } from '$lib/contract/exerciseForms';
import type { Database, Db } from '../db/db';
import {
  insertOwnExercise,
  listOwnExercises,
  listUsersOf,
  updateOwnExercise,
  updateOwnExerciseRemoved
} from '../repo/exerciseRepo';

/** Every exercise of the studio: those that ship, then its own. */
export const loadCatalogue = async (db: Db): Promise<readonly Exercise[]> => [...exercises, ...(await listOwnExercises(db))];

/** Throws: CoreError 'not_found'. */
export function exerciseIn(catalogue: readonly Exercise[], id: string): Exercise {
  const found = catalogue.find((e) => e.id === id);
  if (!found) throw new CoreError('not_found', { what: 'exercise' });
  return found;
}

/**
 * A new exercise of the studio's own, from nothing or from a copy. What a copy loads, stretches and is stopped for stays with it:
 * the form can only add.
 */
export async function addExercise(db: Database, input: OwnExerciseInput, copyOf: string | null): Promise<string> {
  return db.transaction(async (tx) => {
    const catalogue = await loadCatalogue(tx);
    const base = copyOf === null ? null : exerciseIn(catalogue, copyOf);
    const exercise = exerciseOfInput(input, 'own_new', base);
    requireNeighbours(exercise, catalogue);
    return insertOwnExercise(tx, exercise, base && copyOf);
  });
}

export async function changeExercise(db: Database, id: string, input: OwnExerciseInput): Promise<void> {
  await db.transaction(async (tx) => {
    const catalogue = await loadCatalogue(tx);
    const exercise = exerciseOfInput(input, id, exerciseIn(catalogue, id));
    requireNeighbours(exercise, catalogue);
    await updateOwnExercise(tx, id, exercise);
  });
}

/** Throws: CoreError 'exercise_in_use' with the people in whose week it stands; 'not_found'. */
export async function removeExercise(db: Db, id: string, now: Date): Promise<void> {
  const users = await listUsersOf(db, id);
  if (users.length > 0) throw new CoreError('exercise_in_use', { people: users.join(', ') });
  await updateOwnExerciseRemoved(db, id, now.toISOString());
}

/** Throws: CoreError 'own_neighbour' for one that names itself, 'neighbour_ring' for a ring through others, 'not_found'. */
function requireNeighbours(exercise: Exercise, catalogue: readonly Exercise[]): void {
  const named = [...exercise.harder, ...exercise.easier];
  if (named.includes(exercise.id)) throw new CoreError('own_neighbour', {});
  for (const id of named) exerciseIn(catalogue, id);
  const others = catalogue.filter((e) => e.id !== exercise.id);
  const ring = ringThrough(exercise, others);
  if (ring) throw new CoreError('neighbour_ring', { through: exerciseIn(others, ring[1]!).name });
}

const ownFamily = 'Own exercises';

function exerciseOfInput(input: OwnExerciseInput, id: string, base: Exercise | null): Exercise {
  const { clothing, notFelt, mistakes, props, dials, links, ...plain } = input;
  const made = dials.filter((d) => d !== null).map((d, i) => dialOf(d, i, base));
  const written = exerciseFrom(
    {
      ...plain,
      id,
      links: links as LinkId[],
      ...(notFelt && { notFelt }),
      ...(clothing && { clothing }),
      ...(base?.pose && { pose: base.pose }),
      ...(base?.standardTerm && { standardTerm: base.standardTerm }),
      ...(base?.press && { press: base.press }),
      ...(base?.draw && { draw: base.draw }),
      positionOf: base?.positionOf ?? [],
      also: base?.also ?? [],
      variants: base?.variants ?? [],
      then: base?.then ?? [],
      doses: base?.doses ?? [],
      asks: (base?.asks ?? []).filter((a) => made.some((d) => d.id === a)),
      dials: made,
      mistakes: mistakes.map((line) => {
        const [mistake, ...fix] = line.split(':');
        return [mistake!.trim(), fix.join(':').trim() || 'Less.'] as const;
      }),
      props: props.map((p) => base?.props.find((b) => b.id === p) ?? { id: p, count: 1, optional: false })
    },
    ownFamily
  );
  if (!base) return written;
  const union = <T>(a: readonly T[], b: readonly T[]): T[] => [
    ...new Map([...a, ...b].map((x) => [JSON.stringify(x), x])).values()
  ];
  const start = Object.fromEntries(Object.entries(base.start).filter(([dial]) => made.some((d) => d.id === dial)));
  return {
    ...written,
    start: { ...written.start, ...start },
    loads: union(base.loads, written.loads),
    lines: base.lines,
    stops: union(base.stops, written.stops),
    traits: union(base.traits, written.traits)
  };
}

/** A dial of the form; one that was there before keeps its id, its stack and its start. */
function dialOf(own: OwnDial, index: number, base: Exercise | null): Dial {
  const { name, min, max, step, levels } = own;
  const known = base?.dials.find((d) => d.id === own.id);
  const standard = dialKinds[own.kind];
  const harder = own.kind === 'levels' ? 'up' : own.harder;
  const under = own.under ?? 'hands';
  const stack: StackUse | undefined =
    own.kind !== 'height'
      ? undefined
      : {
          ...(known?.stack ?? { bears: under === 'hands' || under === 'knees' ? 'light' : 'weight' }),
          under,
          pairs: under === 'hands' || under === 'knees' || under === 'heels' ? 2 : 1,
          higherIs: harder === 'down' ? 'easier' : 'harder'
        };
  return {
    id: known?.id ?? (standard.id || `${own.kind}${index + 1}`),
    name,
    unit: standard.unit,
    kind: own.kind === 'levels' ? 'level' : 'metric',
    harder,
    min,
    max,
    step,
    ...(levels && { levels }),
    ...(stack && { stack })
  };
}
