import type { JudgementInput } from '$lib/contract/forms';
import { CoreError } from '$lib/core';
import type { Db } from '../db/db';
import { getClient } from '../repo/clientRepo';
import { insertJudgement, type Noted } from '../repo/judgementRepo';
import { loadCatalogue } from './library';

/**
 * Keeps a dated judgement of a person, or of an exercise with them.
 *
 * Throws: CoreError 'not_found' for a person or an exercise that does not exist.
 */
export async function judge(db: Db, clientId: number, { exerciseId, judgement }: JudgementInput, today: string): Promise<number> {
  await getClient(db, clientId);
  const isKnown = exerciseId === null || (await loadCatalogue(db)).some((e) => e.id === exerciseId);
  if (!isKnown) throw new CoreError('not_found', { what: 'exercise' });
  return insertJudgement(db, clientId, { exerciseId, judgement, judgedOn: today });
}

/** What was noted, with the names of its exercises. */
export async function withNames(db: Db, noted: readonly Noted[]) {
  const catalogue = await loadCatalogue(db);
  const nameOf = (id: string) => catalogue.find((e) => e.id === id)?.name ?? 'An exercise that is gone';
  return noted.map((n) => ({ ...n, exerciseName: n.exerciseId === null ? null : nameOf(n.exerciseId) }));
}
