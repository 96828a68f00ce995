import { formatISO } from 'date-fns';
import type { Units } from '$lib/contract/fields';
import {
  addDays,
  bodyLengths,
  CoreError,
  flatHeld,
  goalOf,
  isFrontSplit,
  meanLengths,
  otherSide,
  usualBreathS,
  type Body,
  type BodyLength,
  type BodyLengths,
  type Exercise,
  type Place,
  type Settings,
  type Side,
  type SchoolId
} from '$lib/core';
import type { Db } from '../db/db';
import { getClient, type Client } from '../repo/clientRepo';
import { listChoices, listSettingChanges, type ExerciseChoice, type SettingChange } from '../repo/choiceRepo';
import { listDecisions, listDecisionsAtHand, type DecisionRecord } from '../repo/decisionRepo';
import { listExerciseNotes, type ExerciseNote } from '../repo/exerciseRepo';
import { listGoals, type ClientGoal } from '../repo/goalRepo';
import { listLocks, type BodyLock } from '../repo/lockRepo';
import { listFlatHolds, listPains, listSetLogs, listSetsOf, type FlatHold, type PainRecord, type SetLog } from '../repo/logRepo';
import { listOccasions, type Occasion } from '../repo/occasionRepo';
import { findPlan, listSettings, type Plan } from '../repo/planRepo';
import { listProps, type ShelfProp } from '../repo/propRepo';
import { findScreening, type ScreeningRecord } from '../repo/screeningRepo';
import {
  findLastElsewhere,
  listBegun,
  listSessions,
  listSessionsAtHand,
  type LastElsewhere,
  type Session
} from '../repo/sessionRepo';
import { getUnits } from '../repo/studioRepo';
import { loadCatalogue } from './library';
import { remembersWith } from './perCase';

/** Everything known of one client and the goal in work: what every station reads. */
export type ClientCase = Readonly<{
  /** The day it is looked at. */
  today: string;
  client: Client;
  units: Units;
  shelf: readonly ShelfProp[];
  /** What the client has at home. */
  homeShelf: readonly ShelfProp[];
  /** Every exercise of the studio. */
  catalogue: readonly Exercise[];
  notes: readonly ExerciseNote[];
  screening: ScreeningRecord | null;
  locks: readonly BodyLock[];
  goals: readonly ClientGoal[];
  /** The goal in work. */
  goal: ClientGoal | null;
  occasions: readonly Occasion[];
  plan: Plan | null;
  /** The school of a plan that is being made: what nobody chose a school for begins by it. */
  planSchool?: SchoolId;
  settings: Settings;
  /** The week's exercises as they were chosen; empty while nobody chose. */
  choices: readonly ExerciseChoice[];
  settingChanges: readonly SettingChange[];
  /** Those to come, of the line of the plan in force, and of late; in full only those that run, are to come, or ended last. */
  sessions: readonly Session[];
  /** The day of every session that ended, the oldest first. */
  sessionDays: readonly string[];
  /** The last session toward another goal: its hard work counts for recovery too. */
  lastElsewhere: LastElsewhere | null;
  /** Sets of the session that runs and of the one that ended last. */
  lastSets: readonly SetLog[];
  flatHolds: readonly FlatHold[];
  pains: readonly PainRecord[];
  /** Those that still bear on what comes. */
  decisions: readonly DecisionRecord[];
}>;

export type GoalCase = ClientCase & Readonly<{ goal: ClientGoal }>;

/** A case whose goal is the front split: the position that is graded, planned and played. */
export type SplitCase = ClientCase & Readonly<{ goal: ClientGoal & Readonly<{ leadSide: Side; target: number }> }>;

/** Sessions and decisions of so many days are at hand, whatever plan they were of: longer than a pain that was told bears on anything. */
const lateDays = 60;

/** What all people share. */
export type StudioFacts = Pick<ClientCase, 'units' | 'shelf' | 'catalogue'>;

export const loadStudioFacts = async (db: Db): Promise<StudioFacts> => ({
  units: await getUnits(db),
  shelf: await listProps(db),
  catalogue: await loadCatalogue(db)
});

/** @param studio what all people share, where it is known already */
export async function loadCase(db: Db, clientId: number, today: string, studio?: StudioFacts): Promise<ClientCase> {
  const client = await getClient(db, clientId);
  const goals = await listGoals(db, clientId);
  const goal = goals.find((g) => g.id === client.currentGoalId) ?? goals.at(-1) ?? null;
  const base = {
    today,
    client,
    goals,
    goal,
    ...(studio ?? (await loadStudioFacts(db))),
    homeShelf: await listProps(db, clientId),
    notes: await listExerciseNotes(db, clientId),
    screening: await findScreening(db, clientId),
    locks: await listLocks(db, clientId),
    occasions: await listOccasions(db, clientId),
    pains: await listPains(db, clientId)
  };
  if (!goal)
    return {
      ...base,
      plan: null,
      settings: {},
      choices: [],
      settingChanges: [],
      sessions: [],
      sessionDays: [],
      lastElsewhere: null,
      lastSets: [],
      flatHolds: [],
      decisions: []
    };
  const plan = await findPlan(db, goal.id);
  const since = addDays(today, -lateDays);
  const sessions = await listSessionsAtHand(db, goal.id, { lineId: plan?.lineId ?? null, since });
  const atHand = sessions.flatMap((s) => (s.prescribed ? [s.id] : []));
  return {
    ...base,
    plan,
    settings: await listSettings(db, goal.id),
    choices: await listChoices(db, goal.id),
    settingChanges: await listSettingChanges(db, goal.id),
    sessions,
    sessionDays: (await listBegun(db, goal.id)).map(dateOf),
    lastElsewhere: goals.length > 1 ? await findLastElsewhere(db, clientId, goal.id) : null,
    lastSets: await listSetsOf(db, atHand),
    flatHolds: isFrontSplit(goalOf(goal.kind)) ? await listFlatHolds(db, goal.id, flatHeld.holdS) : [],
    decisions: await listDecisionsAtHand(db, goal.id, { since, sessionIds: atHand })
  };
}

/** What stands on the shelf where a session takes place. */
export const shelfAt = ({ shelf, homeShelf }: Pick<ClientCase, 'shelf' | 'homeShelf'>, place: Place): readonly ShelfProp[] =>
  place === 'home' ? homeShelf : shelf;

/** The case when it has a goal, else null. */
export const withGoal = (c: ClientCase): GoalCase | null => (hasGoal(c) ? c : null);

// The case itself, not a copy: what is remembered of it (`perCase`) is remembered once a request.
const hasGoal = (c: ClientCase): c is GoalCase => c.goal !== null;
const isSplitCase = (c: ClientCase): c is SplitCase =>
  c.goal !== null && isFrontSplit(goalOf(c.goal.kind)) && c.goal.leadSide !== null && c.goal.target !== null;

/** The case when its goal is a front split, else null. */
export const withSplit = (c: ClientCase): SplitCase | null => (isSplitCase(c) ? c : null);

/** A case with its whole log: every set and decision, and every session in full. What reads no log is remembered with the case it was made of. */
export type LoggedCase = GoalCase & Logged;
export type Logged = Readonly<{ setLogs: readonly SetLog[] }>;

export async function withLog<C extends GoalCase>(db: Db, c: C): Promise<C & Logged> {
  const sessions = await listSessions(db, c.goal.id);
  const [setLogs, decisions] = [await listSetLogs(db, c.goal.id), await listDecisions(db, c.goal.id)];
  return remembersWith(c, { ...c, sessions, setLogs, decisions });
}

/** The case of a goal with its whole log. Throws: CoreError 'not_found'. */
export const loadLoggedCase = async (db: Db, clientId: number, today: string): Promise<LoggedCase> =>
  withLog(db, await loadGoalCase(db, clientId, today));

/** A case with a plan in force. */
export type PlannedCase = GoalCase & Readonly<{ plan: Plan }>;

/** Whether there is a plan in force: the case itself is told so, and no copy of it made. */
export const isPlanned = (c: GoalCase): c is PlannedCase => c.plan !== null;

/** The case once a goal is set. Throws: CoreError 'not_found'. */
export async function loadGoalCase(db: Db, clientId: number, today: string): Promise<GoalCase> {
  const found = withGoal(await loadCase(db, clientId, today));
  if (!found) throw new CoreError('not_found', { what: 'goal' });
  return found;
}

/** The case once a front split is the goal in work. Throws: CoreError 'not_found'. */
export async function loadSplitCase(db: Db, clientId: number, today: string): Promise<SplitCase> {
  const found = withSplit(await loadCase(db, clientId, today));
  if (!found) throw new CoreError('not_found', { what: 'goal' });
  return found;
}

/** Length of a leg: measured, or estimated from stature and marked so. */
export const legOf = (client: Client, side: Side): BodyLength => lengthsOf(client, side).legCm;

/** Lengths that formulas need, of one side; for both together their mean. */
export function lengthsOf(client: Client, side: Side | null): BodyLengths {
  const legCm = { left: client.leftLegCm, right: client.rightLegCm };
  const of = (s: Side) =>
    bodyLengths({
      statureCm: client.statureCm,
      legCm: legCm[s],
      shankCm: client.lowerLegCm,
      hipToSternumCm: client.hipToBreastboneCm
    });
  return side === null ? meanLengths(of('left'), of('right')) : of(side);
}

/** Length of one breath of a person, seconds: as it was tapped, else the usual. */
export const breathOf = ({ client }: Pick<ClientCase, 'client'>): number => client.breathS ?? usualBreathS;

export const bodyOf = (client: Client): Body => ({
  statureCm: client.statureCm,
  leftLegCm: legOf(client, 'left').value,
  rightLegCm: legOf(client, 'right').value
});

/** The two legs, the one in front first; without a leading side left and right. */
export function legsOf(client: Client, leadSide: Side | null): { lead: BodyLength; trail: BodyLength } {
  const lead = leadSide ?? 'left';
  return { lead: legOf(client, lead), trail: legOf(client, otherSide(lead)) };
}

/** The calendar date of an instant, where the studio is. */
export const dateOf = (instant: string | Date): string => formatISO(new Date(instant), { representation: 'date' });
