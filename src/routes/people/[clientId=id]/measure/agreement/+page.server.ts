import { mean } from 'simple-statistics';
import { compute } from '$lib/contract/door';
import { measureId } from '$lib/contract/measureForms';
import { icc, limitsOfAgreement, measureOf } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { listMeasurers, listPairs } from '$lib/server/repo/agreementRepo';
import type { PageServerLoad } from './$types';

/** How well two measurers agree on one measure, over everyone both of them measured on one day. */
export const load: PageServerLoad = async ({ params, url, locals: { caseOf, db } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const asked = measureId.safeParse(url.searchParams.get('m') ?? c.goal.headline);
  const measure = measureOf(asked.success ? asked.data : c.goal.headline);
  const measurers = await listMeasurers(db, measure.id);
  const [first = '', second = ''] = [url.searchParams.get('a') ?? measurers[0], url.searchParams.get('b') ?? measurers[1]];
  const pairs = first && second && first !== second ? await listPairs(db, measure.id, first, second) : [];
  const people = [...new Set(pairs.map((p) => p.clientId))].map((id) => pairs.filter((p) => p.clientId === id));
  return {
    measureId: measure.id,
    measurers,
    first,
    second,
    pairs,
    agreement: compute(() => limitsOfAgreement(people.map((own) => own.map((p) => p.first - p.second)))),
    // One row a person: sides and days of one body are no further people.
    icc: compute(() => icc(people.map((own) => [mean(own.map((p) => p.first)), mean(own.map((p) => p.second))])))
  };
};
