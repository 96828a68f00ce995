import { setImmediate as othersTurn } from 'node:timers/promises';
import { LRUCache } from 'lru-cache';
import type { Outlook } from '$lib/contract/forecast';
import type { Db } from '../db/db';
import { getCaseMark, listPersonMarks, type PeopleList, type PersonMark } from '../repo/caseMarkRepo';
import { countScores, type ScoreCount } from '../repo/forecastRepo';
import { listPeople, type Person } from '../repo/peopleRepo';
import {
  loadCase,
  loadStudioFacts,
  withGoal,
  withLog,
  type ClientCase,
  type GoalCase,
  type Logged,
  type StudioFacts
} from './clientCase';
import { outlooksOf, scoreTotals, type ScoreTotal } from './forecasting';
import { shelfAskOf, type ShelfAsk } from './shelfUse';

/** So many people are worked with in a day; more would only take memory. */
const keptCases = 24;

/** So many people are counted before others have their turn. */
const countedAtOnce = 10;

export interface CaseMemory {
  /** As `loadCase`, on that day. Throws: CoreError 'not_found'. */
  caseOf(clientId: number, today: string): Promise<ClientCase>;
  /** The case with its whole log, read once for a case. */
  withLog<C extends GoalCase>(c: C): Promise<C & Logged>;
  /** Where the goal is going, told once for a case. */
  outlooksOf(c: GoalCase): Promise<readonly Outlook[]>;
  /** Everyone of the list, by name. */
  people(which: PeopleList): Promise<Person[]>;
  /** How often forecasts of one kind of goal held, of everyone; kept person by person, since all of them are read on one page. */
  scoreTotals(): Promise<ScoreTotal[]>;
  /** What everyone who trains asks of the studio's shelf; of those without a goal nothing. */
  shelfAsks(today: string): Promise<ShelfAsk[]>;
}

type Kept<T> = Readonly<{ mark: string; facts: T }>;

/**
 * What was read of people and derived of that, for as long as nothing of it has changed: the next page of a person costs one query, and a list of
 * all those who changed since.
 *
 * Model:  facts are kept with the marks that were there before they were read, and are read again as soon as one is another. The database gives
 *         a new mark with every change that is committed (migration 0028), whoever made it. What is read inside a transaction never comes here.
 */
export function caseMemory(db: Db): CaseMemory {
  const cases = new LRUCache<number, Kept<Promise<ClientCase>>>({ max: keptCases });
  const logged = readOnce((c: GoalCase) => withLog(db, c));
  const outlooks = readOnce((c: GoalCase) => outlooksOf(db, c));
  const rows = { active: new Map<number, Kept<Person>>(), archived: new Map<number, Kept<Person>>() };
  const asks = new Map<number, Kept<ShelfAsk | null>>();
  const scores = new Map<number, Kept<readonly ScoreCount[]>>();
  let studio: Kept<Promise<StudioFacts>> | null = null;

  const studioFacts = (mark: string) => {
    if (studio?.mark !== mark) studio = { mark, facts: loadStudioFacts(db) };
    return studio.facts;
  };

  return {
    async caseOf(clientId, today) {
      const marks = await getCaseMark(db, clientId);
      const mark = `${marks.person} ${marks.studio} ${today}`;
      const known = cases.get(clientId);
      if (known?.mark === mark) return known.facts;
      const facts = studioFacts(`${marks.studio}`).then((shared) => loadCase(db, clientId, today, shared));
      cases.set(clientId, { mark, facts });
      // What could not be read is asked for again.
      facts.catch(() => {
        studio = null;
        cases.delete(clientId);
      });
      return facts;
    },
    withLog: (c) => logged(c) as ReturnType<typeof withLog<typeof c>>,
    outlooksOf: outlooks,
    async people(which) {
      const { people, studio: shared } = await listPersonMarks(db, which);
      return upToDate(rows[which], people, shared, async function* (ids) {
        for (const person of await listPeople(db, ids)) yield [person.id, person];
      });
    },
    async scoreTotals() {
      const lists = await Promise.all((['active', 'archived'] as const).map((which) => listPersonMarks(db, which)));
      const everyone = lists.flatMap((list) => list.people);
      const counts = await upToDate(scores, everyone, null, async function* (ids) {
        for (let i = 0; i < ids.length; i += countedAtOnce) {
          await othersTurn();
          const some = ids.slice(i, i + countedAtOnce);
          const found = await countScores(db, some);
          for (const id of some) yield [id, found.filter((f) => f.clientId === id)];
        }
      });
      return scoreTotals(counts.flat());
    },
    async shelfAsks(today) {
      const { people, studio: shared } = await listPersonMarks(db, 'active');
      const all = await upToDate(asks, people, `${shared} ${today}`, async function* (ids) {
        for (const id of ids) {
          // One person at a time: nobody waits for all of them, and no memory holds all their cases.
          await othersTurn();
          const c = withGoal(await loadCase(db, id, today, await studioFacts(`${shared}`)));
          yield [id, c && shelfAskOf(c, c.shelf)];
        }
      });
      return all.filter((ask) => ask !== null);
    }
  };
}

/** Reads something of a case once, for as long as that lives; what could not be read is asked for again. */
function readOnce<C extends GoalCase, T>(read: (c: C) => Promise<T>): (c: C) => Promise<T> {
  const known = new WeakMap<C, Promise<T>>();
  return (c) => {
    const asked = known.get(c) ?? read(c);
    known.set(c, asked);
    asked.catch(() => known.delete(c));
    return asked;
  };
}

/** What is kept of people, in their order, after those who are new or have changed were read; who is not among them any more is let go. */
async function upToDate<T>(
  kept: Map<number, Kept<T>>,
  people: readonly PersonMark[],
  shared: string | null,
  read: (ids: number[]) => AsyncIterable<readonly [number, T]>
): Promise<T[]> {
  const marks = new Map(people.map(({ id, mark }) => [id, `${mark} ${shared}`]));
  for (const id of kept.keys()) if (!marks.has(id)) kept.delete(id);
  const changed = people.flatMap(({ id }) => (kept.get(id)?.mark === marks.get(id) ? [] : [id]));
  if (changed.length > 0) for await (const [id, facts] of read(changed)) kept.set(id, { mark: marks.get(id)!, facts });
  return people.flatMap(({ id }) => kept.get(id)?.facts ?? []);
}
