import { goalOf } from '$lib/core';
import { countScores } from '$lib/server/repo/forecastRepo';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { db } }) => {
  const counts = await countScores(db);
  return { counts: counts.map((c) => ({ ...c, goal: goalOf(c.kind).name })) };
};
