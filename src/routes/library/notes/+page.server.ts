import { notesQuery } from '$lib/contract/forms';
import { listNoted } from '$lib/server/repo/judgementRepo';
import { listPersonMarks } from '$lib/server/repo/caseMarkRepo';
import { withNames } from '$lib/server/service/judging';
import { loadCatalogue } from '$lib/server/service/library';
import type { PageServerLoad } from './$types';

const shown = 50;

export const load: PageServerLoad = async ({ url, locals: { db } }) => {
  const query = notesQuery.parse(Object.fromEntries(url.searchParams));
  const { noted, hasMore } = await listNoted(
    db,
    { clientId: query.person, exerciseId: query.exercise, text: query.q },
    query.most ?? shown
  );
  const people = [...(await listPersonMarks(db, 'active')).people, ...(await listPersonMarks(db, 'archived')).people];
  return {
    query,
    noted: await withNames(db, noted),
    nextMost: hasMore ? (query.most ?? shown) + shown : null,
    people: people.map(({ id, name }) => ({ id, name })),
    exercises: (await loadCatalogue(db)).map(({ id, name }) => ({ id, name }))
  };
};
