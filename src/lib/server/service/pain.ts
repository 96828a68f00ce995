import type { ToldPainInput, WithdrawPainInput } from '$lib/contract/forms';
import { addDays, locksFrom, painKindOf, painPlaceOf, type PainEvent, type Side } from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { insertLock } from '../repo/lockRepo';
import { insertPain, updatePainNote, updatePainWithdrawn, type PainRecord } from '../repo/logRepo';
import { endSessionsOf, listSessions } from '../repo/sessionRepo';
import { changeClient } from './changing';
import { dateOf, loadCase, type ClientCase } from './clientCase';
import { loadCatalogue } from './library';
import { perCase } from './perCase';
import { isHurt, painText, toldIn } from './safety';

/** Where a pain was told: the exercise and the side it was done on, where they are known. */
export type ToldAt = Readonly<{ exerciseId: string | null; workSide: Side | null; painEventId: string | null }>;

/** Opens the stops that a told pain asks for; an urgent sign ends whatever session runs. */
export async function lockFor(tx: ClientTx, clientId: number, pain: PainEvent, at: ToldAt, now: Date): Promise<void> {
  const kind = painKindOf(pain.kind);
  const exercise = (await loadCatalogue(tx)).find((e) => e.id === at.exerciseId);
  const stops = locksFrom([pain], exercise && toldIn(exercise, at.workSide));
  const reason = painText({ ...pain, side: painPlaceOf(pain.place).sided ? pain.side : null });
  for (const stop of stops) await insertLock(tx, clientId, { stop, reason, openedOn: dateOf(now), painEventId: at.painEventId });
  if (kind.action === 'urgent') await endSessionsOf(tx, clientId, now.toISOString());
}

/** A pain as the form tells it; without a grade where nobody said how strong it is. */
type LaterPain = Omit<ToldPainInput, 'grade'> & Partial<Pick<ToldPainInput, 'grade'>>;

/**
 * Keeps a pain that is told outside a session: afterwards, the next day, at any time. It belongs to the last session in which the
 * exercise was done, so that verdicts read it there; told twice alike on one day it is kept once, with what was noted each time.
 */
export const tellLater = (db: Database, clientId: number, input: LaterPain, now: Date): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadCase(tx, clientId, dateOf(now));
    const { kind, place, exerciseId, workSide, feltOn, note, grade = null } = input;
    const side = painPlaceOf(place).sided ? input.side : null;
    const known = c.pains.find(
      (p) =>
        p.kind === kind &&
        p.place === place &&
        p.side === side &&
        p.grade === grade &&
        p.feltOn === feltOn &&
        p.exerciseId === exerciseId &&
        p.setIndex === null
    );
    if (known) {
      if (note !== '' && !known.note.includes(note)) await updatePainNote(tx, known.id, `${known.note}\n${note}`.trim());
      return;
    }
    const sessions = c.goal ? await listSessions(tx, c.goal.id) : [];
    const session = sessions.findLast(
      (s) =>
        s.endedAt !== null &&
        s.startedAt !== null &&
        dateOf(s.startedAt) <= feltOn &&
        s.plannedSets.some((p) => p.exerciseId === exerciseId)
    );
    const id = crypto.randomUUID();
    const told = {
      id,
      sessionId: session?.id ?? null,
      setIndex: null,
      exerciseId,
      workSide,
      feltOn,
      note,
      kind,
      place,
      side,
      grade
    };
    await insertPain(tx, clientId, told);
    await lockFor(tx, clientId, { kind, place, side, grade }, { exerciseId, workSide, painEventId: id }, now);
  });

/**
 * Takes back a pain that was told in error: it counts in no verdict and rests nothing any more. What it stopped stays stopped until the Check
 * clears it, since a slip of the hand must not open it.
 *
 * Throws: CoreError 'not_found' for one that is not there, or was taken back already.
 */
export const withdrawPain = (db: Database, clientId: number, input: WithdrawPainInput, now: Date): Promise<void> =>
  changeClient(db, clientId, (tx) => updatePainWithdrawn(tx, clientId, { ...input, at: now.toISOString() }));

/** Days within which a pain told again at one place counts as twice running (assumption). */
const againWithinDays = 14;

export type PainAlert = Readonly<{ text: string; days: readonly [string, string] }>;

/** Places where pain was told on two days running short upon each other: for the instructor to see on every page of the person. */
export const painAlertsOf = perCase((c: ClientCase): PainAlert[] => {
  const places = new Map<string, PainRecord[]>();
  for (const p of c.pains.filter((x) => isHurt(x) && addDays(x.feltOn, againWithinDays) >= c.today)) {
    const key = `${p.place}/${p.side}`;
    places.set(key, [...(places.get(key) ?? []), p]);
  }
  return [...places.values()].flatMap((told): PainAlert[] => {
    const days = [...new Set(told.map((p) => p.feltOn))].toSorted();
    const last = told.at(-1)!;
    const where = `${last.side ? `${last.side} ` : ''}${painPlaceOf(last.place).label.toLowerCase()}`;
    return days.length > 1 ? [{ text: where, days: [days.at(-2)!, days.at(-1)!] }] : [];
  });
});
