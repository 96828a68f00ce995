import { consentForm, photoIdForm } from '$lib/contract/photoForms';
import { orNotFound } from '$lib/server/orNotFound';
import { changeClient } from '$lib/server/service/changing';
import { findConsent, listPhotos, upsertConsent, type Photo } from '$lib/server/repo/photoRepo';
import { changeBetween, takenWith, photoSeries } from '$lib/server/service/photoSeries';
import { removePhotos, revokeConsent } from '$lib/server/service/photos';
import { runForm } from '$lib/server/runForm';
import { z } from 'zod';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const photos = await listPhotos(db, c.client.id);
  const series = photoSeries(photos);
  const chosen = series.find((s) => s.key === url.searchParams.get('of')) ?? series.find((s) => s.photos.length > 1) ?? series[0];
  const inSeries = (name: string) => chosen?.photos.find((p) => p.id === url.searchParams.get(name));
  const first = inSeries('before') ?? chosen?.photos[0];
  const last = inSeries('after') ?? chosen?.photos.at(-1);
  const shown = (p: Photo) => ({ ...p, value: takenWith(c, p)?.value ?? null });
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
    const done = await runForm(
      request,
      consentForm,
      ({ givenBy }) => changeClient(db, client.id, (tx) => upsertConsent(tx, client.id, { givenBy, givenOn: today })),
      {
        form: 'consent'
      }
    );
    return done.ok ? { consented: true } : done.failure;
  },
  revoke: async ({ request, params, locals: { db, photoFiles, caseOf } }) => {
    const { client } = await orNotFound(caseOf(Number(params.clientId)));
    const done = await runForm(request, z.object({}), () => revokeConsent(db, photoFiles, client.id), { form: 'revoke' });
    return done.ok ? { revoked: true } : done.failure;
  },
  remove: async ({ request, params, locals: { db, photoFiles, caseOf } }) => {
    const { client } = await orNotFound(caseOf(Number(params.clientId)));
    const done = await runForm(request, photoIdForm, ({ photoId }) => removePhotos(db, photoFiles, client.id, [photoId]), {
      form: 'remove'
    });
    return done.ok ? { removed: true } : done.failure;
  }
};
