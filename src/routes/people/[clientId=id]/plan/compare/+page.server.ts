import { redirect } from '@sveltejs/kit';
import { runChecked } from '$lib/contract/door';
import { comparedForm, planForm } from '$lib/contract/forms';
import { longHold } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { isOpenForWork } from '$lib/server/service/checking';
import { forecastAsk, headlineSides } from '$lib/server/service/forecasting';
import { summaryOf, takePlan, weeksAhead } from '$lib/server/service/planning';
import { weekOf } from '$lib/server/service/week';
import { hasBaseline } from '$lib/server/service/taken';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const columns = ['a', 'b'] as const;

export const load: PageServerLoad = async ({ params, url, locals: { caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const weeks = weeksAhead(c);
  const shape = {
    schoolId: c.client.schoolId ?? c.plan?.schoolId ?? longHold.id,
    sessionsPerWeek: c.plan?.sessionsPerWeek ?? c.client.sessionsPerWeek,
    minutes: c.plan?.minutes ?? c.client.minutesPerSession
  };
  /** The plan as it is against one session a week more, until something else is asked. */
  const usual = { a: shape, b: { ...shape, sessionsPerWeek: Math.min(7, shape.sessionsPerWeek + 1) } };
  const side = headlineSides(c).find((s) => s === null || s === c.goal.leadSide) ?? headlineSides(c)[0]!;
  return {
    isOpen: isOpenForWork(c) && hasBaseline(c),
    version: c.plan?.version ?? 0,
    weeks,
    ask: isOpenForWork(c) ? forecastAsk(c, side, today) : null,
    names: Object.fromEntries(weekOf(c).map(({ exercise }) => [exercise.id, exercise.name])),
    columns: await Promise.all(
      columns.map(async (column) => {
        const typed = Object.fromEntries(
          Object.entries(usual[column]).map(([name, value]) => [name, url.searchParams.get(`${name}.${column}`) ?? String(value)])
        );
        const told = await runChecked(comparedForm, typed, (asked) => ({ asked, summary: summaryOf(c, asked, weeks) }));
        return { column, typed, told };
      })
    )
  };
};

export const actions: Actions = {
  take: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, planForm, (input) => takePlan(db, Number(params.clientId), input, today));
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/plan`);
  }
};
