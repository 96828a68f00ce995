import { getUnits } from '$lib/server/repo/studioRepo';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ locals: { db, theme, today } }) => ({ units: await getUnits(db), theme, today });
