import { demoProgressKey } from '$lib/contract/demo';
import { getUnits } from '$lib/server/repo/studioRepo';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, depends }) => {
  depends(demoProgressKey);
  const { db, studio, theme, hintsLeft, today } = locals;
  const units = await getUnits(db);
  // Asked after the database: it may have answered only once another person was there.
  const demoProgress = locals.demoProgress();
  return { units, restored: studio.restored, demoProgress, theme, hasHints: hintsLeft.length > 0, today };
};
