import { redirect } from '@sveltejs/kit';
import { clientForm } from '$lib/contract/forms';
import { insertClient } from '$lib/server/repo/clientRepo';
import { getUnits } from '$lib/server/repo/studioRepo';
import { runFormOnce } from '$lib/server/runForm';
import type { Actions } from './$types';

export const actions: Actions = {
  default: async ({ request, locals: { db, today } }) => {
    const form = clientForm(await getUnits(db), today);
    const done = await runFormOnce(request, db, form, (input, tx) => insertClient(tx, input));
    if (!done.ok) return done.failure;
    redirect(303, `/people/${done.value}/goal`);
  }
};
