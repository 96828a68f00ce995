import { redirect } from '@sveltejs/kit';
import { arrangeForm, type ArrangeInput } from '$lib/contract/arrangeForm';
import { compute } from '$lib/contract/door';
import { capsOf } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { runForm } from '$lib/server/runForm';
import { limitsOf } from '$lib/server/service/checking';
import { arrangeSession, openSession } from '$lib/server/service/planning';
import { hardYesterday } from '$lib/server/service/sessionRecords';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const { plan } = c;
  const asked = Number(url.searchParams.get('session'));
  const session = c.sessions.find((s) => s.id === asked && s.status === 'planned' && s.planId === plan?.id);
  if (!session || !plan) redirect(307, `/people/${params.clientId}/practise`);
  return {
    session: { id: session.id, week: session.week, ordinal: session.ordinal },
    arranged: session.arranged,
    minutes: plan.minutes,
    open: compute(() => openSession({ ...c, plan }, session)),
    effortCapPct: capsOf(limitsOf(c)).effortPct,
    hardYesterday: hardYesterday(c)
  };
};

export const actions: Actions = {
  keep: async ({ request, url, params, locals: { db, today } }) => {
    const sessionId = Number(url.searchParams.get('session'));
    const run = (input: ArrangeInput) => arrangeSession(db, Number(params.clientId), sessionId, input, today);
    const done = await runForm(request, arrangeForm, run);
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/practise?session=${sessionId}`);
  }
};
