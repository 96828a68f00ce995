import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { hintsCookie, noHints } from '$lib/contract/hints';
import { unitsForm } from '$lib/contract/forms';
import { ownPath } from '$lib/server/askers';
import { updateUnits } from '$lib/server/repo/studioRepo';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const preferences = unitsForm.extend({
  theme: z.enum(['light', 'dark', 'system']),
  hints: z.enum(['on', 'off']).optional(),
  back: z.string()
});
const yearS = 365 * 24 * 3600;

export const load: PageServerLoad = () => redirect(303, '/people');

export const actions: Actions = {
  default: async ({ request, locals: { db, hintsLeft }, cookies }) => {
    const done = await runForm(request, preferences, async ({ theme, hints, back, ...units }) => {
      await updateUnits(db, units);
      const keep = { path: '/', maxAge: yearS, sameSite: 'lax', secure: false } as const;
      cookies.set('theme', theme, keep);
      // Switched on again, what was read is told anew; left on, it is not.
      if (hints === 'off') cookies.set(hintsCookie, noHints, { ...keep, httpOnly: false });
      else if (hints === 'on' && hintsLeft.length === 0) cookies.set(hintsCookie, '', { ...keep, httpOnly: false });
      return back;
    });
    if (!done.ok) return done.failure;
    redirect(303, ownPath(done.value) ?? '/people');
  }
};
