import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { compute } from '$lib/contract/door';
import { rowId } from '$lib/contract/fields';
import { startForm, type StartInput } from '$lib/contract/forms';
import { splitCaseOr } from '$lib/server/orNotFound';
import { capsOf, daysBetween } from '$lib/core';
import { isCheckDue, isOpenForWork, limitsOf } from '$lib/server/service/checking';
import { dateOf } from '$lib/server/service/clientCase';
import { prepareSession } from '$lib/server/service/planning';
import { dayOf, startSession } from '$lib/server/service/practising';
import { pendingResume, proposalsOf } from '$lib/server/service/reviewing';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';
import { endedSessions } from '$lib/server/service/sessionRecords';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf, today } }) => {
  const c = await splitCaseOr(caseOf(Number(params.clientId)));
  const { plan } = c;
  const ofPlan = c.sessions.filter((s) => s.status === 'running' || (s.status === 'planned' && s.planId === plan?.id));
  const asked = Number(url.searchParams.get('session'));
  const session = ofPlan.find((s) => s.status === 'running') ?? ofPlan.find((s) => s.id === asked) ?? ofPlan[0] ?? null;
  const lastOn = endedSessions(c).at(-1)?.startedAt;
  return {
    isOpen: isOpenForWork(c),
    hasPlan: plan !== null,
    session,
    prepared: session && plan ? compute(() => session.prescribed ?? prepareSession({ ...c, plan }, session)) : null,
    resume: pendingResume(c),
    isCheckDue: isCheckDue(c, today),
    day: dayOf(c),
    daysSince: lastOn ? daysBetween(dateOf(lastOn), today) : null,
    undecided: proposalsOf(c).length,
    caps: capsOf(limitsOf(c)),
    shelf: c.shelf
  };
};

const sessionForm = z.object({ sessionId: rowId });

export const actions: Actions = {
  start: async ({ request, params, locals: { db, now } }) => {
    const run = async ({ sessionId, ...input }: z.output<typeof sessionForm> & StartInput) => {
      await startSession(db, Number(params.clientId), sessionId, input, now);
      return sessionId;
    };
    const done = await runForm(request, z.intersection(sessionForm, startForm), run, { lists: ['today'] });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/practise/${done.value}`);
  }
};
