import { error, redirect } from '@sveltejs/kit';
import { harderOfTwo, schoolOf } from '$lib/core';
import { barBrief } from '$lib/server/service/safety';
import { loadCatalogue } from '$lib/server/service/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, parent, locals: { db, caseOf } }) => {
  // Typed without exercises: they are chosen in the library.
  if (!url.searchParams.get('a') || !url.searchParams.get('b')) redirect(307, '/library');
  const catalogue = await loadCatalogue(db);
  const { forClient } = await parent();
  const c = forClient && (await caseOf(forClient.id));
  const two = ['a', 'b'].map((name) => {
    const found = catalogue.find((e) => e.id === url.searchParams.get(name));
    if (!found) error(404, 'There is no such page.');
    return {
      exercise: found,
      barred: c ? barBrief(c, found) : '',
      doses: found.doses.map((dose) => ({ dose, school: schoolOf(dose.school).name }))
    };
  });
  return { two, harder: harderOfTwo(catalogue, two[0]!.exercise.id, two[1]!.exercise.id) };
};
