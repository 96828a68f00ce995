import { redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { rowId } from '$lib/contract/fields';
import { measureForm, measureIdForm, sidesOf } from '$lib/contract/measureForms';
import { measureOf, measures, measuringNotes, measuringOrder, reachableStacks, type OwnRecord, type WayId } from '$lib/core';
import { goalCaseOr, orNotFound } from '$lib/server/orNotFound';
import { findConsent } from '$lib/server/repo/photoRepo';
import { changeClient } from '$lib/server/service/changing';
import { listRemovedOccasions, updateOccasionRemoved } from '$lib/server/repo/occasionRepo';
import { lengthsOf, type GoalCase } from '$lib/server/service/clientCase';
import { daysSince, isDue, ownRecord, stackStepCm, takenOf } from '$lib/server/service/taken';
import { keepMeasure } from '$lib/server/service/measuring';
import { safetyOf } from '$lib/server/service/safety';
import { measuresOf, usualSet } from '$lib/server/service/reading';
import { runForm, runFormOnce } from '$lib/server/runForm';
import { takenOutSince } from '$lib/server/repo/takenOut';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

type SetSize = 'short' | 'full';
const sizeOf = (url: URL, c: GoalCase): SetSize => {
  const asked = url.searchParams.get('set');
  return asked === 'short' || asked === 'full' ? asked : usualSet(c);
};

/** The measures of a set; one that is asked for besides, as a start height in Grade is, stands among them. */
const groupsOf = (c: GoalCase, size: SetSize, besides: readonly string[] = []) =>
  measuringOrder([...new Set([...measuresOf(c, size), ...besides])].map(measureOf));

/** Measures of a set that were not taken today yet, in the order of the positions. */
const openToday = (c: GoalCase, size: SetSize, today: string): string[] =>
  groupsOf(c, size)
    .flatMap((g) => g.measures.map((m) => m.id))
    .filter((id) => daysSince(c, id, today) !== 0);

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf, now, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const size = sizeOf(url, c);
  const known = measures.filter((m) => m.id === url.searchParams.get('m')).map((m) => m.id);
  const groups = groupsOf(c, size, known);
  const ids = groups.flatMap((g) => g.measures.map((m) => m.id));
  const asked = url.searchParams.get('m');
  const open = openToday(c, size, today);
  const measureId = ids.find((id) => id === asked) ?? open.find((id) => isDue(c, id, today)) ?? open[0] ?? ids[0]!;
  const measure = measureOf(measureId);
  const taken = takenOf(c).filter((r) => r.measureId === measureId);
  const todays = c.occasions.filter((o) => o.takenOn === today).at(-1);
  return {
    size,
    usual: usualSet(c),
    fullCount: new Set(measuresOf(c, 'full')).size,
    shortCount: new Set(measuresOf(c, 'short')).size,
    groups: groups.map(({ position, measures }) => ({
      position,
      measures: measures.map((m) => ({
        id: m.id,
        name: m.name,
        daysSince: daysSince(c, m.id, today),
        due: isDue(c, m.id, today)
      }))
    })),
    measureId,
    /** Stops and pains that speak against measuring this now. */
    against: measuringNotes(safetyOf(c), measure),
    isHeadline: measureId === c.goal.headline,
    lengths: sidesOf(measure).map((side) => ({ side, lengths: lengthsOf(c.client, side) })),
    own: measure.ways.map((way): { way: WayId; record: OwnRecord } => ({ way, record: ownRecord(c, measureId, way) })),
    stackStepCm: stackStepCm(c),
    stackHeights: measure.ways.includes('stack') ? reachableStacks(c.shelf).map((s) => s.heightCm) : [],
    taken,
    removed: await listRemovedOccasions(db, c.client.id, measureId, takenOutSince(now)),
    // Numbers written today by other ways: held against those typed now.
    todaysTrials: c.occasions
      .filter((o) => o.takenOn === today)
      .flatMap((o) => o.trials.filter((t) => t.measureId === measureId).map((t) => ({ ...t, bodyState: o.bodyState }))),
    consent: await findConsent(db, c.client.id),
    conditions: {
      bodyState: todays?.bodyState ?? c.occasions.at(-1)?.bodyState ?? 'cold',
      dayTime: todays?.dayTime ?? '',
      training: todays?.training ?? '',
      measurer: todays?.measurer ?? c.occasions.at(-1)?.measurer ?? ''
    }
  };
};

export const actions: Actions = {
  save: async ({ request, params, url, locals: { db, caseOf, today } }) => {
    const c = await goalCaseOr(caseOf(Number(params.clientId)));
    const measure = measureIdForm.safeParse({ measureId: url.searchParams.get('m') });
    if (!measure.success) redirect(303, `/people/${c.client.id}/measure`);
    const form = measureForm(measure.data, c.units.length, (side) => lengthsOf(c.client, side), today);
    const done = await runFormOnce(request, db, form, (input, tx) => keepMeasure(tx, c.client.id, input), { form: 'save' });
    if (!done.ok) return done.failure;
    const size = sizeOf(url, c);
    const next = openToday(c, size, today).find((id) => id !== measure.data.id);
    redirect(303, next ? `/people/${c.client.id}/measure?set=${size}&m=${next}` : `/people/${c.client.id}/read`);
  },
  remove: (event) => setRemoved(event, event.locals.now.toISOString()),
  restore: (event) => setRemoved(event, null)
};

async function setRemoved({ request, params, locals: { db, caseOf } }: RequestEvent, removedAt: string | null) {
  const { client } = await orNotFound(caseOf(Number(params.clientId)));
  const form = z.object({ occasionId: rowId });
  const run = ({ occasionId }: { occasionId: number }) =>
    changeClient(db, client.id, (tx) => updateOccasionRemoved(tx, client.id, occasionId, removedAt));
  const done = await runForm(request, form, run, { form: 'remove' });
  return done.ok ? { changed: true } : done.failure;
}
