import { redirect } from '@sveltejs/kit';
import { compute } from '$lib/contract/door';
import type { SessionBrief, WeekView } from '$lib/contract/plan';
import { copyPlanForm, planForm, type CopyPlanInput } from '$lib/contract/planForms';
import { isPlanned } from '$lib/server/service/clientCase';
import { goalCaseOr } from '$lib/server/orNotFound';
import { doseByLink, schoolOf } from '$lib/core';
import { isCheckDue, isOpenForWork } from '$lib/server/service/checking';
import { hasBaseline } from '$lib/server/service/taken';
import { alikeSeries, headlineSides } from '$lib/server/service/forecasting';
import { goalsServed, servedBy, sharedText } from '$lib/server/service/goalsServed';
import { chosenSession, movedOn, planView, usualWeekAhead } from '$lib/server/service/composing';
import { positionReadings } from '$lib/server/service/reading';
import { listPlansAlike } from '$lib/server/repo/planRepo';
import { copyPlan } from '$lib/server/service/copyingPlan';
import { makePlan } from '$lib/server/service/planning';
import { withSolving } from '$lib/server/solvingNow';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, memory, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const { plan } = c;
  const planned = isPlanned(c) ? c : null;
  const view = planned && compute(() => planView(planned));
  const weeks = view?.ok ? view.value : [];
  const ahead = weeks.flatMap((w) => w.sessions).filter((s) => s.status === 'planned');
  return {
    isOpen: isOpenForWork(c),
    isCheckDue: isCheckDue(c, today),
    baseline: hasBaseline(c),
    plan,
    view: view && (view.ok ? { ok: true as const, weeks: weeks.map(briefOf) } : view),
    chosen: planned && view?.ok ? await chosenSession(db, planned, null) : null,
    readings: positionReadings(c),
    /** Minutes that the next usual week gives each motion. */
    doses: view?.ok && planned ? doseByLink(usualWeekAhead(planned)?.sessions.flatMap((s) => s.blocks) ?? []) : [],
    /** The work ahead has grown past its minutes. */
    isGrown: ahead.some((s) => s.cuts.some((cut) => cut.kind !== 'rounds' && cut.kind !== 'holds')),
    /** What moved on since what comes was solved. */
    moved: planned ? movedOn(planned) : { came: [], gone: [] },
    shelf: c.shelf,
    /** The way of working this person prefers, which comes before the plan's. */
    ownSchool: c.client.schoolId && schoolOf(c.client.schoolId).name,
    /** Whose plan toward the same goal could be taken over. */
    alike: (await listPlansAlike(db, c.goal.kind, c.client.id)).map(({ clientId, name }) => ({ clientId, name })),
    outlooks: await memory.outlooksOf(c),
    /** Other goals that share the minutes, each with where it is going. */
    served: await Promise.all(
      goalsServed(c)
        .slice(1)
        .map(async ({ of }) => ({ goal: of.goal, shared: sharedText(c, of.goal), outlooks: await memory.outlooksOf(of) }))
    ),
    /** The plan of another goal that trains this one too. */
    servedBy: plan ? null : await servedBy(db, c),
    changes: headlineSides(c).map((side) => ({ side, change: alikeSeries(c, side).at(-1)?.change ?? null }))
  };
};

/** A week as its column shows it; the parts of a session come with the one that is chosen. */
const briefOf = ({ week, phase, easy, retest, sessions }: WeekView) => ({
  week,
  phase,
  easy,
  retest,
  sessions: sessions.map(({ id, ordinal, on, status, light, place, durationS, curve }): SessionBrief => ({
    id,
    ordinal,
    on,
    status,
    light,
    place,
    durationS,
    curve
  }))
});

export const actions: Actions = {
  copy: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const run = (input: CopyPlanInput) => withSolving(clientId, (by) => copyPlan(db, clientId, input, today, by));
    const done = await runForm(request, copyPlanForm, run, { form: 'copy' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/plan`);
  },
  make: async ({ request, params, locals: { db, today } }) => {
    const clientId = Number(params.clientId);
    const done = await runForm(request, planForm, (input) =>
      withSolving(clientId, (by) => makePlan(db, clientId, input, today, by))
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/plan`);
  }
};
