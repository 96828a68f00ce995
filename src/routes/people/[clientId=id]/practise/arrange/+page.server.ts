import { redirect } from '@sveltejs/kit';
import { arrangeForm, type ArrangeInput } from '$lib/contract/arrangeForm';
import { compute } from '$lib/contract/door';
import { choiceForm } from '$lib/contract/exerciseForms';
import { capsOf, type Exercise } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { runForm } from '$lib/server/runForm';
import { limitsOf } from '$lib/server/service/checking';
import { openSession } from '$lib/server/service/composing';
import { arrangeSession } from '$lib/server/service/planning';
import { shelfAt, isPlanned } from '$lib/server/service/clientCase';
import { addableTo, addToWeek, weekOf } from '$lib/server/service/week';
import type { OptionGroup } from '$lib/ui/formState';
import { hardYesterday } from '$lib/server/service/sessionRecords';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const asked = Number(url.searchParams.get('session'));
  const session = c.sessions.find((s) => s.id === asked && s.status === 'planned' && s.planId === c.plan?.id);
  if (!session || !isPlanned(c)) redirect(307, `/people/${params.clientId}/practise`);
  const addable = addableTo(c);
  return {
    session: { id: session.id, week: session.week, ordinal: session.ordinal },
    arranged: session.arranged,
    minutes: c.plan.minutes,
    training: c.plan.wishes.sessions[session.ordinal]?.training,
    open: compute(() => openSession(c, session)),
    effortCapPct: capsOf(limitsOf(c)).effortPct,
    hardYesterday: hardYesterday(c),
    shelf: shelfAt(c, session.place),
    names: Object.fromEntries(weekOf(c).map(({ exercise }) => [exercise.id, exercise.name])),
    addable: [group('For the motions of the goal', addable.forGoal), group('Others', addable.others)]
  };
};

const group = (label: string, of: readonly Exercise[]): OptionGroup => ({
  label,
  options: of.map((e) => ({ value: e.id, label: e.name }))
});

export const actions: Actions = {
  add: async ({ request, params, locals: { db, today } }) => {
    const run = ({ exerciseId }: { exerciseId: string }) => addToWeek(db, Number(params.clientId), exerciseId, today);
    const done = await runForm(request, choiceForm, run, { form: 'add' });
    return done.ok ? { kept: true } : done.failure;
  },
  keep: async ({ request, url, params, locals: { db, today } }) => {
    const sessionId = Number(url.searchParams.get('session'));
    const run = (input: ArrangeInput) => arrangeSession(db, Number(params.clientId), sessionId, input, today);
    const done = await runForm(request, arrangeForm, run);
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/practise?session=${sessionId}`);
  }
};
