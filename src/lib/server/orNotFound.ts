import { error } from '@sveltejs/kit';
import { CoreError } from '$lib/core';
import type { ClientCase, GoalCase } from './service/clientCase';

/** Ends a load with 404 where what it shows does not exist. */
export async function orNotFound<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (problem) {
    if (problem instanceof CoreError && problem.code === 'not_found') error(404, 'There is no such page.');
    throw problem;
  }
}

/** The case when it has a goal, else null: the page then offers to set one. */
export const withGoal = (c: ClientCase): GoalCase | null => (c.goal ? { ...c, goal: c.goal } : null);
