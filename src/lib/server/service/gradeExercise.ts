import type { DialChange, ExerciseGrade, GradedStack, OpenStep } from '$lib/contract/grade';
import {
  countsFrom,
  depthOfDial,
  dialAtRung,
  dialStates,
  easier,
  endValues,
  gradeStack,
  harder,
  holdWithin,
  measureOf,
  rungsOfStacks,
  schoolOf,
  stacksOn,
  standInRung,
  startDose,
  startSetting,
  taughtToward,
  usualStepCm,
  z95,
  type Beginner,
  type Dial,
  type DialEnd,
  type DialId,
  type Exercise,
  type Gated,
  type Prop,
  type Setting,
  type Side,
  type SideState,
  type StartOrigin,
  type StackUse,
  type Step,
  type TapeEnd
} from '$lib/core';
import type { BodyState } from '$lib/contract/fields';
import type { ShelfProp } from '../repo/propRepo';
import { dateOf, type ClientCase, type GoalCase } from './clientCase';
import { exerciseIn } from './library';
import { perCase } from './perCase';
import { barsOf, dialValue, gateOf, measuredOf, startTaken } from './safety';
import { latestTaken } from './taken';

/** Whether left and right may stand differently. */
export const isPerSide = (exercise: Exercise): boolean => exercise.sides === 'each';

const placeOfSide = (exercise: Exercise, side: Side): Side | null => (isPerSide(exercise) ? side : null);

const askGate = (c: GoalCase, exercise: Exercise, side: Side, setting: Setting): Gated => {
  const place = placeOfSide(exercise, side);
  return gateOf(c, exercise, place, setting, measuredOf(c, exercise, place));
};

/** Stacks nearer than this are the same one, cm. */
const sameStackCm = 0.25;

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
  const wanted = { ...startSetting(exercise, beginsAs(c, exercise)), ...measuredLevels(c, exercise, side), ...kept };
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

/** Levels that were measured: who is further does not begin with the first. */
function measuredLevels(c: GoalCase, exercise: Exercise, side: Side): Setting {
  return Object.fromEntries(
    exercise.dials.flatMap(({ id, startFrom }) => {
      if (!startFrom) return [];
      const { sides: taken, modes } = measureOf(startFrom.measure);
      const at = latestTaken(c, startFrom.measure, taken === 'each' ? side : null, modes[0]!)?.value;
      const level = at === undefined || at === null ? undefined : startFrom.levels[at];
      return level === undefined ? [] : [[id, level]];
    })
  );
}

/** Who an exercise begins with: their level, and the nearest school, its own, the person's, that of the plan. */
export function beginsAs({ client, choices, goal, plan, planSchool }: GoalCase, exercise: Exercise): Beginner {
  const chosen = choices.find((choice) => choice.exerciseId === exercise.id)?.schoolId;
  const id = chosen ?? client.schoolId ?? planSchool ?? plan?.schoolId;
  const taught = taughtToward({ goal: goal.kind, stage: goal.stage, school: client.schoolId }, exercise.id);
  return { school: id ? schoolOf(id) : null, level: client.level, taught };
}

/** Where the dials of an exercise stand on a side: as set or usual, and a stack where it was measured for. */
export function settingOf(c: GoalCase, exercise: Exercise, side: Side): Setting {
  const { setting, stacks } = placed(c, exercise, side, c.shelf);
  const starts = [...stacks].flatMap(([id, s]) =>
    s.chosen || !s.measured ? [] : [[id, dialAtRung(dialIn(exercise, id), s.rung)] as const]
  );
  return { ...Object.fromEntries(starts), ...setting };
}

/** Where an exercise stands on a side, as a session is built from it. */
export function sideState(c: GoalCase, exercise: Exercise, side: Side): SideState {
  const { stacks } = placed(c, exercise, side, c.shelf);
  const setting = settingOf(c, exercise, side);
  const of = <T>(value: (stack: GradedStack) => T) => Object.fromEntries([...stacks].map(([id, s]) => [id, value(s)]));
  return {
    setting,
    rungs: of((s) => s.rungs),
    begins: of((s) => s.rung),
    measured: measuredOf(c, exercise, placeOfSide(exercise, side)),
    activeDeg: activeDeg(c, exercise, side)
  };
}

/**
 * Where an exercise stands at home: as in the studio, each stack in place by one of the home shelf that is no harder; without one, on none, so
 * that it is not done there.
 */
export function homeState(c: GoalCase, exercise: Exercise, side: Side): SideState {
  const studio = sideState(c, exercise, side);
  const stacks = exercise.dials.flatMap((dial) => {
    if (!dial.stack) return [];
    const at = studio.setting[dial.id];
    const depthCm = at === undefined ? studio.begins[dial.id]?.depthCm : depthOfDial(dial, at);
    const all = rungsOfStacks(searchedOnce(c.homeShelf)(dial.stack).stacks, dial.stack);
    const rung = depthCm === undefined ? undefined : standInRung(all, depthCm);
    return [{ dial, isSet: at !== undefined, depthCm, rung, rungs: rung ? all.filter((r) => r.depthCm >= rung.depthCm) : [] }];
  });
  const standing = stacks.flatMap(({ dial, isSet, rung }) => (rung ? [{ dial, isSet, rung }] : []));
  return {
    ...studio,
    setting: {
      ...studio.setting,
      ...Object.fromEntries(standing.filter((s) => s.isSet).map((s) => [s.dial.id, dialAtRung(s.dial, s.rung)]))
    },
    rungs: Object.fromEntries(stacks.map((s) => [s.dial.id, s.rungs])),
    begins: Object.fromEntries(standing.map((s) => [s.dial.id, s.rung])),
    ...(stacks.some((s) => s.rung && s.isSet && s.rung.depthCm > s.depthCm! + sameStackCm) && { isEased: true })
  };
}

/** How far beyond the error of a measure a stack may go, cm: a step of the ladder, a greater one where it was measured cold (assumption). */
const tapeSlackCm = (state: BodyState): number => (state === 'cold' ? usualStepCm.max : usualStepCm.wish);

/** How far the tape lets the dials go that start at a measured height. Units: those of the dials. */
export function tapeEnds(c: GoalCase, exercise: Exercise, side: Side | null): Partial<Record<DialId, TapeEnd>> {
  return Object.fromEntries(
    exercise.dials.flatMap((dial) => {
      const taken = startTaken(c, exercise, dial, side);
      if (!taken || taken.levelSd === null) return [];
      const value = dialValue(dial, taken);
      const way = dial.harder === 'up' ? 1 : -1;
      const end = value + way * (z95 * taken.levelSd + tapeSlackCm(taken.bodyState));
      return [[dial.id, { value, end, on: taken.takenOn }]];
    })
  );
}

/** Degrees the first motion of an exercise is moved by own strength, as measured last; null where it was not. */
function activeDeg(c: GoalCase, { links: [motion] }: Exercise, side: Side): number | null {
  return motion ? (latestTaken(c, motion, side, 'active')?.value ?? null) : null;
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
        stack,
        origin: originOf(c, exercise, dial, { at: state?.at ?? null, history })
      };
    }),
    history,
    next: { harder: harderStep(c, harder(step), gated), easier: openStep(c, easier({ ...step, movedLast })) }
  };
}

/** Whose figure a dial stands at; null where it was moved, or where it stands is no start. */
function originOf(
  c: GoalCase,
  exercise: Exercise,
  dial: Dial,
  { at, history }: Readonly<{ at: number | null; history: readonly DialChange[] }>
): StartOrigin | null {
  const start = startDose(exercise, dial, beginsAs(c, exercise));
  const isMoved = history.some((h) => h.dial === dial.id);
  return start && !isMoved && start.value === at ? start.origin : null;
}

/** The step harder; no neighbour is one where nothing may be made harder. */
function harderStep(c: GoalCase, step: Step, { noHarder }: Gated): OpenStep {
  return step.kind !== 'dial' && noHarder ? { ...step, ids: [], barred: noHarder } : openStep(c, step);
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

function historyOf(c: ClientCase, { id }: Exercise, side: Side): DialChange[] {
  const graded = c.settingChanges
    .filter((s) => s.exerciseId === id && s.side === side)
    .map(({ dial, from, to, changedAt, reason }): DialChange => ({ on: dateOf(changedAt), dial, from, to, by: 'grade', reason }));
  const decided = c.decisions
    .filter((d) => d.exerciseId === id && d.side === side && d.dial !== null && d.to !== null)
    .map((d): DialChange => ({ on: d.decidedOn, dial: d.dial!, from: d.from, to: d.to!, by: 'verdict', reason: '' }));
  // Both run from old to new: of one day the later comes first too.
  return [...graded, ...decided].toReversed().toSorted((a, b) => b.on.localeCompare(a.on));
}

/** Every exercise of a week and both its sides stand on one shelf. */
export const searchedOnce = perCase((shelf: readonly Prop[]) => stacksOn(shelf.filter((p) => p.faces.length > 0)));

function stackOf(
  c: GoalCase,
  exercise: Exercise,
  dial: Dial,
  use: StackUse,
  { side, shelf, end }: Readonly<{ side: Side; shelf: readonly ShelfProp[]; end: DialEnd | null }>
): GradedStack {
  const { stacks, bounded, triedItems } = searchedOnce(shelf)(use);
  const taken = startTaken(c, exercise, dial, side);
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
