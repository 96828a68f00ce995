import { createHash } from 'node:crypto';
import { CoreError } from '$lib/core';
import { asOne, type Database } from './db/db';
import { getSentForm, insertSentForm, updateSentAnswer } from './repo/sentFormRepo';

/** One filling-in of a form: its id, and everything it says. */
export type Sent = Readonly<{ id: string; said: unknown }>;

/**
 * Runs what makes a row once for each filling-in of a form, in one transaction with its note: sent again, after two clicks or by a
 * page that heard no answer, it gives the first answer. What failed left no note.
 *
 * Throws: CoreError 'sent_otherwise' where it says something else by now: the first is kept, and a correction is never dropped unsaid.
 */
export const once = <O>(db: Database, { id, said }: Sent, run: (db: Database) => O | Promise<O>): Promise<O> =>
  asOne(db, async (tx) => {
    const content = createHash('sha256').update(JSON.stringify(said)).digest('base64');
    if (!(await insertSentForm(tx, id, content))) {
      const first = await getSentForm(tx, id);
      if (first.content !== null && first.content !== content) throw new CoreError('sent_otherwise');
      return first.answer as O;
    }
    const answer = await run(tx);
    await updateSentAnswer(tx, id, answer);
    return answer;
  });
