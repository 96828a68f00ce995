import type { DialInput } from '$lib/contract/exerciseForms';
import {
  CoreError,
  dialAtRung,
  dialStates,
  easier,
  endValues,
  harder,
  holdWithin,
  isHarder,
  isWithin,
  levelName,
  measureOf,
  planExerciseIds,
  reasonText,
  rungAt,
  rungsAround,
  rungsOfStacks,
  sides,
  stacksOn,
  usualStepCm,
  type Dial,
  type DialEnd,
  type DialWait,
  type Exercise,
  type Gated,
  type LadderFault,
  type Prop,
  type Rung,
  type Setting,
  type Side,
  type StackUse,
  type Step
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { insertSettingChange } from '../repo/choiceRepo';
import { upsertSetting } from '../repo/planRepo';
import type { ShelfProp } from '../repo/propRepo';
import { dateOf, loadGoalCase, withSplit, type ClientCase, type GoalCase } from './clientCase';
import { settingsOf } from './grading';
import { exerciseIn } from './library';
import { latestTaken } from './taken';
import { perCase } from './perCase';
import { barsOf, gateOf, measuredOf, startRung } from './safety';

/** Where a dial that stands on a stack is, and what the shelf makes of it. */
export type GradedStack = Readonly<{
  /** The measured reach that gives the start; null where none was taken. */
  measured: Readonly<{ value: number; takenOn: string; bodyState: 'cold' | 'warm' | 'after' }> | null;
  /** The measure to take first, where one is meant and none was taken. */
  missing: string | null;
  words: string | null;
  chosen: boolean;
  rung: Rung;
  rungs: readonly Rung[];
  faults: readonly LadderFault[];
  /** The nearest other heights the shelf makes. */
  near: readonly Rung[];
  /** The shelf's nearest is harder than what is meant by more than the greatest step. */
  tooFar: boolean;
  /** Not every stack was tried: up to how many props in a stack all were. */
  triedItems: number | null;
}>;

export type GradedDial = Readonly<{
  dial: Dial;
  /** Null where nobody has set it yet, and no figure is usual. */
  at: number | null;
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

export type ExerciseGrade = Readonly<{
  side: Side;
  /** Why it is not done at all, what keeps it within, and what is to be kept in mind. */
  gated: Pick<Gated, 'verdict' | 'bars' | 'within' | 'remember' | 'noHarder'>;
  dials: readonly GradedDial[];
  /** The latest first. */
  history: readonly Change[];
  /** What would come next, either way: a dial, or the neighbours where every dial is at its end. */
  next: Readonly<{ harder: Step; easier: Step }>;
}>;

/** Whether left and right may stand differently. */
const isPerSide = (exercise: Exercise): boolean => exercise.sides === 'each';

const placeOfSide = (exercise: Exercise, side: Side): Side | null => (isPerSide(exercise) ? side : null);

const askGate = (c: GoalCase, exercise: Exercise, side: Side, setting: Setting): Gated => {
  const place = placeOfSide(exercise, side);
  return gateOf(c, exercise, place, setting, measuredOf(c, exercise, place));
};

/** Where the dials of an exercise stand on a side, as far as anybody set them or a figure is usual, inside what the gate allows. */
export function settingOf(c: GoalCase, exercise: Exercise, side: Side): Setting {
  const split = withSplit(c);
  const kept = c.settings[exercise.id]?.[side] ?? {};
  const planned =
    split && planExerciseIds.some((id) => id === exercise.id) ? settingsOf(split)[exercise.id]![side] : exercise.start;
  const setting = { ...planned, ...kept };
  return holdWithin(exercise, setting, endValues(askGate(c, exercise, side, setting)));
}

export function gradeOf(c: GoalCase, exercise: Exercise, side: Side, shelf: readonly ShelfProp[] = c.shelf): ExerciseGrade {
  const kept = c.settings[exercise.id]?.[side] ?? {};
  const unset = exercise.dials.filter((d) => d.stack && kept[d.id] === undefined).map((d) => d.id);
  const setting = settingOf(c, exercise, side);
  const inUse = Object.fromEntries(Object.entries(setting).filter(([id]) => !unset.includes(id)));
  const gated = askGate(c, exercise, side, inUse);
  const ends = endValues(gated);
  const stacks = new Map(
    exercise.dials.flatMap((dial) =>
      dial.stack ? [[dial.id, gradeStack(c, exercise, dial, dial.stack, side, shelf, ends[dial.id])] as const] : []
    )
  );
  const placed = { ...setting };
  for (const [id, stack] of stacks) placed[id] = dialAtRung(dialIn(exercise, id), stack.rung);
  const range = { rungs: Object.fromEntries([...stacks].map(([id, s]) => [id, s.rungs])), ends };
  const states = dialStates(exercise, placed, range);
  const history = historyOf(c, exercise, side);
  const step = { exercise, setting: placed, range, catalogue: c.catalogue };
  const movedLast = history.find((h) => exercise.dials.some((d) => d.id === h.dial))?.dial;
  return {
    side,
    gated,
    dials: exercise.dials.map((dial) => {
      const state = states.find((s) => s.id === dial.id);
      return {
        dial,
        at: state?.at ?? null,
        harder: state?.harder ?? null,
        easier: state?.easier ?? null,
        end: gated.ends[dial.id] ?? null,
        wait: gated.waits[dial.id] ?? null,
        stack: stacks.get(dial.id) ?? null
      };
    }),
    history,
    next: { harder: openStep(c, harder(step)), easier: openStep(c, easier({ ...step, movedLast })) }
  };
}

/** A step to neighbours, without those that are barred; where every one is, why. */
function openStep(c: GoalCase, step: Step): Step {
  if (step.kind === 'dial') return step;
  const barred = step.ids.map((id) => barsOf(c, exerciseIn(c.catalogue, id)));
  const ids = step.ids.filter((_, i) => barred[i]!.length === 0);
  const why = barred.find((b) => b.length > 0)?.[0];
  return { ...step, ids, ...(ids.length === 0 && why && { why: reasonText(why) }) };
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

/** Signed depth of a dial's value, as ladders count: where higher is harder, a height lies past flat. */
const depthOf = (dial: Dial, value: number): number => (dial.harder === 'up' ? -value : value);

function measuredFor(c: ClientCase, use: StackUse, exercise: Exercise, side: Side): GradedStack['measured'] {
  if (!use.startFrom) return null;
  const { measure } = use.startFrom;
  const at = measureOf(measure).sides === 'both together' ? null : side;
  const one = (s: Side | null) => latestTaken(c, measure, s, 'passive') ?? latestTaken(c, measure, s, 'active');
  const taken = at === null || isPerSide(exercise) ? one(at) : higher(one('left'), one('right'));
  return (
    taken && { value: use.past ? taken.value : Math.max(0, taken.value), takenOn: taken.takenOn, bodyState: taken.bodyState }
  );
}

/** Both sides stand on the same stack: that of the side that needs more. */
const higher = <T extends { value: number }>(a: T | null, b: T | null): T | null =>
  a && b ? (a.value >= b.value ? a : b) : (a ?? b);

/** Every exercise of a week and both its sides stand on one shelf. */
const searchedOnce = perCase((shelf: readonly Prop[]) => stacksOn(shelf.filter((p) => p.faces.length > 0)));

function gradeStack(
  c: GoalCase,
  exercise: Exercise,
  dial: Dial,
  use: StackUse,
  side: Side,
  shelf: readonly ShelfProp[],
  endAt: number | undefined
): GradedStack {
  const { stacks, bounded, triedItems } = searchedOnce(shelf)(use);
  const split = withSplit(c);
  const end = Math.max(
    endAt === undefined ? -Infinity : depthOf(dial, endAt),
    depthOf(dial, dial.harder === 'up' ? dial.max : dial.min)
  );
  const whole = rungsOfStacks(stacks, use).filter((r) => r.depthCm <= Math.max(dial.max, 0));
  // Where even the easiest height is harder than the end, that one is shown; the gate bars what is past it.
  const inside = whole.filter((r) => r.depthCm >= end - 1e-9);
  const all = inside.length > 0 ? inside : whole.slice(0, 1);
  const measured = measuredFor(c, use, exercise, side);
  const kept = c.settings[exercise.id]?.[side]?.[dial.id];
  // Unsure: begin with the middle height (common practice).
  const middle = all[Math.floor((all.length - 1) / 2)]?.depthCm ?? 0;
  const meant =
    kept !== undefined ? depthOf(dial, kept) : measured ? depthOf(dial, measured.value) : use.higherIs === 'harder' ? 0 : middle;
  // A start is never harder than what was measured; what is in use stands where it is nearest.
  const rung = kept === undefined || meant < end ? startRung(all, Math.max(meant, end))! : rungAt(all, meant)!;
  const goalEnd = use.past && split ? split.goal.target : use.higherIs === 'harder' ? Math.min(rung.depthCm - 10, -10) : 0;
  const around = rungsAround({ depthCm: rung.depthCm, targetCm: Math.max(goalEnd, end), shelf, use, stacks });
  const { faults } = around;
  const rungs = around.rungs.filter(
    (r) => r.depthCm === rung.depthCm || (r.depthCm >= end - 1e-9 && r.depthCm <= Math.max(dial.max, 0))
  );
  const near = all
    .filter((r) => Math.abs(r.depthCm - rung.depthCm) <= 6 && r.depthCm !== rung.depthCm)
    .toSorted((a, b) => Math.abs(a.depthCm - rung.depthCm) - Math.abs(b.depthCm - rung.depthCm))
    .slice(0, 3);
  return {
    measured,
    missing: use.startFrom && !measured ? use.startFrom.measure : null,
    words: use.startFrom?.words ?? null,
    chosen: kept !== undefined,
    rung,
    rungs,
    faults,
    near,
    tooFar: meant - rung.depthCm > usualStepCm.max + 1e-9,
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
  const from = startOf(graded);
  const ahead = from === null ? 0 : depthOf(dial, from) - depthOf(dial, to);
  const goesHarder = ahead > 1e-9;
  const soon = wait && inUse !== undefined && isHarder(dial, to, inUse) ? wait : null;
  if (soon && input.reason === '') throw new CoreError('wait_not_over', { why: reasonText(soon.why), opensOn: soon.opensOn });
  const steps = graded.stack ? ahead / usualStepCm.max : ahead / graded.dial.step;
  if (goesHarder && steps > 1 + 1e-3 && !input.sure) {
    const show = (v: number) => (graded.dial.kind === 'level' ? levelName(graded.dial, v) : String(v));
    throw new CoreError('jump_unconfirmed', { steps: Math.ceil(steps - 1e-3), from: show(from!), to: show(to) });
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

/** From where a step counts: what is in use; while nothing is, or the shelf lost it, what was measured. */
function startOf({ dial, at, stack }: GradedDial): number | null {
  if (!stack) return at;
  if (stack.chosen && !stack.tooFar) return dialAtRung(dial, stack.rung);
  return stack.measured?.value ?? null;
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
    const rung = rungAt(all, depthOf(dial, value));
    if (!rung) throw new CoreError('past_end', { end: endText(dial, end!.at), why: reasonText(end!.why) });
    return dialAtRung(dial, rung);
  }
  if (value < dial.min - 1e-9 || value > dial.max + 1e-9)
    throw new CoreError('dial_out_of_range', { min: dial.min, max: dial.max });
  return Math.round((dial.min + Math.round((value - dial.min) / dial.step) * dial.step) * 100) / 100;
}
