import { goalOf } from '$lib/core';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals: { memory } }) => {
  const counts = await memory.scoreTotals();
  return { counts: counts.map((c) => ({ ...c, goal: goalOf(c.kind).name })) };
};
