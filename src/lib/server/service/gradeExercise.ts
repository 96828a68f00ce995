import type { DialInput } from '$lib/contract/exerciseForms';
import {
  CoreError,
  countsFrom,
  depthOfDial,
  dialAtRung,
  dialStates,
  easier,
  endValues,
  gradeStack,
  harder,
  holdWithin,
  isHarder,
  isWithin,
  jumpOf,
  levelName,
  longHold,
  planExerciseIds,
  reasonText,
  rungAt,
  rungsOfStacks,
  sides,
  stacksOn,
  type Dial,
  type DialEnd,
  type DialWait,
  type Exercise,
  type Gated,
  type GateReason,
  type Prop,
  type Setting,
  type Side,
  type StackGrade,
  type StackUse,
  type Step
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { insertSettingChange } from '../repo/choiceRepo';
import { upsertSetting } from '../repo/planRepo';
import type { ShelfProp } from '../repo/propRepo';
import { dateOf, loadGoalCase, type ClientCase, type GoalCase } from './clientCase';
import { exerciseIn } from './library';
import { perCase } from './perCase';
import { barsOf, dialValue, gateOf, measuredOf, startReading } from './safety';

/** Where a dial that stands on a stack is, and what the shelf makes of it. */
export type GradedStack = StackGrade &
  Readonly<{
    /** The measured reach that gives the start; null where none was taken. */
    measured: Readonly<{ value: number; takenOn: string; bodyState: 'cold' | 'warm' | 'after' }> | null;
    /** The measure to take first, where one is meant and none was taken. */
    missing: string | null;
    words: string | null;
    /** Not every stack was tried: up to how many props in a stack all were. */
    triedItems: number | null;
  }>;

export type GradedDial = Readonly<{
  dial: Dial;
  /** Null where nobody has set it yet, and no figure is usual. */
  at: number | null;
  /** From where a step counts; null where there is nothing to count from. */
  from: number | null;
  harder: number | null;
  easier: number | null;
  /** The hardest it may stand at for this client, and the day on which it may be made harder again; null where nothing says so. */
  end: DialEnd | null;
  wait: DialWait | null;
  stack: GradedStack | null;
}>;

export type Change = Readonly<{
  on: string;
  dial: string;
  from: number | null;
  to: number;
  by: 'grade' | 'verdict';
  /** Why a wait was passed over. */
  reason: string;
}>;

/** A step, and why every neighbour it would lead to is barred, where that is so. */
export type OpenStep = Step & Readonly<{ barred: GateReason | null }>;

export type ExerciseGrade = Readonly<{
  side: Side;
  /** Why it is not done at all, what keeps it within, and what is to be kept in mind. */
  gated: Pick<Gated, 'verdict' | 'bars' | 'within' | 'remember' | 'noHarder'>;
  dials: readonly GradedDial[];
  /** The latest first. */
  history: readonly Change[];
  /** What would come next, either way: a dial, or the neighbours where every dial is at its end. */
  next: Readonly<{ harder: OpenStep; easier: OpenStep }>;
}>;

/** Whether left and right may stand differently. */
const isPerSide = (exercise: Exercise): boolean => exercise.sides === 'each';

const placeOfSide = (exercise: Exercise, side: Side): Side | null => (isPerSide(exercise) ? side : null);

const askGate = (c: GoalCase, exercise: Exercise, side: Side, setting: Setting): Gated => {
  const place = placeOfSide(exercise, side);
  return gateOf(c, exercise, place, setting, measuredOf(c, exercise, place));
};

type Placed = Readonly<{
  gated: Gated;
  /** As set or usual, inside what the gate allows; a dial on a stack that nobody set is not in it. */
  setting: Setting;
  stacks: ReadonlyMap<string, GradedStack>;
}>;

/** What grading, planning and practising ask again and again of one case. */
const known = perCase((_: GoalCase) => new Map<string, Placed>());

/** The one grading: an exercise on a side and a shelf, as it is set or would start. */
function placed(c: GoalCase, exercise: Exercise, side: Side, shelf: readonly ShelfProp[]): Placed {
  // A shelf that is only tried, with a purchase on it say, is graded anew.
  const place = shelf === c.shelf ? 'studio' : shelf === c.homeShelf ? 'home' : null;
  const key = `${exercise.id}/${side}/${place}`;
  const found = place && known(c).get(key);
  if (found) return found;
  const kept = c.settings[exercise.id]?.[side] ?? {};
  const wanted = { ...startOf(c, exercise), ...kept };
  const gated = askGate(c, exercise, side, wanted);
  const stacks = new Map(
    exercise.dials.flatMap((dial) =>
      dial.stack
        ? [[dial.id, stackOf(c, exercise, dial, dial.stack, { side, shelf, end: gated.ends[dial.id] ?? null })] as const]
        : []
    )
  );
  const made = { gated, setting: holdWithin(exercise, wanted, endValues(gated)), stacks };
  if (place) known(c).set(key, made);
  return made;
}

/** What nobody set begins as usual; a beginner's cycle with the shorter hold. */
function startOf({ client }: GoalCase, exercise: Exercise): Setting {
  const unset = exercise.dials.filter((d) => d.stack).map((d) => d.id);
  const start = Object.fromEntries(Object.entries(exercise.start).filter(([id]) => !unset.includes(id)));
  const isCycle = start.effortPct !== undefined && planExerciseIds.some((id) => id === exercise.id);
  return isCycle && client.level === 'beginner' ? { ...start, holdS: longHold.leastHoldS.beginner } : start;
}

/** Where the dials of an exercise stand on a side: as set or usual, and a stack where it was measured for. */
export function settingOf(c: GoalCase, exercise: Exercise, side: Side): Setting {
  const { setting, stacks } = placed(c, exercise, side, c.shelf);
  const starts = [...stacks].flatMap(([id, s]) =>
    s.chosen || !s.measured ? [] : [[id, dialAtRung(dialIn(exercise, id), s.rung)] as const]
  );
  return { ...Object.fromEntries(starts), ...setting };
}

/** The stack an exercise stands on; null where none of its dials stands on one. */
export const stackGradeOf = (c: GoalCase, exercise: Exercise, side: Side): GradedStack | null =>
  placed(c, exercise, side, c.shelf).stacks.values().next().value ?? null;

export function gradeOf(c: GoalCase, exercise: Exercise, side: Side, shelf: readonly ShelfProp[] = c.shelf): ExerciseGrade {
  const { gated, setting, stacks } = placed(c, exercise, side, shelf);
  const ends = endValues(gated);
  const at = { ...setting };
  for (const [id, stack] of stacks) at[id] = dialAtRung(dialIn(exercise, id), stack.rung);
  const range = { rungs: Object.fromEntries([...stacks].map(([id, s]) => [id, s.rungs])), ends };
  const states = dialStates(exercise, at, range);
  const history = historyOf(c, exercise, side);
  const step = { exercise, setting: at, range, catalogue: c.catalogue };
  const movedLast = history.find((h) => exercise.dials.some((d) => d.id === h.dial))?.dial;
  return {
    side,
    gated,
    dials: exercise.dials.map((dial) => {
      const state = states.find((s) => s.id === dial.id);
      const stack = stacks.get(dial.id) ?? null;
      return {
        dial,
        at: state?.at ?? null,
        from: stack ? countsFrom(dial, stack, stack.measured?.value ?? null) : (state?.at ?? null),
        harder: state?.harder ?? null,
        easier: state?.easier ?? null,
        end: gated.ends[dial.id] ?? null,
        wait: gated.waits[dial.id] ?? null,
        stack
      };
    }),
    history,
    next: { harder: openStep(c, harder(step)), easier: openStep(c, easier({ ...step, movedLast })) }
  };
}

/** A step to neighbours, without those that are barred; where every one is, why. */
function openStep(c: GoalCase, step: Step): OpenStep {
  if (step.kind === 'dial') return { ...step, barred: null };
  const barred = step.ids.map((id) => barsOf(c, exerciseIn(c.catalogue, id)));
  const ids = step.ids.filter((_, i) => barred[i]!.length === 0);
  const why = barred.find((b) => b.length > 0)?.[0];
  return { ...step, ids, barred: ids.length === 0 && why ? why : null };
}

const dialIn = (exercise: Exercise, id: string): Dial => exercise.dials.find((d) => d.id === id)!;

function historyOf(c: ClientCase, { id }: Exercise, side: Side): Change[] {
  const graded = c.settingChanges
    .filter((s) => s.exerciseId === id && s.side === side)
    .map(({ dial, from, to, changedAt, reason }): Change => ({ on: dateOf(changedAt), dial, from, to, by: 'grade', reason }));
  const decided = c.decisions
    .filter((d) => d.exerciseId === id && d.side === side && d.dial !== null && d.to !== null)
    .map((d): Change => ({ on: d.decidedOn, dial: d.dial!, from: d.from, to: d.to!, by: 'verdict', reason: '' }));
  // Both run from old to new: of one day the later comes first too.
  return [...graded, ...decided].toReversed().toSorted((a, b) => b.on.localeCompare(a.on));
}

/** Every exercise of a week and both its sides stand on one shelf. */
const searchedOnce = perCase((shelf: readonly Prop[]) => stacksOn(shelf.filter((p) => p.faces.length > 0)));

function stackOf(
  c: GoalCase,
  exercise: Exercise,
  dial: Dial,
  use: StackUse,
  { side, shelf, end }: Readonly<{ side: Side; shelf: readonly ShelfProp[]; end: DialEnd | null }>
): GradedStack {
  const { stacks, bounded, triedItems } = searchedOnce(shelf)(use);
  const taken = startReading(c, exercise, dial, side);
  const measured = taken && { value: dialValue(dial, taken), takenOn: taken.takenOn, bodyState: taken.bodyState };
  const isOfGoal = use.past !== undefined && use.startFrom?.measure === c.goal.headline;
  const setAt = c.settings[exercise.id]?.[side]?.[dial.id] ?? null;
  const goalCm = isOfGoal ? (c.goal.target ?? 0) : 0;
  return {
    ...gradeStack({ dial, use, shelf, stacks, setAt, measured: measured?.value ?? null, end, goalCm }),
    measured,
    missing: use.startFrom && !measured ? use.startFrom.measure : null,
    words: use.startFrom?.words ?? null,
    triedItems: bounded ? triedItems : null
  };
}

/**
 * Moves one dial of an exercise, and keeps the change. A height goes to the nearest the shelf makes.
 *
 * Throws: CoreError 'exercise_barred', 'past_end', 'dial_out_of_range', 'not_found'; 'wait_not_over' for what opens on a later day
 *         and no reason was written; 'jump_unconfirmed' for more than one step harder that nobody confirmed.
 *
 * Read and written in one transaction, so that two quick taps on two dials both stay.
 */
export const setDial = (db: Database, clientId: number, input: DialInput, now: Date): Promise<void> =>
  db.transaction((tx) => moveDial(tx, clientId, input, now));

async function moveDial(tx: Db, clientId: number, input: DialInput, now: Date): Promise<void> {
  const c = await loadGoalCase(tx, clientId, dateOf(now));
  const exercise = exerciseIn(c.catalogue, input.exerciseId);
  const grade = gradeOf(c, exercise, input.side);
  const graded = grade.dials.find((d) => d.dial.id === input.dial);
  if (!graded) throw new CoreError('not_found', { what: 'dial' });
  const { dial, end, wait } = graded;
  const [bar] = grade.gated.bars;
  const inUse = c.settings[exercise.id]?.[input.side]?.[dial.id];
  // What is barred can still be made easier: nothing else.
  if (bar && !(inUse !== undefined && isHarder(dial, inUse, input.value)))
    throw new CoreError('exercise_barred', { why: reasonText(bar) });
  if (end && !isWithin(dial, input.value, { [dial.id]: end.at }))
    throw new CoreError('past_end', { end: endText(dial, end.at), why: reasonText(end.why) });
  const to = placeOf(c, graded, input.value);
  const soon = wait && inUse !== undefined && isHarder(dial, to, inUse) ? wait : null;
  if (soon && input.reason === '') throw new CoreError('wait_not_over', { why: reasonText(soon.why), opensOn: soon.opensOn });
  const jump = jumpOf(dial, graded.from, to);
  if (jump && !input.sure) {
    const show = (v: number) => (dial.kind === 'level' ? levelName(dial, v) : String(v));
    throw new CoreError('jump_unconfirmed', { steps: jump.steps, from: show(graded.from!), to: show(to) });
  }
  const places: readonly Side[] = isPerSide(exercise) ? [input.side] : sides;
  for (const side of places) {
    const kept = c.settings[exercise.id]?.[side] ?? {};
    await upsertSetting(tx, c.goal.id, exercise.id, side, { ...kept, [input.dial]: to });
    if (kept[input.dial] !== to)
      await insertSettingChange(
        tx,
        c.goal.id,
        {
          exerciseId: exercise.id,
          side,
          dial: input.dial,
          from: kept[input.dial] ?? null,
          to,
          reason: soon ? input.reason : ''
        },
        now.toISOString()
      );
  }
}

const endText = (dial: Dial, at: number): string =>
  dial.kind === 'level' ? levelName(dial, Math.floor(at)) : `${Math.round(at * 10) / 10} ${dial.unit}`;

/** The value a dial can take that was asked for: a height the nearest that the shelf makes inside the end. */
function placeOf(c: GoalCase, { dial, end, stack }: GradedDial, value: number): number {
  const ends = end ? { [dial.id]: end.at } : {};
  if (stack) {
    if (value > dial.max || value < dial.min) throw new CoreError('dial_out_of_range', { min: dial.min, max: dial.max });
    const all = [
      ...stack.rungs,
      ...stack.near,
      stack.rung,
      ...rungsOfStacks(searchedOnce(c.shelf)(dial.stack!).stacks, dial.stack!)
    ].filter((r) => isWithin(dial, dialAtRung(dial, r), ends));
    const rung = rungAt(all, depthOfDial(dial, value));
    if (!rung) throw new CoreError('past_end', { end: endText(dial, end!.at), why: reasonText(end!.why) });
    return dialAtRung(dial, rung);
  }
  if (value < dial.min - 1e-9 || value > dial.max + 1e-9)
    throw new CoreError('dial_out_of_range', { min: dial.min, max: dial.max });
  return Math.round((dial.min + Math.round((value - dial.min) / dial.step) * dial.step) * 100) / 100;
}
