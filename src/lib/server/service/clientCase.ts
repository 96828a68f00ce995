import { formatISO } from 'date-fns';
import type { Units } from '$lib/contract/fields';
import { CoreError, segmentLengths, type Body, type Side, type Settings, type Uncertain } from '$lib/core';
import type { Db } from '../db/db';
import { getClient, type Client } from '../repo/clientRepo';
import { listDecisions, type DecisionRecord } from '../repo/decisionRepo';
import { findGoal, type ClientGoal } from '../repo/goalRepo';
import { listLocks, type BodyLock } from '../repo/lockRepo';
import { listPains, listSetLogs, type PainRecord, type SetLog } from '../repo/logRepo';
import { listOccasions, type Occasion } from '../repo/occasionRepo';
import { findPlan, listSettings, type Plan } from '../repo/planRepo';
import { listProps, type ShelfProp } from '../repo/propRepo';
import { findScreening, type ScreeningRecord } from '../repo/screeningRepo';
import { listSessions, type Session } from '../repo/sessionRepo';
import { getUnits } from '../repo/studioRepo';

/** Everything known of one client and the goal in work: what every station reads, loaded once a request. */
export type ClientCase = Readonly<{
  client: Client;
  units: Units;
  shelf: readonly ShelfProp[];
  screening: ScreeningRecord | null;
  locks: readonly BodyLock[];
  goal: ClientGoal | null;
  occasions: readonly Occasion[];
  plan: Plan | null;
  settings: Settings;
  sessions: readonly Session[];
  setLogs: readonly SetLog[];
  pains: readonly PainRecord[];
  decisions: readonly DecisionRecord[];
}>;

export type GoalCase = ClientCase & Readonly<{ goal: ClientGoal }>;

export async function loadCase(db: Db, clientId: number): Promise<ClientCase> {
  const client = await getClient(db, clientId);
  const goal = await findGoal(db, clientId);
  const base = {
    client,
    goal,
    units: await getUnits(db),
    shelf: await listProps(db),
    screening: await findScreening(db, clientId),
    locks: await listLocks(db, clientId)
  };
  if (!goal) return { ...base, occasions: [], plan: null, settings: {}, sessions: [], setLogs: [], pains: [], decisions: [] };
  return {
    ...base,
    occasions: await listOccasions(db, goal.id),
    plan: await findPlan(db, goal.id),
    settings: await listSettings(db, goal.id),
    sessions: await listSessions(db, goal.id),
    setLogs: await listSetLogs(db, goal.id),
    pains: await listPains(db, goal.id),
    decisions: await listDecisions(db, goal.id)
  };
}

/** The case once a goal is set. Throws: CoreError 'not_found'. */
export async function loadGoalCase(db: Db, clientId: number): Promise<GoalCase> {
  const found = await loadCase(db, clientId);
  if (!found.goal) throw new CoreError('not_found', { what: 'goal' });
  return { ...found, goal: found.goal };
}

/** Error of a leg measured by tape, hip to heel (assumption: docs/sources.md#assumptions). */
const measuredLegSdCm = 1;

export type Leg = Uncertain & Readonly<{ estimated: boolean }>;

/** Length of a leg: measured, or estimated from stature and marked so. */
export function legOf(client: Client, side: Side): Leg {
  const measured = side === 'left' ? client.leftLegCm : client.rightLegCm;
  if (measured !== null) return { value: measured, sd: measuredLegSdCm, estimated: false };
  const { value, sd } = segmentLengths(client.statureCm).legCm;
  return { value, sd, estimated: true };
}

export const bodyOf = (client: Client): Body => ({
  statureCm: client.statureCm,
  leftLegCm: legOf(client, 'left').value,
  rightLegCm: legOf(client, 'right').value
});

export const shorterLegCm = (client: Client): number => Math.min(legOf(client, 'left').value, legOf(client, 'right').value);

/** The calendar date of an instant, where the studio is. */
export const dateOf = (instant: string | Date): string => formatISO(new Date(instant), { representation: 'date' });
