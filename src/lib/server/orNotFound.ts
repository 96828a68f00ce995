import { error, redirect } from '@sveltejs/kit';
import { CoreError } from '$lib/core';
import { withGoal, type ClientCase, type GoalCase } from './service/clientCase';

/** Ends a load with 404 where what it shows does not exist. */
export async function orNotFound<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (problem) {
    if (problem instanceof CoreError && problem.code === 'not_found') error(404, 'There is no such page.');
    throw problem;
  }
}

/** The case once a goal is set; else the page is that of the goal. */
export async function goalCaseOr(found: Promise<ClientCase>): Promise<GoalCase> {
  const c = await orNotFound(found);
  return withGoal(c) ?? redirect(307, `/people/${c.client.id}/goal`);
}
