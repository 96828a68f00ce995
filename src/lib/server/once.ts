import { asOne, type Database } from './db/db';
import { getSentAnswer, insertSentForm, updateSentAnswer } from './repo/sentFormRepo';

/**
 * Runs what makes a row once for each filling-in of a form, in one transaction with its note: sent again, after two clicks or by a
 * page that heard no answer, it gives the first answer. What failed left no note.
 */
export const once = <O>(db: Database, id: string, run: (db: Database) => O | Promise<O>): Promise<O> =>
  asOne(db, async (tx) => {
    if (!(await insertSentForm(tx, id))) return (await getSentAnswer(tx, id)) as O;
    const answer = await run(tx);
    await updateSentAnswer(tx, id, answer);
    return answer;
  });
