import { redirect } from '@sveltejs/kit';
import { showExample } from '$lib/server/service/example';
import type { RequestHandler } from './$types';

/** An invented person to look at, in a studio that has nobody yet. */
export const POST: RequestHandler = async ({ locals: { db, photoFiles, now } }) => {
  const id = await showExample(db, photoFiles, now);
  redirect(303, id === null ? '/people' : `/people/${id}`);
};
