import { demoProgressKey } from '$lib/contract/demo';
import { waitsFor } from '$lib/contract/path';
import { rowId } from '$lib/contract/fields';
import { listProps } from '$lib/server/repo/propRepo';
import { updateArchived } from '$lib/server/repo/clientRepo';
import { changeClient } from '$lib/server/service/changing';
import { pathFactsOf } from '$lib/server/service/people';
import { pathOf } from '$lib/server/service/stations';
import { deleteForGood } from '$lib/server/service/photos';
import { runForm } from '$lib/server/runForm';
import { z } from 'zod';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db, memory, today }, url, depends }) => {
  depends(demoProgressKey);
  const which = url.searchParams.get('show') === 'archived' ? 'archived' : 'active';
  const people = await memory.people(which);
  const isEmpty = which === 'active' && people.length === 0;
  return {
    which,
    /** What stands on the shelf, told where nobody is there yet. */
    shelfCount: isEmpty ? (await listProps(db)).length : 0,
    isStart: isEmpty && (await memory.people('archived')).length === 0,
    people: people.map((p) => {
      const { id, name, goal, values, isExample } = p;
      return { id, name, goal, values, isExample, waits: waitsFor(pathOf(pathFactsOf(p), today)) };
    })
  };
};

const personForm = z.object({ clientId: rowId });

export const actions: Actions = {
  archive: async ({ request, locals: { db, now } }) => {
    const done = await runForm(request, personForm, ({ clientId }) =>
      changeClient(db, clientId, (tx) => updateArchived(tx, clientId, now.toISOString()))
    );
    return done.ok ? { archived: true } : done.failure;
  },
  restore: async ({ request, locals: { db } }) => {
    const done = await runForm(request, personForm, ({ clientId }) =>
      changeClient(db, clientId, (tx) => updateArchived(tx, clientId, null))
    );
    return done.ok ? { restored: true } : done.failure;
  },
  delete: async ({ request, locals: { db, photoFiles } }) => {
    const done = await runForm(request, personForm, ({ clientId }) => deleteForGood(db, photoFiles, clientId));
    return done.ok ? { deleted: true } : done.failure;
  }
};
