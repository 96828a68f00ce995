import { error } from '@sveltejs/kit';
import { rowId } from '$lib/contract/fields';
import { editPropForm, onlyPropForm, propForm, quantityForm, type PropInput } from '$lib/contract/propForms';
import type { Typed } from '$lib/contract/problem';
import { heightGaps, stacksFor } from '$lib/core';
import type { Database } from '$lib/server/db/db';
import { listPersonMarks } from '$lib/server/repo/caseMarkRepo';
import {
  insertProp,
  listProps,
  listRemovedProps,
  updateProp,
  updatePropRemoved,
  updateQuantity,
  type ShelfProp
} from '$lib/server/repo/propRepo';
import { withGoal } from '$lib/server/service/clientCase';
import { getUnits } from '$lib/server/repo/studioRepo';
import { propOf } from '$lib/server/service/shelf';
import { shelfAskOf, shelfUse, usersOfProp, type ShelfAsk } from '$lib/server/service/shelfUse';
import { runForm, runFormOnce } from '$lib/server/runForm';
import { takenOutSince } from '$lib/server/repo/takenOut';
import type { Actions, PageServerLoad } from './$types';

/** Heights that ladders are built of; above, a chair or a box stands alone. */
const scaleCm = 50;

/** Whose shelf the address means: a client's at home, or the studio's. */
function homeOf(url: URL): number | null {
  const home = url.searchParams.get('home');
  if (home === null) return null;
  const parsed = rowId.safeParse(home);
  return parsed.success ? parsed.data : error(404, 'There is no such page.');
}

/** What is asked of a shelf: of the studio's by everybody, of one at home by whose it is. */
async function asksOf(
  { memory, caseOf, today }: App.Locals,
  clientId: number | null,
  shelf: readonly ShelfProp[]
): Promise<ShelfAsk[]> {
  if (clientId === null) return memory.shelfAsks(today);
  const c = withGoal(await caseOf(clientId));
  return c ? [shelfAskOf(c, shelf)] : [];
}

export const load: PageServerLoad = async ({ url, locals }) => {
  const { db } = locals;
  const clientId = homeOf(url);
  const { people } = await listPersonMarks(db, 'active');
  const home = clientId === null ? null : (people.find((p) => p.id === clientId) ?? error(404, 'There is no such page.'));
  const shelf = await listProps(db, clientId);
  const stacks = (pairs: 1 | 2) => {
    const found = stacksFor({ pairs, bears: pairs === 2 ? 'light' : 'weight' }, shelf);
    return { ...found, gaps: heightGaps(found.stacks, scaleCm) };
  };
  return {
    shelf,
    removed: await listRemovedProps(db, clientId, takenOutSince(locals.now)),
    people: people.map(({ id, name }) => ({ id, name })),
    home: home && { id: home.id, name: home.name },
    one: stacks(1),
    both: stacks(2),
    scaleCm,
    // Every week of every client is looked at: the page does not wait for it.
    use: asksOf(locals, clientId, shelf).then((asks) => shelfUse(shelf, asks))
  };
};

const lengthsOf = (typed: Typed) => ({ ...typed, lengthsCm: [typed.length0, typed.length1, typed.length2] });

export const actions: Actions = {
  add: async ({ request, url, locals: { db } }) => {
    const run = (input: PropInput, one: Database) => one.transaction((tx) => insertProp(tx, propOf(input), homeOf(url)));
    const done = await runFormOnce(request, db, propForm(await getUnits(db)), run, { form: 'add', shape: lengthsOf });
    return done.ok ? { kept: true } : done.failure;
  },
  edit: async ({ request, locals: { db } }) => {
    const run = ({ propId, prop }: { propId: number; prop: PropInput }) =>
      db.transaction((tx) => updateProp(tx, propId, propOf(prop)));
    const done = await runForm(request, editPropForm(await getUnits(db)), run, { form: 'edit', shape: lengthsOf });
    return done.ok ? { kept: true } : done.failure;
  },
  quantity: async ({ request, locals: { db } }) => {
    const done = await runForm(request, quantityForm, ({ propId, quantity }) => updateQuantity(db, propId, quantity), {
      form: 'quantity'
    });
    return done.ok ? { kept: true } : done.failure;
  },
  remove: async ({ request, url, locals }) => {
    const { db, now } = locals;
    const run = async ({ propId }: { propId: number }) => {
      const clientId = homeOf(url);
      const users = usersOfProp(await asksOf(locals, clientId, await listProps(db, clientId)), String(propId));
      await updatePropRemoved(db, propId, now.toISOString());
      return users;
    };
    const done = await runForm(request, onlyPropForm, run, { form: 'remove' });
    return done.ok ? { removed: done.value } : done.failure;
  },
  restore: async ({ request, locals: { db } }) => {
    const done = await runForm(request, onlyPropForm, ({ propId }) => updatePropRemoved(db, propId, null), { form: 'restore' });
    return done.ok ? { kept: true } : done.failure;
  }
};
