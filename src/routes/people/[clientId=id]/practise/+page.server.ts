import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { compute } from '$lib/contract/door';
import { rowId } from '$lib/contract/fields';
import { breathForm, startForm, type StartInput } from '$lib/contract/forms';
import { writeForm, type WriteInput } from '$lib/contract/setForms';
import { goalCaseOr } from '$lib/server/orNotFound';
import { capsOf, daysBetween } from '$lib/core';
import { isCheckDue, isOpenForWork, limitsOf } from '$lib/server/service/checking';
import { breathOf, dateOf, shelfAt, isPlanned } from '$lib/server/service/clientCase';
import { changeClient } from '$lib/server/service/changing';
import { updateBreath } from '$lib/server/repo/clientRepo';
import { prepareSession } from '$lib/server/service/composing';
import { dayOf, startSession, writeSession } from '$lib/server/service/practising';
import { pendingResume, verdictsWaiting } from '$lib/server/service/reviewing';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';
import { endedSessions } from '$lib/server/service/sessionRecords';

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const { plan } = c;
  const ofPlan = c.sessions.filter((s) => s.status === 'running' || (s.status === 'planned' && s.planId === plan?.id));
  const asked = Number(url.searchParams.get('session'));
  const session = ofPlan.find((s) => s.status === 'running') ?? ofPlan.find((s) => s.id === asked) ?? ofPlan[0] ?? null;
  const lastOn = endedSessions(c).at(-1)?.startedAt;
  return {
    isOpen: isOpenForWork(c),
    hasPlan: plan !== null,
    session,
    prepared:
      session && isPlanned(c) ? compute(() => (session.prescribed ? session.prescribed : prepareSession(c, session))) : null,
    resume: await pendingResume(db, c),
    isCheckDue: isCheckDue(c, today),
    day: dayOf(c),
    daysSince: lastOn ? daysBetween(dateOf(lastOn), today) : null,
    undecided: verdictsWaiting(c),
    caps: capsOf(limitsOf(c)),
    breath: { s: breathOf(c), isOwn: c.client.breathS !== null },
    shelf: shelfAt(c, session?.place ?? 'studio')
  };
};

const sessionForm = z.object({ sessionId: rowId });

export const actions: Actions = {
  breath: async ({ request, params, locals: { db } }) => {
    const run = ({ breathS }: z.output<typeof breathForm>) => {
      const clientId = Number(params.clientId);
      return changeClient(db, clientId, (tx) => updateBreath(tx, clientId, breathS));
    };
    const done = await runForm(request, breathForm, run, { form: 'breath' });
    return done.ok ? { kept: true } : done.failure;
  },
  start: async ({ request, params, locals: { db, now } }) => {
    const run = async ({ sessionId, ...input }: z.output<typeof sessionForm> & StartInput) => {
      await startSession(db, Number(params.clientId), sessionId, input, now);
      return sessionId;
    };
    const done = await runForm(request, z.intersection(sessionForm, startForm), run, { lists: ['today'] });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/practise/${done.value}`);
  },
  write: async ({ request, params, locals: { db, now, today } }) => {
    const run = (input: WriteInput) => writeSession(db, Number(params.clientId), input, now);
    const done = await runForm(request, writeForm(today), run, { lists: ['today'] });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/review`);
  }
};
