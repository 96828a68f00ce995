import { consentForm, photoIdForm } from '$lib/contract/photoForms';
import { changeVerdict, measureOf, measuringErrorOf, type MeasureMode, type Side } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { findConsent, listPhotos, upsertConsent, type Photo } from '$lib/server/repo/photoRepo';
import type { ClientCase } from '$lib/server/service/clientCase';
import { comparesKey, ownTrials, takenOf } from '$lib/server/service/measuring';
import { removePhotos, revokeConsent } from '$lib/server/service/photos';
import { submitted } from '$lib/server/submitted';
import { z } from 'zod';
import type { Actions, PageServerLoad } from './$types';

type Series = Readonly<{ key: string; measureId: string; side: Side | null; mode: MeasureMode; photos: readonly Photo[] }>;

/** Pictures of one measure, side and mode, oldest first: those that can be laid beside each other. */
function seriesOf(photos: readonly Photo[]): Series[] {
  const series = new Map<string, Series>();
  for (const photo of photos) {
    const { measureId, side, mode } = photo;
    const key = [measureId, side ?? 'both', mode].join('/');
    series.set(key, { key, measureId, side, mode, photos: [...(series.get(key)?.photos ?? []), photo] });
  }
  return [...series.values()];
}

/** The reading a picture belongs to, whole. */
const readingOf = (c: ClientCase, p: Photo) =>
  takenOf(c).find(
    (r) =>
      r.occasionId === p.occasionId && r.measureId === p.measureId && r.side === p.side && r.mode === p.mode && r.way === p.way
  ) ?? null;

function changeBetween(c: ClientCase, before: Photo, after: Photo) {
  const [a, b] = [readingOf(c, before), readingOf(c, after)];
  if (!a || !b || comparesKey(a, a.bodyState) !== comparesKey(b, b.bodyState)) return null;
  const measure = measureOf(after.measureId);
  const error = measuringErrorOf(measure, b.way, null, ownTrials(c, measure.id, b.way));
  return error && changeVerdict({ before: a, after: b, betterIs: measure.betterIs, ...error });
}

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const photos = await listPhotos(db, c.client.id);
  const series = seriesOf(photos);
  const chosen = series.find((s) => s.key === url.searchParams.get('of')) ?? series.find((s) => s.photos.length > 1) ?? series[0];
  const inSeries = (name: string) => chosen?.photos.find((p) => p.id === url.searchParams.get(name));
  const first = inSeries('before') ?? chosen?.photos[0];
  const last = inSeries('after') ?? chosen?.photos.at(-1);
  const shown = (p: Photo) => ({ ...p, value: readingOf(c, p)?.value ?? null });
  return {
    consent: await findConsent(db, c.client.id),
    count: photos.length,
    series: series.map(({ photos: of, ...s }) => ({ ...s, count: of.length })),
    chosen: chosen ? { ...chosen, photos: chosen.photos.map(shown) } : null,
    before: first ? shown(first) : null,
    after: last && last.id !== first?.id ? shown(last) : null,
    change: first && last && first.id !== last.id ? changeBetween(c, first, last) : null
  };
};

export const actions: Actions = {
  consent: async ({ request, params, locals: { db, caseOf, today } }) => {
    const { client } = await orNotFound(caseOf(Number(params.clientId)));
    const done = await submitted(
      request,
      consentForm,
      ({ givenBy }) => upsertConsent(db, client.id, { givenBy, givenOn: today }),
      {
        form: 'consent'
      }
    );
    return done.ok ? { consented: true } : done.failure;
  },
  revoke: async ({ request, params, locals: { db, photoFiles, caseOf } }) => {
    const { client } = await orNotFound(caseOf(Number(params.clientId)));
    const done = await submitted(request, z.object({}), () => revokeConsent(db, photoFiles, client.id), { form: 'revoke' });
    return done.ok ? { revoked: true } : done.failure;
  },
  remove: async ({ request, params, locals: { db, photoFiles, caseOf } }) => {
    const { client } = await orNotFound(caseOf(Number(params.clientId)));
    const done = await submitted(request, photoIdForm, ({ photoId }) => removePhotos(db, photoFiles, client.id, [photoId]), {
      form: 'remove'
    });
    return done.ok ? { removed: true } : done.failure;
  }
};
