import {
  exerciseFrom,
  moveRoles,
  usualRole,
  exercises,
  motionOf,
  ringThrough,
  CoreError,
  type Dial,
  type Dose,
  type Exercise,
  type ExerciseKind,
  type LinkId,
  type StackUse
} from '$lib/core';
import { dialKinds, doseFigureIds, type OwnDial, type OwnExerciseInput } from '$lib/contract/ownExercise';
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
    const exercise = exerciseOfInput(input, 'own_new', base, base);
    requireNeighbours(exercise, catalogue);
    return insertOwnExercise(tx, exercise, base && copyOf);
  });
}

export async function changeExercise(db: Database, id: string, input: OwnExerciseInput): Promise<void> {
  await db.transaction(async (tx) => {
    const catalogue = await loadCatalogue(tx);
    const own = exerciseIn(catalogue, id);
    const exercise = exerciseOfInput(input, id, own, originOf(own, catalogue));
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

/** What an own exercise was copied from; itself where that is in the library no more. */
function originOf(own: Exercise, catalogue: readonly Exercise[]): Exercise | null {
  const copyOf = 'copyOf' in own ? own.copyOf : null;
  return copyOf === null ? null : (catalogue.find((e) => e.id === copyOf) ?? own);
}

/**
 * An exercise as it was typed. Of `base`, as it stood, it keeps what the form does not ask; what `origin` loads and is stopped for
 * stays with a copy, whatever is typed.
 */
function exerciseOfInput(input: OwnExerciseInput, id: string, base: Exercise | null, origin: Exercise | null): Exercise {
  const { clothing, notFelt, felt, press, draw, pose, loads, otherLoads, doses, mistakes, props, dials, links, ...plain } = input;
  const isSamePose = base !== null && pose !== '' && base.pose === pose;
  const made = dialsOf(
    dials.filter((d) => d !== null),
    base
  );
  const written = exerciseFrom(
    {
      ...plain,
      id,
      ...movesOf(links as LinkId[], input.kinds, base),
      ...(notFelt && { notFelt }),
      ...(clothing && { clothing }),
      felt: felt || feltUsually(links as LinkId[]),
      ...(pose && { pose }),
      ...(isSamePose && base.path && { path: base.path }),
      ...(isSamePose && press && base.pressWays && { pressWays: base.pressWays }),
      ...(isSamePose && draw && base.drawWays && { drawWays: base.drawWays }),
      ...(base?.rests && { rests: base.rests }),
      ...(base?.tempo && { tempo: base.tempo }),
      ...(base?.reads && { reads: base.reads }),
      ...(base?.standardTerm && { standardTerm: base.standardTerm }),
      ...(press && { press }),
      ...(draw && { draw }),
      loads: [...loads, ...otherLoads.map((joint) => `other ${joint}` as const)],
      ...(base?.places && { places: base.places }),
      positionOf: base?.positionOf ?? [],
      then: base?.then ?? [],
      doses: dosesOf(doses, base?.doses ?? []),
      asks: (base?.asks ?? []).filter((a) => made.some((d) => d.id === a)),
      dials: made,
      mistakes: mistakes.map(({ mistake, fix }) => [mistake, fix] as const),
      props: props.map((p) => base?.props.find((b) => b.id === p) ?? { id: p, count: 1, optional: false })
    },
    ownFamily
  );
  const start = Object.fromEntries(Object.entries(base?.start ?? {}).filter(([dial]) => made.some((d) => d.id === dial)));
  const begun = { ...written, start: { ...written.start, ...start } };
  if (!origin) return begun;
  const union = <T>(a: readonly T[], b: readonly T[]): T[] => [
    ...new Map([...a, ...b].map((x) => [JSON.stringify(x), x])).values()
  ];
  return {
    ...begun,
    loads: union(origin.loads, begun.loads),
    lines: union(origin.lines, begun.lines),
    stops: union(origin.stops, begun.stops),
    traits: union(origin.traits, begun.traits)
  };
}

/** Where it is felt while nobody has said it: where its motions lie. */
const feltUsually = (links: readonly LinkId[]): string =>
  [...new Set(links.map((l) => `muscles around the ${motionOf(l).joint}`))].join(', ') || 'nowhere in particular';

/** Doses as they were typed; what one said beside its figures stays, and one whose figures were all taken out goes. */
function dosesOf(typed: readonly Dose[], before: readonly Dose[]): Dose[] {
  const kept = before.flatMap((dose): Dose[] => {
    const now = typed.find((d) => d.school === dose.school);
    const said = Object.fromEntries(Object.entries(dose).filter(([key]) => !doseFigureIds.some((f) => f === key)));
    return now ? [{ ...said, ...now }] : doseFigureIds.some((f) => dose[f] !== undefined) ? [] : [dose];
  });
  return [...kept, ...typed.filter((d) => before.every((b) => b.school !== d.school))];
}

/**
 * The motions of a copy stay on the limbs they were on; what is added is of the side's own limb. A motion that was taken out of what it
 * is for is still passed through.
 */
function movesOf(links: readonly LinkId[], kinds: readonly ExerciseKind[], base: Exercise | null) {
  const usual = usualRole(kinds);
  const moves = [
    ...(base?.moves ?? []).map((m) => ({
      ...m,
      role: !links.includes(m.motion) ? ('passes' as const) : base!.links.includes(m.motion) ? m.role : usual
    })),
    ...links
      .filter((l) => !base?.moves.some((m) => m.motion === l))
      .map((motion) => ({ motion, on: 'same' as const, role: usual }))
  ];
  return Object.fromEntries(
    moveRoles.map((role) => [
      role,
      moves.filter((m) => m.role === role).map(({ motion, on }) => (on === 'other' ? (`other ${motion}` as const) : motion))
    ])
  );
}

/** Dials of the form. One that was there before keeps its id, and its stack and start with it; a new one gets a free one. */
function dialsOf(rows: readonly OwnDial[], base: Exercise | null): Dial[] {
  const knownOf = ({ id, kind }: OwnDial) => base?.dials.find((d) => d.id === id && d.unit === dialKinds[kind].unit);
  const ids = rows.map((row) => knownOf(row)?.id ?? dialKinds[row.kind].id);
  return rows.map((row, i) => {
    if (ids[i] === '' || ids.indexOf(ids[i]!) < i) ids[i] = freeId(row.kind, ids);
    return dialOf(row, ids[i]!, knownOf(row));
  });
}

function freeId(kind: string, taken: readonly string[]): string {
  let n = 1;
  while (taken.includes(`${kind}${n}`)) n++;
  return `${kind}${n}`;
}

function dialOf({ kind, name, min, max, step, levels, ...own }: OwnDial, id: string, known: Dial | undefined): Dial {
  const harder = kind === 'levels' ? 'up' : own.harder;
  return {
    id,
    name,
    unit: dialKinds[kind].unit,
    kind: kind === 'levels' ? 'level' : 'metric',
    harder,
    min,
    max,
    step,
    ...(levels && { levels }),
    // Where it begins is said level by level: other levels begin anew.
    ...(known?.startFrom && levels?.join() === known.levels?.join() && { startFrom: known.startFrom }),
    ...(kind === 'height' && { stack: stackUseOf(own.under ?? 'hands', harder, known?.stack) })
  };
}

const inPairs: readonly StackUse['under'][] = ['hands', 'knees', 'heels'];
const restsOnly: readonly StackUse['under'][] = ['hands', 'knees', 'knee'];

/** A stack under the same place stays as it was, but for what is harder. */
function stackUseOf(under: StackUse['under'], harder: Dial['harder'], known: StackUse | undefined): StackUse {
  const higherIs = harder === 'down' ? 'easier' : 'harder';
  if (known?.under === under) return { ...known, higherIs };
  return { under, pairs: inPairs.includes(under) ? 2 : 1, higherIs, bears: restsOnly.includes(under) ? 'light' : 'weight' };
}
