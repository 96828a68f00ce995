import { redirect } from '@sveltejs/kit';
import { compute } from '$lib/contract/door';
import { easyWeeksOf } from '$lib/core';
import { planNameForm, restoreForm, reviseForm, swapForm, type SwapInput } from '$lib/contract/planForms';
import { isPlanned } from '$lib/server/service/clientCase';
import { goalCaseOr } from '$lib/server/orNotFound';
import { isOpenForWork } from '$lib/server/service/checking';
import { planView, sessionsOfPlan } from '$lib/server/service/composing';
import { namePlan, restorePlan, revisePlan, swapInPlan } from '$lib/server/service/revisingPlan';
import { sharedText } from '$lib/server/service/goalsServed';
import { versionsOf } from '$lib/server/service/planVersions';
import { openWeek } from '$lib/server/service/week';
import { runForm } from '$lib/server/runForm';
import { withSolving } from '$lib/server/solvingNow';
import type { z } from 'zod';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const { plan } = c;
  const isOpen = isOpenForWork(c);
  const view = isPlanned(c) && isOpen ? compute(() => planView(c)) : null;
  const planned = plan ? sessionsOfPlan(c).filter((s) => s.status === 'planned') : [];
  return {
    isOpen,
    plan,
    easyWeeks: plan ? easyWeeksOf(plan.weeks, plan.wishes) : [],
    /** Weeks that still have a session to come. */
    weeksToCome: [...new Set(planned.map((s) => s.week))],
    missed: planned.filter((s) => s.plannedOn < today).length,
    exercises: openWeek(c).map(({ id, name }) => ({ id, name })),
    view: view && (view.ok ? { ok: true as const, weeks: view.value.map(outlineOf) } : view),
    homeProps: c.homeShelf.filter((p) => p.quantity > 0).length,
    /** Goals that could share the minutes, each with what it has in common with the goal in work. */
    otherGoals: c.goals
      .filter((goal) => goal.id !== c.goal.id)
      .map((goal) => ({ id: goal.id, name: goal.name, shared: sharedText(c, goal) })),
    versions: await versionsOf(db, c)
  };
};

type Weeks = ReturnType<typeof planView>;

/** A week without its blocks: only how much of each exercise its sessions hold. */
const outlineOf = ({ week, phase, easy, notes, sessions }: Weeks[number]) => ({
  week,
  phase,
  easy,
  notes,
  sessions: sessions.map(({ id, on, ordinal, status, durationS, allotment }) => ({
    id,
    on,
    ordinal,
    status,
    durationS,
    allotment
  }))
});

export const actions: Actions = {
  revise: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const done = await runForm(request, reviseForm, (input) =>
      withSolving(clientId, (by) => revisePlan(db, clientId, input, today, by))
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${clientId}/plan/change`);
  },
  swap: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const run = (input: SwapInput) => withSolving(clientId, (by) => swapInPlan(db, clientId, input, today, by));
    const done = await runForm(request, swapForm, run, { form: 'swap' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${clientId}/plan/change`);
  },
  restore: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const run = (input: z.output<typeof restoreForm>) =>
      withSolving(clientId, (by) => restorePlan(db, clientId, input, today, by));
    const done = await runForm(request, restoreForm, run, { form: 'restore' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${clientId}/plan/change`);
  },
  name: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, planNameForm, (input) => namePlan(db, Number(params.clientId), input, today), {
      form: 'name'
    });
    return done.ok ? { named: true } : done.failure;
  }
};
