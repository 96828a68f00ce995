import { error } from '@sveltejs/kit';
import { schoolOf } from '$lib/core';
import { loadCatalogue } from '$lib/server/service/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, locals: { db } }) => {
  const catalogue = await loadCatalogue(db);
  const two = ['a', 'b'].map((name) => {
    const found = catalogue.find((e) => e.id === url.searchParams.get(name));
    if (!found) error(404, 'There is no such page.');
    return { exercise: found, doses: found.doses.map((dose) => ({ dose, school: schoolOf(dose.school).name })) };
  });
  return { two };
};
