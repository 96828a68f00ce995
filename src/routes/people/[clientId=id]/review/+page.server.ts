import { z } from 'zod';
import type { Database } from '$lib/server/db/db';
import { decideForm, judgementForm, judgementIdForm, undoDecisionForm, type JudgementInput } from '$lib/contract/forms';
import { goalCaseOr } from '$lib/server/orNotFound';
import { dateOf } from '$lib/server/service/clientCase';
import { alertsOf } from '$lib/server/service/alerts';
import { weekOf } from '$lib/server/service/week';
import { beforeAndAfter } from '$lib/server/service/comparing';
import { attendanceOf, proposalsOf } from '$lib/server/service/reviewing';
import { doneAgainstPlan } from '$lib/server/service/doneAgainstPlan';
import { listLeftOut } from '$lib/server/repo/logRepo';
import { listNoted, listRemovedJudgements } from '$lib/server/repo/judgementRepo';
import { judge, setJudgementRemoved, withNames } from '$lib/server/service/judging';
import { runForm, runFormOnce } from '$lib/server/runForm';
import { takenOutSince } from '$lib/server/repo/takenOut';
import type { Actions, PageServerLoad } from './$types';
import { acceptProposals, decideProposal, isOpenToUndo, undoDecision } from '$lib/server/service/deciding';

const shownDecisions = 12;
const shownNotes = 8;

export const load: PageServerLoad = async ({ params, locals: { caseOf, memory, db, now } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  const last = doneAgainstPlan(c);
  const proposals = proposalsOf(c);
  const { noted, hasMore } = await listNoted(db, { clientId: c.client.id }, shownNotes);
  return {
    last: last && {
      ...last,
      on: dateOf(last.startedAt),
      leftOut: await listLeftOut(db, last.id),
      measured: beforeAndAfter(c, dateOf(last.startedAt))
    },
    attendance: attendanceOf(c),
    proposals,
    exerciseDials: Object.fromEntries(
      proposals.map((p) => [p.exerciseId, c.catalogue.find((e) => e.id === p.exerciseId)?.dials ?? []])
    ),
    decisions: c.decisions
      .toReversed()
      .slice(0, shownDecisions)
      .map((d) => {
        const exercise = c.catalogue.find((e) => e.id === d.exerciseId);
        return {
          ...d,
          mayUndo: isOpenToUndo(c, d),
          exerciseName: exercise?.name ?? 'An exercise that is gone',
          dials: exercise?.dials ?? []
        };
      }),
    shelf: c.shelf,
    noted: await withNames(db, noted),
    hasMoreNotes: hasMore,
    removed: await listRemovedJudgements(db, c.client.id, takenOutSince(now)),
    alerts: alertsOf(c, await memory.outlooksOf(c)),
    names: Object.fromEntries(weekOf(c).map(({ exercise }) => [exercise.id, exercise.name]))
  };
};

export const actions: Actions = {
  acceptAll: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, z.object({}), () => acceptProposals(db, Number(params.clientId), today, 'no stops'), {
      form: 'acceptAll'
    });
    return done.ok ? { decided: true } : done.failure;
  },
  decide: async ({ request, params, locals: { db, today } }) => {
    const run = (input: z.output<typeof decideForm>) => decideProposal(db, Number(params.clientId), input, today);
    const done = await runForm(request, decideForm, run, { form: 'decide' });
    return done.ok ? { decided: true } : done.failure;
  },
  judge: async ({ request, params, locals: { db, today } }) => {
    const run = (input: JudgementInput, one: Database) => judge(one, Number(params.clientId), input, today);
    const done = await runFormOnce(request, db, judgementForm, run, { form: 'judge' });
    return done.ok ? { judged: true } : done.failure;
  },
  unjudge: async ({ request, params, locals: { db, now } }) => {
    const run = ({ id }: { id: number }) => setJudgementRemoved(db, Number(params.clientId), id, now.toISOString());
    const done = await runForm(request, judgementIdForm, run, { form: 'unjudge' });
    return done.ok ? { removed: true } : done.failure;
  },
  rejudge: async ({ request, params, locals: { db } }) => {
    const run = ({ id }: { id: number }) => setJudgementRemoved(db, Number(params.clientId), id, null);
    const done = await runForm(request, judgementIdForm, run, { form: 'rejudge' });
    return done.ok ? { restored: true } : done.failure;
  },
  undo: async ({ request, params, locals: { db, today } }) => {
    const run = (input: z.output<typeof undoDecisionForm>) => undoDecision(db, Number(params.clientId), input, today);
    const done = await runForm(request, undoDecisionForm, run, { form: 'undo' });
    return done.ok ? { undone: true } : done.failure;
  }
};
