import { redirect } from '@sveltejs/kit';
import { clientForm } from '$lib/contract/forms';
import { getUnits } from '$lib/server/repo/studioRepo';
import { runForm } from '$lib/server/runForm';
import { changePerson } from '$lib/server/service/measuring';
import type { Actions } from './$types';

export const actions: Actions = {
  default: async ({ request, params, locals: { db, today } }) => {
    const form = clientForm(await getUnits(db), today);
    const done = await runForm(request, form, (input) => changePerson(db, Number(params.clientId), input));
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}`);
  }
};
