import { error, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { rowId } from '$lib/contract/fields';
import { correctionForm, measureId } from '$lib/contract/measureForms';
import { measureOf } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { listTrialsOfDay } from '$lib/server/repo/occasionRepo';
import { formDataOf, runForm } from '$lib/server/runForm';
import { lengthsOf } from '$lib/server/service/clientCase';
import { correctTrial, setTrialRemoved } from '$lib/server/service/measuring';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const askedForm = z.object({ occasion: rowId, m: measureId });

/** Which numbers are asked for; without an answer there is nothing to correct. */
function askedOf({ url, params }: Pick<RequestEvent, 'url' | 'params'>) {
  const asked = askedForm.safeParse(Object.fromEntries(url.searchParams));
  if (!asked.success) redirect(307, `/people/${params.clientId}/measure`);
  return { occasionId: asked.data.occasion, measureId: asked.data.m };
}

export const load: PageServerLoad = async (event) => {
  const { client, occasions } = await orNotFound(event.locals.caseOf(Number(event.params.clientId)));
  const { occasionId, measureId } = askedOf(event);
  const occasion = occasions.find((o) => o.id === occasionId);
  if (!occasion) redirect(307, `/people/${event.params.clientId}/measure?m=${measureId}`);
  return {
    measureId,
    occasionId,
    takenOn: occasion.takenOn,
    bodyState: occasion.bodyState,
    trials: await listTrialsOfDay(event.locals.db, client.id, occasionId, measureId)
  };
};

const trialForm = z.object({ trialId: rowId });

export const actions: Actions = {
  correct: async (event) => {
    const { db, caseOf, now, today } = event.locals;
    const { client, units } = await orNotFound(caseOf(Number(event.params.clientId)));
    const { occasionId, measureId } = askedOf(event);
    const asked = trialForm.safeParse(Object.fromEntries(await formDataOf(event.request.clone())));
    const trials = await listTrialsOfDay(db, client.id, occasionId, measureId);
    const trial = trials.find((t) => asked.success && t.id === asked.data.trialId);
    if (!trial) error(404, 'There is no such page.');
    const form = correctionForm(trial, units.length, (side) => lengthsOf(client, side));
    const done = await runForm(event.request, form, (input) => correctTrial(db, client.id, input, { now, today }), {
      form: String(trial.id)
    });
    return done.ok ? { corrected: trial.id } : done.failure;
  },
  takeOut: (event) => setRemoved(event, 'taken out'),
  putBack: (event) => setRemoved(event, 'put back')
};

async function setRemoved(event: RequestEvent, kind: 'taken out' | 'put back') {
  const { db, now } = event.locals;
  const at = askedOf(event);
  const run = ({ trialId }: { trialId: number }) =>
    setTrialRemoved(db, Number(event.params.clientId), { ...at, trialId }, kind, now);
  const done = await runForm(event.request, trialForm, run, { form: 'removed' });
  return done.ok ? { changed: measureOf(at.measureId).id } : done.failure;
}
