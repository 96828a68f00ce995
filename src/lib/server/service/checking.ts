import type { RelaxInput, ClearInput } from '$lib/contract/forms';
import { answeredDraft, type ScreeningDraft, type TopicInput } from '$lib/contract/checkForms';
import {
  CoreError,
  defaultEffortCapPct,
  defaultSensationCap,
  isCleared,
  isScreeningDue,
  linesAtRest,
  screen,
  screeningVersion,
  setByInstructor,
  topicsFor,
  type Limit,
  type Line,
  type Screening,
  type Side,
  type TopicId
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { getClient, updateWeek, type Client } from '../repo/clientRepo';
import { restedLines, updateLockCleared } from '../repo/lockRepo';
import {
  deleteDraft,
  findDraft,
  findScreening,
  insertScreening,
  updateClearance,
  updateRelaxed,
  upsertDraft,
  type ScreeningRecord
} from '../repo/screeningRepo';
import type { ClientCase } from './clientCase';

/** Age by birth year alone, the younger reading. */
export const ageYears = (client: Pick<Client, 'birthYear'>, today: string): number =>
  Number(today.slice(0, 4)) - client.birthYear - 1;

export type ScreeningInput = Omit<ScreeningDraft, 'topics'>;

/** Keeps a whole screening with what it allows. */
export async function saveScreening(db: Db, clientId: number, input: ScreeningInput, today: string): Promise<Screening> {
  const client = await getClient(db, clientId);
  const { flags, sides, endStops, beighton, effortCapPct, sensationCap } = input;
  const result = screen({ flags, sides, endStops, beighton, effortCapPct, sensationCap, ageYears: ageYears(client, today) });
  const { clearance, limits } = result;
  await insertScreening(db, clientId, { ...input, takenOn: today, version: screeningVersion, clearance, limits });
  return result;
}

/** Where a conversation begins: with what was answered last time, no topic asked yet. */
export const freshDraft = (last: ScreeningRecord | null): ScreeningDraft => ({
  topics: [],
  flags: last?.flags ?? [],
  sides: last?.sides ?? {},
  endStops: last?.endStops ?? [],
  beighton: last?.beighton ?? [],
  effortCapPct: last?.effortCapPct ?? defaultEffortCapPct,
  sensationCap: last?.sensationCap ?? defaultSensationCap
});

/**
 * Keeps one card; with the last one the screening is kept whole and the draft goes. Answers the next card, or null when done.
 */
export async function saveTopic(db: Database, clientId: number, input: TopicInput, today: string): Promise<TopicId | null> {
  return db.transaction(async (tx) => {
    const client = await getClient(tx, clientId);
    const age = ageYears(client, today);
    const before = (await findDraft(tx, clientId)) ?? freshDraft(await findScreening(tx, clientId));
    const draft = answeredDraft(before, input);
    if (input.week) await updateWeek(tx, clientId, input.week);
    const asked = topicsFor({ ageYears: age, ...draft });
    const at = asked.findIndex((t) => t.id === input.topic);
    const open = [...asked.slice(at + 1), ...asked.slice(0, at)].find((t) => !draft.topics.includes(t.id));
    if (open) {
      await upsertDraft(tx, clientId, draft);
      return open.id;
    }
    const endStops = asked.some((t) => t.id === 'stops') ? draft.endStops : [];
    await saveScreening(tx, clientId, { ...draft, endStops }, today);
    await deleteDraft(tx, clientId);
    return null;
  });
}

/** A named person clears a client for planning; the answers stay as they were given. */
export async function clearScreening(db: Database, clientId: number, input: ClearInput, today: string): Promise<void> {
  const screening = await findScreening(db, clientId);
  if (!screening) throw new CoreError('not_found', { what: 'screening' });
  await updateClearance(db, screening.id, input.clearedBy, today, input.clearNote);
}

/** A named person relaxes a limit, with a note; never an open stop. Throws: CoreError 'not_found'. */
export async function relaxLimit(db: Database, clientId: number, input: RelaxInput, today: string): Promise<void> {
  const screening = await findScreening(db, clientId);
  const limit = screening?.limits.find((l) => l.kind === input.kind && l.reason === input.reason && l.reason !== setByInstructor);
  if (!screening || !limit) throw new CoreError('not_found', { what: 'limit' });
  const relaxed = { kind: limit.kind, reason: limit.reason, by: input.clearedBy, on: today, note: input.clearNote };
  await updateRelaxed(db, screening.id, [...screening.relaxed, relaxed]);
}

export async function clearLock(db: Database, clientId: number, lockId: number, input: ClearInput, today: string): Promise<void> {
  await updateLockCleared(db, clientId, lockId, input.clearedBy, today, input.clearNote);
}

/** Whether planning and playing are open for this client. No screening is not a yes. */
export const isOpenForWork = ({ screening }: Pick<ClientCase, 'screening'>): boolean =>
  screening !== null && isCleared(screening.clearance, screening.clearedBy);

/** Whether the screening is to be asked again: by its age, or since the questions have changed. */
export const isCheckDue = ({ screening }: Pick<ClientCase, 'screening'>, today: string): boolean =>
  screening === null || isScreeningDue(screening.takenOn, screening.version, screeningVersion, today);

/** How many sessions a newcomer to press and draw stays at the teaching effort. */
const teachingSessions = 2;

/** The limits in force: those of the screening that nobody relaxed, and what is still to be taught. */
export function limitsOf({ screening, sessions }: Pick<ClientCase, 'screening' | 'sessions'>): readonly Limit[] {
  if (!screening) return [];
  const inForce = screening.limits.filter((l) => !screening.relaxed.some((r) => r.kind === l.kind && r.reason === l.reason));
  const done = sessions.filter((s) => s.status === 'done').length;
  return inForce.map((l) => (l.kind === 'teach first, effort cap' && done < teachingSessions ? { ...l, kind: 'effort cap' } : l));
}

/** Lines that are not stretched passively: by an open ache, or by a limit. */
export const restedLinesOf = (c: Pick<ClientCase, 'screening' | 'sessions' | 'locks'>): { line: Line; side: Side }[] => [
  ...restedLines(c.locks),
  ...linesAtRest(limitsOf(c))
];
