import { queryOf } from '$lib/contract/libraryQuery';
import { CoreError } from '$lib/core';
import { withGoal } from '$lib/server/service/clientCase';
import { weekOf } from '$lib/server/service/week';
import type { LayoutServerLoad } from './$types';

/** The client an exercise is looked for, where the address names one who has a goal. */
export const load: LayoutServerLoad = async ({ url, locals: { caseOf } }) => {
  const { client } = queryOf(url);
  if (client === undefined) return { forClient: null };
  const found = await caseOf(client).catch((problem: unknown) => {
    if (problem instanceof CoreError && problem.code === 'not_found') return null;
    throw problem;
  });
  const c = found && withGoal(found);
  if (!c) return { forClient: null };
  return { forClient: { id: c.client.id, name: c.client.name, goal: c.goal.name, week: weekOf(c).map((w) => w.exercise.id) } };
};
