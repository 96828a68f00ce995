import { getUnits } from '$lib/server/repo/studioRepo';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals: { db, studio, theme, hintsLeft, today } }) => ({
  units: await getUnits(db),
  restored: studio.restored,
  theme,
  hasHints: hintsLeft.length > 0,
  today
});
