import type { ClientInput } from '$lib/contract/forms';
import { addDays, goalOf, measureOf, sides, wayOf, type LinearSolver, type MeasureMode, type Side } from '$lib/core';
import type { Database } from '../db/db';
import { insertClient } from '../repo/clientRepo';
import { updateGoal } from '../repo/goalRepo';
import { insertProp } from '../repo/propRepo';
import { saveGoal } from '../service/goalSetting';
import { saveOccasion } from '../service/measuring';
import { makePlan } from '../service/planning';
import { propOf } from '../service/shelf';
import { solverFor } from '../solver';
import { goalInput, passCheck } from './people';
import { changeClient } from '../service/changing';
import type { TestPerson } from '../../../../tests/e2e/people';

const solid = { by: 'faces', softPct: 0 } as const;
const shelf = [
  { ...solid, kind: 'block', name: 'Test block', quantity: 4, lengthsCm: [10, 15, 23], turns: true },
  { ...solid, kind: 'book', name: 'Test book', quantity: 3, lengthsCm: [2.5, 16, 23], turns: false }
] as const;

/** Fills an empty studio with the people of the browser tests, each at their point. Returns their ids by name. */
export async function fillTestStudio(
  db: Database,
  people: Readonly<Record<string, TestPerson>>,
  today: string
): Promise<Record<string, number>> {
  for (const prop of shelf) await db.transaction((tx) => insertProp(tx, propOf({ ...prop, lengthsCm: [...prop.lengthsCm] })));
  const solve = remembering(solverFor());
  const ids: Record<string, number> = {};
  for (const [name, person] of Object.entries(people)) ids[name] = await fillPerson(db, name, person, today, solve);
  return ids;
}

async function fillPerson(
  db: Database,
  name: string,
  { at, goal = 'front_split', stage = 0, measures, ...body }: TestPerson,
  today: string,
  solve: LinearSolver
): Promise<number> {
  const usual: Omit<ClientInput, 'name'> = {
    ...{ birthYear: 1990, birthDate: null, level: 'intermediate' as const, contact: '', notes: '' },
    ...{ statureCm: 170, leftLegCm: 90, rightLegCm: 89.5, lowerLegCm: null, hipToBreastboneCm: null, bodyMassKg: null },
    ...{ sessionsPerWeek: 3, minutesPerSession: 45 }
  };
  const person = { ...usual, ...body, name };
  const id = await insertClient(db, person);
  if (at === 'added') return id;
  const goalId = await saveGoal(db, id, null, goalInput(goal), today);
  // A later stage was opened long ago.
  if (stage > 0) await changeClient(db, id, (tx) => updateGoal(tx, id, goalId, goalInput(goal, { stage }), addDays(today, -60)));
  if (at === 'has a goal') return id;
  await passCheck(db, id, today);
  if (at === 'cleared') return id;
  for (const [measureId, side, ...values] of measures ?? usualMeasures(goal)) await take(db, id, measureId, side, values, today);
  if (goal === 'front_split') await take(db, id, 'front_split_gap', 'left', [29], today, 'active');
  if (at === 'measured') return id;
  const { sessionsPerWeek, minutesPerSession: minutes } = person;
  const plan = { schoolId: 'long_hold', weeks: 4, sessionsPerWeek, minutes, startOn: today, basedOnVersion: 0 } as const;
  await makePlan(db, id, plan, today, { solve });
  return id;
}

/** Two trials on every side of the measure a goal is judged by: the two sides of a split differ, anything else is in the middle of its usual range. */
function usualMeasures(goalId: string): NonNullable<TestPerson['measures']> {
  const { headline } = goalOf(goalId);
  if (goalId === 'front_split')
    return [
      [headline, 'left', 22, 21],
      [headline, 'right', 24, 25]
    ];
  const { usual, sides: taken } = measureOf(headline);
  const middle = Math.round((usual[0] + usual[1]) / 2);
  return (taken === 'each' ? sides : [null]).map((side) => [headline, side, middle, middle] as const);
}

function take(
  db: Database,
  clientId: number,
  measureId: string,
  side: Side | null,
  values: readonly number[],
  takenOn: string,
  mode?: MeasureMode
): Promise<number> {
  const { ways, modes } = measureOf(measureId);
  const [way] = ways;
  const field = wayOf(way!).fields[0]!.id;
  const trials = values.map((value, i) => ({
    ...{ measureId, side, mode: mode ?? modes[0]!, way: way!, support: '', ordinal: i + 1, entries: { [field]: value } }
  }));
  return saveOccasion(db, clientId, { takenOn, bodyState: 'warm', dayTime: '', training: '', measurer: '', note: '', trials });
}

/** Solves a program once: people who are alike have the same one. */
function remembering(solve: LinearSolver): LinearSolver {
  const solved = new Map<string, ReturnType<LinearSolver>>();
  return (program, ends) => {
    const known = solved.get(program) ?? solve(program, ends);
    solved.set(program, known);
    return known;
  };
}
