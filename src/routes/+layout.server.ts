import { demoProgressKey } from '$lib/contract/demo';
import { getUnits } from '$lib/server/repo/studioRepo';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals, depends }) => {
  depends(demoProgressKey);
  const { db, studio, demoProgress, theme, hintsLeft, today } = locals;
  return { units: await getUnits(db), restored: studio.restored, demoProgress, theme, hasHints: hintsLeft.length > 0, today };
};
