import { LRUCache } from 'lru-cache';
import type { Db } from '../db/db';
import { getCaseMark } from '../repo/caseMarkRepo';
import { loadCase, loadStudioFacts, withLog, type ClientCase, type GoalCase, type Logged, type StudioFacts } from './clientCase';

/** So many people are worked with in a day; more would only take memory. */
const keptCases = 24;

export interface CaseMemory {
  /** Throws: CoreError 'not_found'. */
  caseOf(clientId: number, today: string): Promise<ClientCase>;
  /** The case with its whole log, read once for a case. */
  withLog<C extends GoalCase>(c: C): Promise<C & Logged>;
}

type Kept<T> = Readonly<{ mark: string; facts: Promise<T> }>;

/**
 * Cases that were asked for lately, with all that was derived of them: the next page of a person costs one query.
 *
 * Model:  a case is kept with the marks that were there before it was read, and is read again as soon as one is another. The database gives
 *         a new mark with every change that is committed (migration 0028), whoever made it. What is read inside a transaction never comes here.
 */
export function caseMemory(db: Db): CaseMemory {
  const cases = new LRUCache<number, Kept<ClientCase>>({ max: keptCases });
  const logged = new WeakMap<GoalCase, Promise<GoalCase & Logged>>();
  let studio: Kept<StudioFacts> | null = null;

  const studioOf = (mark: string) => {
    if (studio?.mark !== mark) studio = { mark, facts: loadStudioFacts(db) };
    return studio.facts;
  };
  return {
    async caseOf(clientId, today) {
      const { person, studio: shared } = await getCaseMark(db, clientId);
      const mark = `${person} ${shared} ${today}`;
      const known = cases.get(clientId);
      if (known?.mark === mark) return known.facts;
      const facts = studioOf(`${shared}`).then((found) => loadCase(db, clientId, today, found));
      cases.set(clientId, { mark, facts });
      // What could not be read is asked for again.
      facts.catch(() => {
        studio = null;
        cases.delete(clientId);
      });
      return facts;
    },
    withLog(c) {
      const known = logged.get(c) ?? withLog(db, c);
      logged.set(c, known);
      known.catch(() => logged.delete(c));
      return known as ReturnType<typeof withLog<typeof c>>;
    }
  };
}
