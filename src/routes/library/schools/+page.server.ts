import { compareSchools, differences, exerciseOf, isComparable, schools } from '$lib/core';
import { loadCatalogue } from '$lib/server/service/library';
import type { PageServerLoad } from './$types';

const usual = 'front_hamstring_cycle';

export const load: PageServerLoad = async ({ url, locals: { db } }) => {
  const comparable = (await loadCatalogue(db)).filter(isComparable);
  const asked = url.searchParams.get('exercise');
  const exercise = comparable.find((e) => e.id === asked) ?? exerciseOf(usual);
  return {
    exercise,
    notComparable: asked !== null && exercise.id !== asked,
    doses: compareSchools(exercise).map(({ school, phases, totals, from, unsure, hasEffort }) => ({
      id: school.id,
      phases,
      totals,
      from,
      unsure,
      hasEffort,
      dose: exercise.doses.find((d) => d.school === school.id) ?? null
    })),
    schools,
    differences,
    comparable: comparable.map(({ id, name, family }) => ({ id, name, family }))
  };
};
