import { redirect } from '@sveltejs/kit';
import { runChecked } from '$lib/contract/door';
import { comparedForm, planForm } from '$lib/contract/planForms';
import { longHold } from '$lib/core';
import { listPlans } from '$lib/server/repo/planRepo';
import { goalCaseOr } from '$lib/server/orNotFound';
import { isOpenForWork } from '$lib/server/service/checking';
import { forecastAsk, headlineSides } from '$lib/server/service/forecasting';
import { summaryOf, takePlan, weeksAhead } from '$lib/server/service/planning';
import { weekOf } from '$lib/server/service/week';
import { hasBaseline } from '$lib/server/service/taken';
import { withSolving } from '$lib/server/solvingNow';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const columns = ['a', 'b'] as const;

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const weeks = weeksAhead(c);
  const shape = {
    schoolId: c.client.schoolId ?? c.plan?.schoolId ?? longHold.id,
    sessionsPerWeek: c.plan?.sessionsPerWeek ?? c.client.sessionsPerWeek,
    minutes: c.plan?.minutes ?? c.client.minutesPerSession
  };
  const versions = await listPlans(db, c.goal.id);
  /** An earlier version that is held against the plan in force, where one was asked for. */
  const versionOf = (column: string) => versions.find((v) => String(v.version) === url.searchParams.get(`version.${column}`));
  const from = { a: versionOf('a'), b: versionOf('b') };
  /** The plan as it is against one session a week more, until something else is asked. */
  const usual = { a: from.a ?? shape, b: from.b ?? { ...shape, sessionsPerWeek: Math.min(7, shape.sessionsPerWeek + 1) } };
  const fields = ['schoolId', 'sessionsPerWeek', 'minutes'] as const;
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
          fields.map((name) => [name, url.searchParams.get(`${name}.${column}`) ?? String(usual[column][name])])
        );
        const told = await runChecked(comparedForm, typed, async (asked) => ({
          asked,
          summary: await summaryOf(c, asked, weeks, from[column]?.wishes)
        }));
        return { column, typed, told, version: from[column]?.version ?? null };
      })
    )
  };
};

export const actions: Actions = {
  take: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const done = await runForm(request, planForm, (input) =>
      withSolving(clientId, (by) => takePlan(db, clientId, input, today, by))
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/plan`);
  }
};
