import { gradeForm } from '$lib/contract/forms';
import { splitCaseOr } from '$lib/server/orNotFound';
import { chooseStack, gradesOf } from '$lib/server/service/grading';
import { submitted } from '$lib/server/submitted';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = await splitCaseOr(caseOf(Number(params.clientId)));
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
