import { redirect } from '@sveltejs/kit';
import { forgetCycleForm, keepCycleForm, nameCycleForm } from '$lib/contract/cycleForm';
import { goalCaseOr } from '$lib/server/orNotFound';
import { deleteNamedCycle, insertNamedCycle } from '$lib/server/repo/choiceRepo';
import { runForm } from '$lib/server/runForm';
import { cycleDesk, keepCycles } from '$lib/server/service/cycles';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf, db } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const desk = await cycleDesk(db, c, url.searchParams.get('exercise') ?? '');
  // What is not in the week, or takes no such shape, is looked at in Grade itself.
  const asked = c.catalogue.find((e) => e.id === url.searchParams.get('exercise'));
  if (!desk) redirect(307, `/people/${params.clientId}/grade${asked ? `?exercise=${asked.id}` : ''}`);
  return { desk };
};

export const actions: Actions = {
  keep: async ({ request, params, locals: { db, now } }) => {
    let exerciseId = '';
    const done = await runForm(
      request,
      keepCycleForm,
      (input) => {
        exerciseId = input.exerciseId;
        return keepCycles(db, Number(params.clientId), input, now);
      },
      { form: 'keep' }
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/grade?exercise=${exerciseId}`);
  },
  name: async ({ request, params, locals: { db, caseOf } }) => {
    await goalCaseOr(caseOf(Number(params.clientId)));
    const done = await runForm(request, nameCycleForm, ({ name, cycle }) => insertNamedCycle(db, name, cycle), { form: 'name' });
    return done.ok ? { named: true } : done.failure;
  },
  forget: async ({ request, params, locals: { db, caseOf } }) => {
    await goalCaseOr(caseOf(Number(params.clientId)));
    const done = await runForm(request, forgetCycleForm, ({ id }) => deleteNamedCycle(db, id), { form: 'forget' });
    return done.ok ? { forgotten: true } : done.failure;
  }
};
