import { asOne, type Database } from '../db/db';
import type { PhotoFiles } from '../photos/photoFiles';
import { listPersonMarks } from '../repo/caseMarkRepo';
import { updateArchived } from '../repo/clientRepo';
import { listExampleIds, markAllAsExample } from '../repo/exampleRepo';
import { listProps, updatePropRemoved } from '../repo/propRepo';
import { changeClient } from './changing';
import { dateOf } from './clientCase';
import { deleteForGood } from './photos';

/**
 * Puts an invented person with nine weeks of work into a studio that has nobody yet, and props on its shelf where it has none; gives
 * their id. Null where somebody is there already, archived or not: nothing is mixed with real records.
 */
export async function showExample(db: Database, files: PhotoFiles, now: Date): Promise<number | null> {
  const { writeExample } = await import('../demo/fillDemo');
  return asOne(db, async (one) => {
    for (const which of ['active', 'archived'] as const) if ((await listPersonMarks(one, which)).people.length > 0) return null;
    const hasShelf = (await listProps(one)).length > 0;
    const id = await writeExample(one, files, dateOf(now), { hasShelf });
    await markAllAsExample(one, 'client');
    if (!hasShelf) await markAllAsExample(one, 'prop');
    return id;
  });
}

/** Takes the example away, and the props that came with it. What belongs to anybody else stays as it is. */
export async function takeExampleAway(db: Database, files: PhotoFiles, now: Date): Promise<void> {
  for (const propId of await listExampleIds(db, 'prop')) await updatePropRemoved(db, propId, now.toISOString());
  for (const clientId of await listExampleIds(db, 'client')) {
    await changeClient(db, clientId, (tx) => updateArchived(tx, clientId, now.toISOString()));
    await deleteForGood(db, files, clientId);
  }
}
