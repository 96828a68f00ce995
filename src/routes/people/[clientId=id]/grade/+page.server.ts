import { redirect } from '@sveltejs/kit';
import { gradeForm } from '$lib/contract/forms';
import { orNotFound, withGoal } from '$lib/server/orNotFound';
import { chooseStack, gradesOf } from '$lib/server/service/grading';
import { submitted } from '$lib/server/submitted';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = withGoal(await orNotFound(caseOf(Number(params.clientId))));
  if (!c) redirect(307, `/people/${params.clientId}/goal`);
  return { grades: gradesOf(c), shelf: c.shelf };
};

export const actions: Actions = {
  choose: async ({ request, params, locals: { db } }) => {
    const run = ({ side, depthCm }: { side: 'left' | 'right'; depthCm: number }) =>
      chooseStack(db, Number(params.clientId), side, depthCm);
    const done = await submitted(request, gradeForm, run);
    return done.ok ? { chosen: true } : done.failure;
  }
};
