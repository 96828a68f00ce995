import { error, redirect } from '@sveltejs/kit';
import { ownExerciseForm, ownExerciseLists, ownExerciseShape, type OwnExerciseInput } from '$lib/contract/ownExercise';
import { listOwnExercises } from '$lib/server/repo/exerciseRepo';
import { changeExercise, loadCatalogue } from '$lib/server/service/library';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

/** Only one's own is changed; what ships is copied. */
export const load: PageServerLoad = async ({ params, locals: { db } }) => {
  const own = (await listOwnExercises(db)).find((e) => e.id === params.exerciseId);
  if (!own) error(404, 'There is no such page.');
  const catalogue = await loadCatalogue(db);
  return { own, others: catalogue.map(({ id, name }) => ({ id, name })) };
};

export const actions: Actions = {
  default: async ({ request, params, locals: { db } }) => {
    const run = (input: OwnExerciseInput) => changeExercise(db, params.exerciseId, input);
    const done = await runForm(request, ownExerciseForm, run, { lists: ownExerciseLists, shape: ownExerciseShape });
    if (!done.ok) return done.failure;
    redirect(303, `/library/${params.exerciseId}`);
  }
};
