import { choiceForm } from '$lib/contract/exerciseForms';
import { queryOf } from '$lib/contract/libraryQuery';
import { chainOf, neighboursOf, schoolOf, substitutesFor, type Exercise } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { listUsersOf, updateOwnExerciseRemoved } from '$lib/server/repo/exerciseRepo';
import { listNoted } from '$lib/server/repo/judgementRepo';
import { listWithGoal } from '$lib/server/repo/peopleRepo';
import { listProps } from '$lib/server/repo/propRepo';
import { kindsOn } from '$lib/server/service/shelf';
import { withGoal } from '$lib/server/service/clientCase';
import { gradeOf, settingOf } from '$lib/server/service/gradeExercise';
import { barsOf } from '$lib/server/service/safety';
import { exerciseIn, loadCatalogue, removeExercise } from '$lib/server/service/library';
import { runForm } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const shownNotes = 5;
const isOwn = (e: Exercise) => 'copyOf' in e;

export const load: PageServerLoad = async ({ params, url, parent, locals: { db, caseOf } }) => {
  const catalogue = await loadCatalogue(db);
  const exercise = await orNotFound(Promise.resolve().then(() => exerciseIn(catalogue, params.exerciseId)));
  const { forClient } = await parent();
  const c = forClient && withGoal(await caseOf(forClient.id));
  const chain = chainOf(exercise, catalogue).map((id) => {
    const e = exerciseIn(catalogue, id);
    const isSet = c?.settings[id] !== undefined;
    return {
      id,
      name: e.name,
      dials: e.dials,
      perSide: e.sides === 'each',
      inferred: false,
      today: c && isSet ? { left: settingOf(c, e, 'left'), right: settingOf(c, e, 'right') } : null
    };
  });
  const named = (ids: readonly string[]) => ids.map((id) => ({ id, name: exerciseIn(catalogue, id).name }));
  const { easier, harder } = neighboursOf(exercise, catalogue);
  const withName = (list: typeof easier) => list.map((n) => ({ ...n, name: exerciseIn(catalogue, n.id).name }));
  const atHand = kindsOn(await listProps(db));
  return {
    exercise,
    isOwn: isOwn(exercise),
    copyOf: 'copyOf' in exercise && exercise.copyOf ? named([String(exercise.copyOf)])[0]! : null,
    chain,
    easier: withName(easier),
    harder: withName(harder),
    then: named(exercise.then),
    mirrors: exercise.mirrors ? named([exercise.mirrors])[0]! : null,
    doses: exercise.doses.map((dose) => ({ dose, school: schoolOf(dose.school).name })),
    props: exercise.props.map((need) => ({
      need,
      atHand: atHand.has(need.id),
      substitutes: substitutesFor(need.id, atHand).slice(0, 3)
    })),
    /** In whose Grade it can be tried, where nobody is chosen yet. */
    people: forClient ? [] : await listWithGoal(db),
    users: await listUsersOf(db, exercise.id),
    noted: await listNoted(db, { exerciseId: exercise.id }, shownNotes),
    gated: c ? gradeOf(c, exercise, c.goal.leadSide ?? 'left').gated : null,
    isBarred: c ? barsOf(c, exercise).length > 0 : false,
    note: c?.notes.find((n) => n.exerciseId === exercise.id) ?? null,
    others: catalogue.filter((e) => e.id !== exercise.id).map(({ id, name }) => ({ id, name })),
    query: queryOf(url)
  };
};

export const actions: Actions = {
  remove: async ({ request, locals: { db, now } }) => {
    const done = await runForm(request, choiceForm, ({ exerciseId }) => removeExercise(db, exerciseId, now), {
      form: 'remove'
    });
    return done.ok ? { removed: true } : done.failure;
  },
  restore: async ({ request, locals: { db } }) => {
    const done = await runForm(request, choiceForm, ({ exerciseId }) => updateOwnExerciseRemoved(db, exerciseId, null), {
      form: 'restore'
    });
    return done.ok ? { kept: true } : done.failure;
  }
};
