import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { ownExerciseForm, ownExerciseLists, ownExerciseShape } from '$lib/contract/ownExercise';
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

/** The exercise, and for whom it is tried at once. */
const newExerciseForm = z.intersection(
  ownExerciseForm,
  z.object({
    tryFor: z
      .string()
      .regex(/^\d{1,9}$/)
      .optional()
  })
);

export const actions: Actions = {
  default: async ({ request, url, locals: { db } }) => {
    const run = async ({ tryFor, ...input }: z.output<typeof newExerciseForm>, tx: Database) => {
      const id = await addExercise(tx, input, url.searchParams.get('copy'));
      return tryFor === undefined ? `/library/${id}` : `/people/${tryFor}/grade?exercise=${id}`;
    };
    const done = await runFormOnce(request, db, newExerciseForm, run, { lists: ownExerciseLists, shape: ownExerciseShape });
    if (!done.ok) return done.failure;
    redirect(303, done.value);
  }
};
