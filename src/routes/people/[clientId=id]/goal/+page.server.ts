import { redirect } from '@sveltejs/kit';
import { goalForm } from '$lib/contract/forms';
import { getClient } from '$lib/server/repo/clientRepo';
import { findGoal, insertGoal, updateGoal } from '$lib/server/repo/goalRepo';
import { getUnits } from '$lib/server/repo/studioRepo';
import { submitted } from '$lib/server/submitted';
import type { Actions } from './$types';

export const actions: Actions = {
  default: async ({ request, params, locals: { db, today } }) => {
    const { length } = await getUnits(db);
    const clientId = Number(params.clientId);
    const done = await submitted(request, goalForm(length, today), async (input) => {
      await getClient(db, clientId);
      const goal = await findGoal(db, clientId);
      if (goal) await updateGoal(db, goal.id, input);
      else await insertGoal(db, clientId, input);
    });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}`);
  }
};
