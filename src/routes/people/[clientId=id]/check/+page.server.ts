import { redirect } from '@sveltejs/kit';
import { topicForm } from '$lib/contract/checkForms';
import { clearForm, clearLockForm, relaxForm } from '$lib/contract/forms';
import { topicsFor } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { openLocks } from '$lib/server/repo/lockRepo';
import { findConsent } from '$lib/server/repo/photoRepo';
import { findDraft } from '$lib/server/repo/screeningRepo';
import {
  agesOf,
  clearLock,
  clearScreening,
  freshDraft,
  isCheckDue,
  isOpenForWork,
  jointsToAsk,
  relaxLimit,
  saveTopic,
  unaskedJoints
} from '$lib/server/service/checking';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf, db, today } }) => {
  const found = await orNotFound(caseOf(Number(params.clientId)));
  const { screening, locks, client } = found;
  const begun = await findDraft(db, client.id);
  const draft = begun ?? freshDraft(screening);
  const ages = agesOf(client, today);
  const joints = jointsToAsk(found.goals, draft.flags);
  const cards = topicsFor({ ...ages, ...draft, joints });
  const asked = cards.find((t) => t.id === url.searchParams.get('topic'));
  const open = cards.find((t) => !draft.topics.includes(t.id)) ?? cards[0]!;
  return {
    screening,
    begun: begun !== null,
    draft,
    /** The card to answer; null shows what was answered. */
    topicId: asked?.id ?? (screening === null ? open.id : null),
    goesOnAt: open.id,
    openLocks: openLocks(locks),
    exerciseNames: Object.fromEntries(found.catalogue.map((e) => [e.id, e.name])),
    clearedLocks: locks.filter((l) => l.clearedOn),
    isOpen: isOpenForWork(found),
    isDue: isCheckDue(found, today),
    ages,
    joints,
    /** Joints of the goals that the last Check did not ask about. */
    unasked: unaskedJoints(found),
    photoConsent: await findConsent(db, client.id),
    sessionsDone: found.sessions.filter((x) => x.status === 'done').length,
    birthDate: client.birthDate,
    week: { weekHolds: client.weekHolds, homeProps: client.homeProps }
  };
};

export const actions: Actions = {
  topic: async ({ request, params, locals: { db, today } }) => {
    const run = (input: Parameters<typeof saveTopic>[2]) => saveTopic(db, Number(params.clientId), input, today);
    const lists = ['flags', 'beighton', 'weekHolds'];
    const done = await runForm(request, topicForm, run, { form: 'topic', lists });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check${done.value ? `?topic=${done.value}` : ''}`);
  },
  clear: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, clearForm, (input) => clearScreening(db, Number(params.clientId), input, today), {
      form: 'clear'
    });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  },
  relax: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, relaxForm, (input) => relaxLimit(db, Number(params.clientId), input, today), {
      form: 'relax'
    });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  },
  clearLock: async ({ request, params, locals: { db, today } }) => {
    const run = ({ lockId, ...input }: { lockId: number; clearedBy: string; clearNote: string }) =>
      clearLock(db, Number(params.clientId), lockId, input, today);
    const done = await runForm(request, clearLockForm, run, { form: 'clearLock' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  }
};
