import { exerciseOf } from '$lib/core';
import { asOne, type Database } from '../db/db';
import type { PhotoFiles } from '../photos/photoFiles';
import { listPersonMarks } from '../repo/caseMarkRepo';
import { insertNamedCycle } from '../repo/choiceRepo';
import { insertDemoPerson, listDemoPeople } from '../repo/demoRepo';
import { insertOwnExercise } from '../repo/exerciseRepo';
import { insertProp } from '../repo/propRepo';
import { dateOf } from '../service/clientCase';
import { writeHistory } from './history';
import { lanternHall, lanternHallCycles, lanternHallExercise, lanternHallShelf, type Story } from './lanternHall';

/** How many people of the demo are there, of how many. */
export type DemoProgress = Readonly<{ done: number; total: number }>;

const firstSeed = 1000;

const weeksOf = ({ plan, practice }: Story): number => plan?.weeksAgo ?? practice?.weeksAgo ?? 0;
/** After the first, whom a studio opens with, the longest history: it is written before anybody can wait for it. */
const inOrder = (): [number, Story][] => {
  const [first, ...others] = lanternHall.entries();
  return [first!, ...others.toSorted(([, a], [, b]) => weeksOf(b) - weeksOf(a))];
};

/**
 * Fills a studio with Lantern Hall, one person in one transaction: what was filled stays, whatever ends the fill, and the next one goes
 * on from there. Yields the progress at the start and after each person; who takes no more stops it between two people. A studio that
 * has people of its own is left as it is.
 */
export async function* fillDemo(db: Database, files: PhotoFiles, now: Date): AsyncGenerator<DemoProgress> {
  const there = new Set(await listDemoPeople(db));
  if (there.size === 0 && (await listPersonMarks(db, 'active')).people.length > 0) return;
  const total = lanternHall.length;
  yield { done: there.size, total };
  for (const [i, story] of inOrder()) {
    const { name } = story.client;
    if (there.has(name)) continue;
    await asOne(db, async (one) => {
      if (there.size === 0) await fillShelfAndLibrary(one);
      await writeHistory(one, files, story, dateOf(now), firstSeed + i);
      await insertDemoPerson(one, name);
    });
    there.add(name);
    yield { done: there.size, total };
  }
}

async function fillShelfAndLibrary(db: Database): Promise<void> {
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  for (const [name, cycle] of lanternHallCycles) await insertNamedCycle(db, name, cycle);
  const { copyOf, ...changed } = lanternHallExercise;
  await insertOwnExercise(db, { ...exerciseOf(copyOf), ...changed, family: 'Own exercises' }, copyOf);
}

/** Writes the first person of the demo alone, for a studio that has nobody yet. Returns their id. */
export async function writeExample(
  db: Database,
  files: PhotoFiles,
  today: string,
  { hasShelf }: Readonly<{ hasShelf: boolean }>
): Promise<number> {
  if (!hasShelf) for (const prop of lanternHallShelf) await db.transaction((tx) => insertProp(tx, prop));
  return writeHistory(db, files, lanternHall[0]!, today, firstSeed);
}
