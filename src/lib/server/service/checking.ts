import { differenceInYears, parseISO } from 'date-fns';
import type { RelaxInput, ClearInput } from '$lib/contract/forms';
import { answeredDraft, type ScreeningDraft, type TopicInput } from '$lib/contract/checkForms';
import {
  CoreError,
  defaultEffortCapPct,
  defaultSensationCap,
  isCleared,
  isPersonStop,
  isScreeningDue,
  joints as allJoints,
  jointsOfGoal,
  screen,
  ageLimits,
  screeningRows,
  screeningVersion,
  setByInstructor,
  topicsFor,
  whileTaught,
  type Joint,
  type Limit,
  type Screening,
  type TopicId
} from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { getClient, updateWeek, type Client } from '../repo/clientRepo';
import { listLocks, openStops, updateLockCleared } from '../repo/lockRepo';
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
import { listGoals } from '../repo/goalRepo';
import { changeClient } from './changing';
import type { ClientCase } from './clientCase';

/** An age, or of a year of birth alone the two ages it may be: limits of the young take the one, those of the old the other. */
export function agesOf({ birthYear, birthDate }: Pick<Client, 'birthYear' | 'birthDate'>, today: string) {
  if (birthDate !== null) {
    const years = differenceInYears(parseISO(today), parseISO(birthDate));
    return { ageYears: years, oldestYears: years };
  }
  const oldestYears = Number(today.slice(0, 4)) - birthYear;
  return { ageYears: oldestYears - 1, oldestYears };
}

/** Answers; `adult` is left out of those of an adult. */
export type ScreeningInput = Omit<ScreeningDraft, 'topics' | 'adult'> & Partial<Pick<ScreeningDraft, 'adult'>>;

/** Keeps a whole screening with what it allows. */
export async function saveScreening(tx: ClientTx, clientId: number, input: ScreeningInput, today: string): Promise<Screening> {
  const client = await getClient(tx, clientId);
  const goals = await listGoals(tx, clientId);
  const isAfterInjury = goals.some((g) => g.kind === afterInjury.goal);
  const flags = isAfterInjury ? withFlag(input.flags) : input.flags;
  const { sides, endStops, beighton, effortCapPct, sensationCap } = input;
  requireEndStops(flags, endStops);
  const result = screen({ flags, sides, endStops, beighton, effortCapPct, sensationCap, ...agesOf(client, today) });
  const { clearance, limits } = result;
  const joints = jointsToAsk(goals, flags);
  await insertScreening(tx, clientId, {
    adult: '',
    ...input,
    flags,
    joints,
    takenOn: today,
    version: screeningVersion,
    clearance,
    limits
  });
  return result;
}

/** The goal that asks for a clinician's clearance, and the row of the Check that says so. */
const afterInjury = { goal: 'return_of_range', row: 'rehabilitation' } as const;
const withFlag = (flags: readonly string[]): string[] => [...new Set([...flags, afterInjury.row])];

/** Once range is to come back after an injury, the answers already given are held against that: a named person clears it first. */
export async function askClearanceFor(
  tx: ClientTx,
  c: Pick<ClientCase, 'client' | 'screening' | 'today'>,
  kind: string
): Promise<void> {
  const { screening, client, today } = c;
  if (kind !== afterInjury.goal || !screening || screening.flags.includes(afterInjury.row)) return;
  const answers = { ...screening, flags: withFlag(screening.flags) };
  const { clearance, limits } = screen({ ...answers, ...agesOf(client, today) });
  await insertScreening(tx, client.id, { ...answers, clearance, limits });
}

/** An artificial knee ends where its clinician says, a bony stop where it was found: without the angle nothing could hold it. */
function requireEndStops(flags: readonly string[], endStops: ScreeningInput['endStops']): void {
  if (flags.includes('artificial_knee') && !endStops.some((s) => s.motion === 'KF'))
    throw new CoreError('end_stop_missing', { motion: 'knee flexion' });
  if (flags.includes('bony_stop') && endStops.length === 0) throw new CoreError('end_stop_missing', { motion: '' });
}

/** Where a conversation begins: with what was answered last time, no topic asked yet. */
export const freshDraft = (last: ScreeningRecord | null): ScreeningDraft => ({
  topics: [],
  flags: last?.flags ?? [],
  sides: last?.sides ?? {},
  endStops: last?.endStops ?? [],
  beighton: last?.beighton ?? [],
  effortCapPct: last?.effortCapPct ?? defaultEffortCapPct,
  sensationCap: last?.sensationCap ?? defaultSensationCap,
  adult: last?.adult ?? ''
});

/**
 * Keeps one card; with the last one the screening is kept whole and the draft goes. Answers the next card, or null when done.
 */
export const saveTopic = (db: Database, clientId: number, input: TopicInput, today: string): Promise<TopicId | null> =>
  changeClient(db, clientId, async (tx) => {
    const client = await getClient(tx, clientId);
    const ages = agesOf(client, today);
    const last = await findScreening(tx, clientId);
    const topicsOf = (of: Pick<ScreeningDraft, 'flags' | 'beighton'>) => topicsFor({ ...ages, ...of, joints });
    const known = await findDraft(tx, clientId);
    const fresh = freshDraft(last);
    const joints = jointsToAsk(await listGoals(tx, clientId), (known ?? fresh).flags);
    // Only the joints of a new goal are left to ask: the other answers stand.
    const isRest = last !== null && input.topic === 'goal' && !isOutdated(last, today);
    const topics = isRest ? topicsOf(fresh).map((t) => t.id) : fresh.topics;
    const before = known ?? { ...fresh, topics };
    const draft = answeredDraft(before, input);
    if (input.week) await updateWeek(tx, clientId, input.week);
    const asked = topicsOf(draft);
    const at = asked.findIndex((t) => t.id === input.topic);
    if (input.topic === 'stops') requireEndStops(draft.flags, draft.endStops);
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

/** A named person clears a client for planning; the answers stay as they were given. */
export const clearScreening = (db: Database, clientId: number, input: ClearInput, today: string): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const screening = await findScreening(tx, clientId);
    if (!screening) throw new CoreError('not_found', { what: 'screening' });
    await updateClearance(tx, screening.id, input.clearedBy, today, input.clearNote);
  });

/** A named person relaxes a limit, with a note; never an open stop. Throws: CoreError 'not_found'. */
export const relaxLimit = (db: Database, clientId: number, input: RelaxInput, today: string): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const screening = await findScreening(tx, clientId);
    const limit = screening?.limits.find((l) => l.kind === input.kind && l.from === input.from && l.from !== setByInstructor);
    if (!screening || !limit) throw new CoreError('not_found', { what: 'limit' });
    const relaxed = { kind: limit.kind, from: limit.from, by: input.clearedBy, on: today, note: input.clearNote };
    await updateRelaxed(tx, screening.id, [...screening.relaxed, relaxed]);
  });

/** A named person clears a stop; one that was cleared keeps the first name. Throws: CoreError 'not_found'. */
export const clearLock = (db: Database, clientId: number, lockId: number, input: ClearInput, today: string): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    if (await updateLockCleared(tx, clientId, lockId, input.clearedBy, today, input.clearNote)) return;
    if (!(await listLocks(tx, clientId)).some((l) => l.id === lockId)) throw new CoreError('not_found', { what: 'stop' });
  });

/** Whether planning and playing are open for this client. No screening is not a yes. */
export const isOpenForWork = ({ screening, locks }: Pick<ClientCase, 'screening' | 'locks'>): boolean =>
  isCheckPassed(screening) && !openStops(locks).some(isPersonStop);

/** Whether the answers of the Check open the work, or a named person did. */
export const isCheckPassed = (screening: ScreeningRecord | null): boolean =>
  screening !== null && isCleared(screening.clearance, screening.clearedBy);

/** True where the screening is to be asked again: by its age, since the questions have changed, or since a goal moves a joint nobody asked about. */
export const isCheckDue = (c: Pick<ClientCase, 'screening' | 'goals'>, today: string): boolean =>
  c.screening === null || isOutdated(c.screening, today) || unaskedJoints(c).length > 0;

const isOutdated = ({ takenOn, version }: ScreeningRecord, today: string): boolean =>
  isScreeningDue(takenOn, version, screeningVersion, today);

/** Joints of all goals that are open, from the head down. */
const jointsOfGoals = (goals: ClientCase['goals']): Joint[] => {
  const moved = new Set(goals.flatMap(jointsOfGoal));
  return allJoints.filter((j) => moved.has(j));
};

/** Joints a Check asks about: those the goals move, and any other in which something was found before, so that no finding goes unasked. */
export const jointsToAsk = (goals: ClientCase['goals'], flags: readonly string[]): Joint[] => {
  const found = new Set(screeningRows.flatMap((row) => (row.joint && flags.includes(row.id) ? [row.joint.at] : [])));
  const moved = jointsOfGoals(goals);
  return allJoints.filter((j) => moved.includes(j) || found.has(j));
};

/** Joints the goals move that the last Check did not ask about. */
export const unaskedJoints = ({ screening, goals }: Pick<ClientCase, 'screening' | 'goals'>): Joint[] =>
  screening === null ? [] : jointsOfGoals(goals).filter((j) => !screening.joints.includes(j));

/** The limits in force: those of the screening that nobody relaxed, those of the age today, and what is still to be taught. */
export function limitsOf({
  client,
  screening,
  sessions,
  today
}: Pick<ClientCase, 'client' | 'screening' | 'sessions' | 'today'>): readonly Limit[] {
  const { ageYears, oldestYears } = agesOf(client, today);
  const kept = screening?.limits ?? [];
  const ofAge = ageLimits(ageYears, oldestYears).limits.filter((l) => !kept.some((k) => k.kind === l.kind && k.from === l.from));
  const inForce = [...kept, ...ofAge].filter((l) => !screening?.relaxed.some((r) => r.kind === l.kind && r.from === l.from));
  const done = sessions.filter((s) => s.status === 'done').length;
  return whileTaught(inForce, done);
}
