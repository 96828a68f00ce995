import { redirect } from '@sveltejs/kit';
import { ownExerciseForm, ownExerciseLists, ownExerciseShape, type OwnExerciseInput } from '$lib/contract/ownExercise';
import { neighboursOf } from '$lib/core';
import type { Database } from '$lib/server/db/db';
import { addExercise, loadCatalogue } from '$lib/server/service/library';
import { runFormOnce } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, locals: { db } }) => {
  const catalogue = await loadCatalogue(db);
  const copied = catalogue.find((e) => e.id === url.searchParams.get('copy')) ?? null;
  const { easier, harder } = copied ? neighboursOf(copied, catalogue) : { easier: [], harder: [] };
  return {
    copied: copied && { ...copied, name: `${copied.name}, our way` },
    easier: easier.slice(0, 1).map((n) => n.id),
    harder: harder.slice(0, 1).map((n) => n.id),
    others: catalogue.map(({ id, name }) => ({ id, name }))
  };
};

export const actions: Actions = {
  default: async ({ request, url, locals: { db } }) => {
    const run = (input: OwnExerciseInput, tx: Database) => addExercise(tx, input, url.searchParams.get('copy'));
    const done = await runFormOnce(request, db, ownExerciseForm, run, { lists: ownExerciseLists, shape: ownExerciseShape });
    if (!done.ok) return done.failure;
    redirect(303, `/library/${done.value}`);
  }
};
