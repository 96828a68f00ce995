import { motionOfDemand, goalExercises } from '../exercise/goalExercises';
import { startSetting } from '../exercise/startDose';
import { dialAtRung } from '../exercise/dials';
import { lackedBy, type Exercise } from '../exercise/exercise';
import { exercises } from '../exercise/exercises';
import { goalOf } from '../goal/goals';
import { ladder } from '../props/ladder';
import type { LinearSolver } from '../linearProgram';
import { levels, type Level } from '../level';
import { planProgression, type Progression } from '../plan/planProgression';
import { noPlanWishes } from '../plan/planProgression';
import type { WeekWork } from '../plan/sessionBlocks';
import { warmUpSeconds } from '../plan/warmUp';
import { fillRecipe, recipePlaces, taughtToward } from '../recipe/fillRecipe';
import { stretchMost } from '../safety/upperLimit';
import { isWorked, type Block, type Form } from '../session/block';
import { workSeconds } from '../session/reducedBlock';
import { schoolOf } from '../school/schools';
import { doseByLink } from '../plan/doseByLink';
import { limit, somebody } from './person';
import type { ModelDose, ModelSession } from './models';

/** The worth of a plan against a reference session: 100 is what its master would sign. */
export type Judgement = Readonly<{
  id: string;
  total: number;
  parts: Readonly<Record<'must' | 'refused' | 'order' | 'doses' | 'growth' | 'minutes', number>>;
  /** Reasons for the points that are missing, in a few words each. */
  lacks: readonly string[];
}>;

const today = '2026-03-02';
const shelf = [
  { id: 'book', name: 'book', quantity: 4, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] },
  { id: 'block', name: 'block', quantity: 4, faces: [{ heightCm: 10, widthCm: 15, depthCm: 23 }] }
];
const rungs = ladder({ fromCm: 30, toCm: 0, shelf }).steps;

const weekWork = (exercise: Exercise, { school, level, goal, stage = 0 }: ModelSession, place: WeekWork['place']): WeekWork => {
  const preferred = schoolOf(school);
  const stacks = exercise.dials.filter((d) => d.stack);
  const middle = rungs[Math.floor(rungs.length / 2)]!;
  const setting = {
    ...startSetting(exercise, { school: preferred, level, taught: taughtToward({ goal, stage, school }, exercise.id) }),
    ...Object.fromEntries(stacks.map((d) => [d.id, dialAtRung(d, middle)]))
  };
  const state = { setting, rungs: Object.fromEntries(stacks.map((d) => [d.id, rungs])), begins: {}, measured: {} };
  return { exercise, school: preferred, place, isOwn: false, states: { left: state, right: state } };
};

/** The plan of twelve weeks that is proposed for the person of a model. */
export async function planOf(model: ModelSession, solve: LinearSolver): Promise<Progression> {
  const { goal: kind, stage = 0, school, level, minutes, days, age } = model;
  const goal = goalOf(kind);
  const kinds = new Set(exercises.flatMap((e) => e.props.map((p) => p.id as string)));
  const recipe = { goal: kind, stage, school };
  const { picks } = fillRecipe({
    ...recipe,
    level,
    catalogue: exercises,
    isOpen: () => true,
    isAtHand: (e) => lackedBy(e, kinds).length === 0
  });
  const list = goalExercises(
    { ...goal, stage },
    exercises,
    picks.map((p) => p.exercise)
  );
  const places = recipePlaces([recipe]);
  const demands = [...new Set(goal.demands.flatMap((d) => motionOfDemand(d.measure) ?? []))];
  return planProgression(
    {
      week: list.map((e) => weekWork(e, model, places.get(e.id))),
      level,
      leadSide: 'left',
      weakerSide: null,
      tighterSide: null,
      limiting: demands,
      priority: Object.fromEntries(demands.map((d, i) => [d, Math.max(0.4, 1 - i / 5)])),
      activeWorth: {},
      demands,
      wishes: noPlanWishes,
      breathS: 6,
      person: somebody({
        limits: age < 18 ? [limit('adult present')] : [],
        flatHeldOn: { left: ['2026-01-05', '2026-01-19', '2026-02-02'], right: ['2026-01-05', '2026-01-19', '2026-02-02'] },
        lotusStage: 2
      }),
      today,
      weeks: 12,
      sessionsPerWeek: days,
      minutes,
      start: today,
      target: null,
      hasBaseline: true
    },
    solve
  );
}

const idsOf = (blocks: readonly Block[]): string[] => blocks.filter(isWorked).map((b) => b.exerciseId);

/** A figure of a form; null where it has none. Units: seconds, counts. */
function figureOf(form: Form, figure: ModelDose[1]): number | null {
  switch (form.kind) {
    case 'cycle':
      return figure === 'rounds'
        ? form.spec.rounds
        : figure === 'holdS'
          ? Math.max(form.spec.holdS, form.spec.press?.holdS ?? 0)
          : null;
    case 'hold':
      return figure === 'holdS' ? form.spec.holdS : figure === 'rounds' ? 1 : null;
    case 'breaths':
      return figure === 'breaths' ? form.spec.breaths : figure === 'holdS' ? form.spec.breaths * form.spec.breathS : null;
    case 'pulses': {
      const { pulses, pulseS, holdS, sets } = form.spec;
      return { reps: pulses, repS: pulseS, holdS, rounds: sets, breaths: null }[figure];
    }
    case 'reps': {
      const { reps, liftS, holdS, lowerS, lastHoldS, deepest } = form.spec;
      const atBottomS = deepest ? (deepest.times ?? 1) * (deepest.holdS + (deepest.letGoS ?? 0)) : 0;
      return { reps, repS: liftS + holdS + lowerS + atBottomS, holdS: lastHoldS ?? holdS, rounds: null, breaths: null }[figure];
    }
    default:
      return null;
  }
}

const share = (kept: readonly boolean[]): number => (kept.length === 0 ? 1 : kept.filter(Boolean).length / kept.length);

/**
 * A plan held against a reference session.
 *
 * Model:  must-haves 30 points, nothing refused 20 (anything refused leaves 79 at most), order 15, doses and tempo of week 3 in range 15, growth
 *         of the main line from week 1 to 3 to 8 and an easy week of 60 to 75 % of the work 10, minutes used and the share of the warm-up 10.
 */
export function judge(model: ModelSession, plan: Progression): Judgement {
  const lacks: string[] = [];
  const check = (kept: boolean, words: string): boolean => {
    if (!kept) lacks.push(words);
    return kept;
  };
  const sessionsIn = (week: number) => plan.weeks[week - 1]!.sessions;
  const week3 = sessionsIn(3);
  const inWeek = new Set(week3.flatMap((s) => idsOf(s.blocks)));
  const must = share(
    model.must.map((row) =>
      check(
        row.some((id) => inWeek.has(id)),
        `without ${row.join(' or ')}`
      )
    )
  );
  const all = plan.weeks.flatMap((w) => w.sessions).map((s) => idsOf(s.blocks));
  const refused =
    check(!all.flat().some((id) => model.refused.includes(id)), 'a piece that is refused') &&
    check(!all.some((ids) => model.never.some((row) => row.filter((id) => ids.includes(id)).length > 1)), 'two of one row');
  const order = share(
    model.order.flatMap(([one, other]) =>
      week3.flatMap(({ blocks }) => {
        const ids = idsOf(blocks);
        return ids.includes(one) && ids.includes(other)
          ? [check(ids.indexOf(one) < ids.indexOf(other), `${other} before ${one}`)]
          : [];
      })
    )
  );
  const formOf = (id: string) => week3.flatMap((s) => s.blocks).find((b) => b.exerciseId === id)?.work[0]?.form;
  const doses = share(
    model.doses.map(([id, figure, from, to]) => {
      const form = formOf(id);
      const at = form && figureOf(form, figure);
      return check(at != null && at >= from - 0.01 && at <= to + 0.01, `${id} ${figure} ${at ?? 'none'}, not ${from} to ${to}`);
    })
  );
  const workS = (week: number, ids?: readonly string[]) =>
    sessionsIn(week)
      .flatMap((s) => s.blocks.filter((b) => isWorked(b) && (ids?.includes(b.exerciseId) ?? true)))
      .reduce((sum, b) => sum + b.work.reduce((all, work) => all + workSeconds(b, work), 0), 0);
  const timeS = (week: number, ids?: readonly string[]) => workS(week, ids) / Math.max(1, sessionsIn(week).length);
  const grows = check(
    timeS(3, model.main) > timeS(1, model.main),
    `the main line stands at ${Math.round(timeS(1, model.main))} s from week 1 to 3`
  );
  const differs = check(timeS(8 - 1, model.main) !== timeS(1, model.main), 'the main line is the same in week 7');
  const eased = timeS(4) / timeS(3);
  const easy = check(eased <= 0.75 && eased >= 0.5, `the easy week has ${Math.round(100 * eased)} %`);
  const growth = share([grows, differs, easy]);
  const longest = Math.max(...week3.map((s) => s.durationS));
  const isCapped = week3.some((s) =>
    doseByLink(s.blocks).some((d) => (d.stretchS + d.contractionS) / 60 >= stretchMost.sessionMin * 0.8)
  );
  const fills = longest >= 0.85 * model.minutes * 60;
  const used = check(fills || isCapped, `fills ${Math.round(longest / 60)} of ${model.minutes} min`);
  const warm = check(
    warmUpSeconds(model.minutes, somebody()) <= model.minutes * 60 * (model.minutes > 15 && model.minutes < 30 ? 0.25 : 0.2),
    'a long warm-up'
  );
  const parts = {
    must: 30 * must,
    refused: refused ? 20 : 0,
    order: 15 * order,
    doses: 15 * doses,
    growth: 10 * growth,
    minutes: 10 * share([used, warm])
  };
  const sum = Object.values(parts).reduce((a, b) => a + b, 0);
  return { id: model.id, total: Math.round(refused ? sum : Math.min(79, sum)), parts, lacks };
}

/** The same person with minutes a step up or down, or one level on: what a plan is worth there too. */
export function variationsOf(model: ModelSession): ModelSession[] {
  const steps = [15, 20, 30, 45, 60];
  const at = steps.indexOf(model.minutes);
  const next: Level | undefined = levels[levels.indexOf(model.level) + 1];
  return [
    ...[steps[at - 1], steps[at + 1]].flatMap((minutes) =>
      minutes ? [{ ...model, id: `${model.id} ${minutes} min`, minutes }] : []
    ),
    ...(next ? [{ ...model, id: `${model.id} ${next}`, level: next }] : [])
  ];
}
