import type { JudgementInput } from '$lib/contract/forms';
import { CoreError } from '$lib/core';
import type { Database, Db } from '../db/db';
import { insertJudgement, updateJudgementRemoved, type Noted } from '../repo/judgementRepo';
import { changeClient } from './changing';
import { loadCatalogue } from './library';

/**
 * Keeps a dated judgement of a person, or of an exercise with them.
 *
 * Throws: CoreError 'not_found' for a person or an exercise that does not exist.
 */
export const judge = (
  db: Database,
  clientId: number,
  { exerciseId, judgement }: JudgementInput,
  today: string
): Promise<number> =>
  changeClient(db, clientId, async (tx) => {
    const isKnown = exerciseId === null || (await loadCatalogue(tx)).some((e) => e.id === exerciseId);
    if (!isKnown) throw new CoreError('not_found', { what: 'exercise' });
    return insertJudgement(tx, clientId, { exerciseId, judgement, judgedOn: today });
  });

/** Takes a judgement out of sight, or brings it back. Throws: CoreError 'not_found'. */
export const setJudgementRemoved = (db: Database, clientId: number, id: number, removedAt: string | null): Promise<void> =>
  changeClient(db, clientId, (tx) => updateJudgementRemoved(tx, clientId, id, removedAt));

/** What was noted, with the names of its exercises. */
export async function withNames(db: Db, noted: readonly Noted[]) {
  const catalogue = await loadCatalogue(db);
  const nameOf = (id: string) => catalogue.find((e) => e.id === id)?.name ?? 'An exercise that is gone';
  return noted.map((n) => ({ ...n, exerciseName: n.exerciseId === null ? null : nameOf(n.exerciseId) }));
}
