import { z } from 'zod';
import type { Db } from '../db/db';
import { oneRow } from '../db/rows';

const SentRow = z.object({ content: z.string().nullable(), answer: z.unknown() });

/** Notes that a form came in; false where it had come before. Waits while the same one is under way. */
export async function insertSentForm(tx: Db, id: string, content: string): Promise<boolean> {
  const { rowCount } = await tx.query('insert into sent_form (id, content) values ($1, $2) on conflict (id) do nothing', [
    id,
    content
  ]);
  return rowCount === 1;
}

export async function updateSentAnswer(tx: Db, id: string, answer: unknown): Promise<void> {
  await tx.query('update sent_form set answer = $2 where id = $1', [id, JSON.stringify(answer ?? null)]);
}

/** What a form said when it came first, and how it was answered. */
export async function getSentForm(tx: Db, id: string): Promise<z.output<typeof SentRow>> {
  const { rows } = await tx.query('select content, answer from sent_form where id = $1', [id]);
  return oneRow(SentRow, rows, 'sent form');
}

/** Nobody sends a form again after this. */
export async function deleteSentBefore(db: Db, instant: string): Promise<void> {
  await db.query('delete from sent_form where sent_at < $1', [instant]);
}
