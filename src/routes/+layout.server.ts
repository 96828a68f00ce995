import { getUnits } from '$lib/server/repo/studioRepo';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals: { db, studio, theme, today } }) => ({
  units: await getUnits(db),
  restored: studio.restored,
  theme,
  today
});
