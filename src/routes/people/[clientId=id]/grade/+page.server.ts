import { error } from '@sveltejs/kit';
import { choiceForm, dialForm, noteForm, schoolForm, variantForm, type DialFormInput } from '$lib/contract/exerciseForms';
import { goalOf, sides } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { breathOf } from '$lib/server/service/clientCase';
import { gradeOf, settingOf } from '$lib/server/service/gradeExercise';
import { barBrief, barsOf } from '$lib/server/service/safety';
import {
  addToWeek,
  chooseSchool,
  chooseVariant,
  missingPieces,
  noteExercise,
  takeFromWeek,
  weekOf
} from '$lib/server/service/week';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';
import { setDials } from '$lib/server/service/settingDial';

export const load: PageServerLoad = async ({ params, url, locals: { caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const week = weekOf(c);
  const wanted = url.searchParams.get('exercise');
  const inWeek = week.find((w) => w.exercise.id === wanted);
  // An exercise may be looked at before it is put into the week.
  const looked = wanted === null ? undefined : c.catalogue.find((e) => e.id === wanted);
  if (wanted !== null && !looked) error(404, 'There is no such page.');
  const isOpen = ({ exercise }: (typeof week)[number]) => barsOf(c, exercise).length === 0;
  const ofStage = goalOf(c.goal.kind).stagePositions?.[c.goal.stage];
  const firstOpen = week.find((w) => w.exercise.id === ofStage && isOpen(w)) ?? week.find(isOpen) ?? week[0];
  const chosen = inWeek ?? (looked ? { exercise: looked, choice: null, schoolId: c.client.schoolId } : firstOpen);
  const atHome = url.searchParams.get('shelf') === 'home';
  const shelf = atHome ? c.homeShelf : c.shelf;
  return {
    week: week.map(({ exercise }) => ({
      id: exercise.id,
      name: exercise.name,
      pose: exercise.pose,
      path: exercise.path,
      dials: exercise.dials,
      left: settingOf(c, exercise, 'left'),
      right: settingOf(c, exercise, 'right'),
      perSide: exercise.sides === 'each',
      isSet: c.settings[exercise.id] !== undefined,
      barred: barBrief(c, exercise)
    })),
    missing: missingPieces(c),
    // A goal of one's own that names no joint range begins with an empty week.
    desk: chosen
      ? {
          exercise: chosen.exercise,
          inWeek: inWeek !== undefined || !looked,
          choice: chosen.choice,
          schoolId: chosen.schoolId,
          grades: { left: gradeOf(c, chosen.exercise, 'left', shelf), right: gradeOf(c, chosen.exercise, 'right', shelf) },
          isBarred: barsOf(c, chosen.exercise).length > 0,
          note: c.notes.find((n) => n.exerciseId === chosen.exercise.id) ?? null
        }
      : null,
    prefers: { schoolId: c.client.schoolId, policies: c.client.policies },
    breathS: breathOf(c),
    shelf,
    atHome,
    hasHome: c.homeShelf.length > 0,
    names: Object.fromEntries(c.catalogue.map((e) => [e.id, e.name])),
    leadSide: c.goal.leadSide ?? ('left' as const)
  };
};

export const actions: Actions = {
  dial: async ({ request, params, locals: { db, now } }) => {
    const run = ({ both, ...input }: DialFormInput) =>
      setDials(db, Number(params.clientId), input, both ? sides : [input.side], now);
    const done = await runForm(request, dialForm, run, { form: 'dial' });
    return done.ok ? { kept: true } : done.failure;
  },
  add: async ({ request, params, locals: { db, today } }) => {
    const run = ({ exerciseId }: { exerciseId: string }) => addToWeek(db, Number(params.clientId), exerciseId, today);
    const done = await runForm(request, choiceForm, run, { form: 'week' });
    return done.ok ? { kept: true } : done.failure;
  },
  take: async ({ request, params, locals: { db, today } }) => {
    const run = ({ exerciseId }: { exerciseId: string }) => takeFromWeek(db, Number(params.clientId), exerciseId, today);
    const done = await runForm(request, choiceForm, run, { form: 'week' });
    return done.ok ? { kept: true } : done.failure;
  },
  school: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, schoolForm, (input) => chooseSchool(db, Number(params.clientId), input, today), {
      form: 'school'
    });
    return done.ok ? { kept: true } : done.failure;
  },
  variant: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, variantForm, (input) => chooseVariant(db, Number(params.clientId), input, today), {
      form: 'variant'
    });
    return done.ok ? { kept: true } : done.failure;
  },
  note: async ({ request, params, locals: { db, today } }) => {
    const done = await runForm(request, noteForm, (input) => noteExercise(db, Number(params.clientId), input, today), {
      form: 'note'
    });
    return done.ok ? { kept: true } : done.failure;
  }
};
