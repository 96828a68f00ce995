import type { GoalInput } from '$lib/contract/goalForms';
import type { TrialInput } from '$lib/contract/measureForms';
import { goalOf, wayOf, type MeasureMode, type Screening, type Side, type WayId } from '$lib/core';
import type { Database } from '../db/db';
import { insertClient } from '../repo/clientRepo';
import { clearScreening, saveScreening } from '../service/checking';
import { saveGoal } from '../service/goalSetting';
import { changeClient } from '../service/changing';
import { saveOccasion } from '../service/measuring';

/** People and measures for database tests. */
export const newPerson = (db: Database, name = 'Nell Harrow', birthYear = 1990): Promise<number> =>
  insertClient(db, {
    name,
    birthYear,
    birthDate: null,
    level: 'intermediate',
    contact: '',
    statureCm: 170,
    leftLegCm: 90,
    rightLegCm: 90,
    lowerLegCm: null,
    hipToBreastboneCm: null,
    bodyMassKg: null,
    sessionsPerWeek: 3,
    minutesPerSession: 45,
    notes: ''
  });

export function goalInput(kind: string, more: Partial<GoalInput> = {}): GoalInput {
  const { headline, target, leads } = goalOf(kind);
  return {
    kind,
    title: '',
    headline,
    leadSide: leads ? 'left' : null,
    target,
    targetReason: '',
    targetOn: null,
    eventName: '',
    stage: 0,
    demands: null,
    ...more
  };
}

/** The day of the tests, where they say no other. */
export const testDay = '2026-03-02';

export async function personWithGoal(
  db: Database,
  kind: string,
  more: Partial<GoalInput> = {},
  today = testDay
): Promise<number> {
  const id = await newPerson(db);
  await saveGoal(db, id, null, goalInput(kind, more), today);
  return id;
}

export async function passCheck(db: Database, id: number, today: string, flags: string[] = []): Promise<Screening> {
  const answers = { flags, sides: {}, endStops: [], beighton: [], effortCapPct: 60, sensationCap: 4 };
  const screening = await changeClient(db, id, (tx) => saveScreening(tx, id, answers, today));
  // Range that is to come back after an injury is cleared by name.
  if (screening.raised.some((row) => row.id === 'rehabilitation'))
    await clearScreening(db, id, { clearedBy: 'A. Clinician', clearNote: 'May train.' }, today);
  return screening;
}

type Taking = {
  on: string;
  way?: WayId;
  mode?: MeasureMode;
  support?: string;
  state?: 'cold' | 'warm' | 'after';
  measurer?: string;
};

/** Trials of one measure on one side, or both together, in their first field. */
export function take(
  db: Database,
  clientId: number,
  measureId: string,
  side: Side | null,
  values: readonly number[],
  { on, way = 'tape', mode = 'passive', support = '', state = 'warm', measurer = '' }: Taking
): Promise<number> {
  const field = wayOf(way).fields[0]!.id;
  const trials = values.map((value, i): TrialInput => ({
    measureId,
    side,
    mode,
    way,
    support,
    ordinal: i + 1,
    entries: { [field]: value }
  }));
  return saveOccasion(db, clientId, { takenOn: on, bodyState: state, dayTime: '', training: '', measurer, note: '', trials });
}
