import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { goalForm, goalIdForm } from '$lib/contract/goalForms';
import { rowId } from '$lib/contract/fields';
import { goals } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { getUnits } from '$lib/server/repo/studioRepo';
import { chooseGoal, closeGoal, saveGoal, stageFacts, turnoutLimit } from '$lib/server/service/goalSetting';
import { runForm, runFormOnce } from '$lib/server/runForm';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const asked = url.searchParams.get('goal');
  const editing = asked === 'new' ? null : (c.goals.find((g) => String(g.id) === asked) ?? c.goal);
  return {
    /** The one chosen from the tiles. */
    kind: z
      .enum(goals.map((g) => g.id))
      .nullable()
      .catch(null)
      .parse(url.searchParams.get('kind')),
    openGoals: c.goals,
    inWorkId: c.goal?.id ?? null,
    editing,
    turnout: turnoutLimit(c),
    stageFacts: editing ? stageFacts(c, editing) : []
  };
};

const setClosed = async ({ request, params, locals: { db } }: RequestEvent, closedAt: string | null) => {
  const run = ({ goalId }: { goalId: number }) => closeGoal(db, Number(params.clientId), goalId, closedAt);
  const done = await runForm(request, goalIdForm, run, { form: 'close' });
  return done.ok ? { changed: true } : done.failure;
};

export const actions: Actions = {
  save: async ({ request, params, url, locals: { db, today } }) => {
    const { length } = await getUnits(db);
    const parsed = rowId.safeParse(url.searchParams.get('goal'));
    const goalId = parsed.success ? parsed.data : null;
    const done = await runFormOnce(
      request,
      db,
      goalForm(length, today),
      (input, tx) => saveGoal(tx, Number(params.clientId), goalId, input, today),
      { form: 'save' }
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}`);
  },
  work: async ({ request, params, locals: { db } }) => {
    const run = ({ goalId }: { goalId: number }) => chooseGoal(db, Number(params.clientId), goalId);
    const done = await runForm(request, goalIdForm, run, { form: 'work' });
    return done.ok ? { changed: true } : done.failure;
  },
  close: (event) => setClosed(event, event.locals.now.toISOString()),
  reopen: (event) => setClosed(event, null)
};
