import { redirect } from '@sveltejs/kit';
import { keepLiftsForm } from '$lib/contract/liftForm';
import { goalCaseOr } from '$lib/server/orNotFound';
import { runForm } from '$lib/server/runForm';
import { keepLifts, liftsDesk } from '$lib/server/service/lifts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const desk = liftsDesk(c, url.searchParams.get('exercise') ?? '');
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
      keepLiftsForm,
      (input) => {
        exerciseId = input.exerciseId;
        return keepLifts(db, Number(params.clientId), input, now);
      },
      { form: 'keep' }
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/grade?exercise=${exerciseId}`);
  }
};
