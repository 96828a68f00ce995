import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { unitsForm } from '$lib/contract/forms';
import { ownPath } from '$lib/server/askers';
import { updateUnits } from '$lib/server/repo/studioRepo';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const preferences = unitsForm.extend({ theme: z.enum(['light', 'dark', 'system']), back: z.string() });
const yearS = 365 * 24 * 3600;

export const load: PageServerLoad = () => redirect(303, '/people');

export const actions: Actions = {
  default: async ({ request, locals: { db }, cookies }) => {
    const done = await runForm(request, preferences, async ({ theme, back, ...units }) => {
      await updateUnits(db, units);
      cookies.set('theme', theme, { path: '/', maxAge: yearS, sameSite: 'lax', secure: false });
      return back;
    });
    if (!done.ok) return done.failure;
    redirect(303, ownPath(done.value) ?? '/people');
  }
};
