import { redirect } from '@sveltejs/kit';
import { clearForm, clearLockForm, screeningForm } from '$lib/contract/forms';
import { orNotFound } from '$lib/server/orNotFound';
import { openLocks } from '$lib/server/repo/lockRepo';
import { ageYears, clearLock, clearScreening, isOpenForWork, saveScreening } from '$lib/server/service/checking';
import { submitted } from '$lib/server/submitted';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf, today } }) => {
  const found = await orNotFound(caseOf(Number(params.clientId)));
  const { screening, locks, client } = found;
  return {
    screening,
    openLocks: openLocks(locks),
    clearedLocks: locks.filter((l) => l.clearedOn),
    isOpen: isOpenForWork(found),
    ageYears: ageYears(client, today)
  };
};

export const actions: Actions = {
  answer: async ({ request, params, locals: { db, today } }) => {
    const run = (input: Parameters<typeof saveScreening>[2]) => saveScreening(db, Number(params.clientId), input, today);
    const done = await submitted(request, screeningForm, run, { form: 'answer', lists: ['flags'] });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  },
  clear: async ({ request, params, locals: { db, today } }) => {
    const done = await submitted(request, clearForm, (input) => clearScreening(db, Number(params.clientId), input, today), {
      form: 'clear'
    });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  },
  clearLock: async ({ request, params, locals: { db, today } }) => {
    const run = ({ lockId, ...input }: { lockId: number; clearedBy: string; clearNote: string }) =>
      clearLock(db, Number(params.clientId), lockId, input, today);
    const done = await submitted(request, clearLockForm, run, { form: 'clearLock' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/check`);
  }
};
