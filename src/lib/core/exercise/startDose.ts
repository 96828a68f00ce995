import type { Level } from '../level';
import type { School } from '../school/school';
import { lowOf, type Span } from '../span';
import type { Dial, DialId, DialUnit, Setting } from './dial';
import { partOf, type Exercise } from './exercise';
import { schoolFigure, type SchoolFigure } from './schoolFigure';

/** Whose figure a dial begins with: given for this exercise in the school, the school's own, or ours. */
export type StartOrigin = 'taught' | 'school' | 'ours';
export type StartDose = Readonly<{ value: number; origin: StartOrigin }>;

/** Who begins with an exercise: by which school, at which level, and what is taught of it toward their goal. */
export type Beginner = Readonly<{ school: School | null; level: Level; taught?: Setting }>;

type Ours = Readonly<Record<Level, number>>;

/**
 * Where a dial begins that nobody gives a figure for: low, and more for those who know the work (our judgement, after first sessions and fourth
 * weeks as they are commonly taught).
 */
const ours: Readonly<Partial<Record<DialUnit | 'contractionS' | 'lift' | 'move', Ours>>> = {
  s: { beginner: 30, intermediate: 45, advanced: 60 },
  lift: { beginner: 2, intermediate: 3, advanced: 5 },
  contractionS: { beginner: 5, intermediate: 8, advanced: 10 },
  reps: { beginner: 5, intermediate: 8, advanced: 10 },
  // Rocks, presses by hand and circles take a second or two each: fewer are hardly felt.
  move: { beginner: 8, intermediate: 10, advanced: 10 },
  breaths: { beginner: 3, intermediate: 6, advanced: 6 },
  rounds: { beginner: 1, intermediate: 2, advanced: 2 },
  '%': { beginner: 20, intermediate: 40, advanced: 50 },
  kg: { beginner: 1, intermediate: 2, advanced: 3 }
};

/** Units that say how long, how often and how hard; every other dial is a height, a load or a way. */
const isDose = ({ unit }: Dial): boolean => ours[unit] !== undefined;

type Unit = keyof typeof ours;
const unitOf: Readonly<Partial<Record<DialId, Unit>>> = { holdS: 's', contractionS: 'contractionS', effortPct: '%' };

/** Returns the figure a dial begins with where nobody gives one. Units: those of the dial. Throws: RangeError for one that is no dose. */
export function ourFigure(
  exercise: Pick<Exercise, 'phases'>,
  id: DialId,
  level: Level,
  unit: Unit = unitOf[id] ?? (id as Unit)
): number {
  const part = partOf({ ...exercise, positionOf: [] });
  const isMove = unit === 'reps' && (part === 'mobilise' || part === 'warm-up');
  const kind = isMove ? 'move' : unit === 's' && part === 'own' ? 'lift' : unit;
  const figures = id === 'contractionS' ? ours.contractionS : ours[kind];
  if (!figures) throw new RangeError(`no figure of ours for ${id}`);
  return figures[level];
}

const isLift = (exercise: Pick<Exercise, 'phases'>): boolean => partOf({ ...exercise, positionOf: [] }) === 'own';

/** A school's figure for a dial; its hold is that of a stretch, and says nothing of how long a lift is held. */
function figureFor(school: School, exercise: Exercise, dial: Dial): SchoolFigure | null {
  const figure = schoolFigure(school, exercise, dial.id);
  return figure && !figure.own && dial.id === 'holdS' && isLift(exercise) ? null : figure;
}

/** Returns the low end of a span, and the middle for those who are advanced. */
const inSpan = (span: Span, level: Level): number =>
  level === 'advanced' && typeof span !== 'number' ? (span[0] + span[1]) / 2 : lowOf(span);

/**
 * Where a dial of an exercise begins with a person; null for one that says neither how long, how often nor how hard.
 *
 * Model:  with what is taught toward the goal, where that is given. Else a beginner with what the exercise usually begins with, and as many repetitions as are taught; where that is not given with what is
 *         taught for it in the school, or with the lower of the school's figure and ours. Who is further begins with what is taught, else with the school's figure, else with ours, and
 *         never below what is usual. A tempo is the exercise's own. On the steps of the dial, inside its ends.
 * Units:  those of the dial.
 */
export function startDose(exercise: Exercise, dial: Dial, { school, level, taught = {} }: Beginner): StartDose | null {
  if (dial.id === 'tempoS') return { value: exercise.start.tempoS ?? dial.min, origin: 'taught' };
  if (!isDose(dial)) return null;
  const toward = taught[dial.id];
  if (toward !== undefined) return { value: onSteps(dial, toward), origin: 'taught' };
  if (dial.unit === 'kg') return startLoad(exercise, dial, level);
  const figure = school && figureFor(school, exercise, dial);
  const own = ourFigure(exercise, dial.id, level, dial.unit as Unit);
  const usual = exercise.start[dial.id];
  const given: StartDose = figure
    ? { value: inSpan(figure.span, level), origin: figure.own ? 'taught' : 'school' }
    : { value: own, origin: 'ours' };
  const onDial = (dose: StartDose): StartDose => ({ ...dose, value: onSteps(dial, dose.value) });
  if (level === 'beginner') {
    // Before an effort a beginner holds for a shorter time.
    if (usual !== undefined && dial.id === 'holdS' && exercise.start.effortPct !== undefined)
      return onDial({ value: Math.min(usual, own), origin: 'ours' });
    // Few and clean is no reason for fewer than are taught: a count is what the exercise is.
    if (dial.unit === 'reps' && usual !== undefined && usual < given.value) return onDial(given);
    if (usual !== undefined) return { value: usual, origin: 'ours' };
    return onDial(given.origin === 'school' && own < given.value ? { value: own, origin: 'ours' } : given);
  }
  return usual !== undefined && usual >= onSteps(dial, given.value) ? { value: usual, origin: 'ours' } : onDial(given);
}

/** A load is ours whoever teaches it; what may be done without a weight begins without. */
function startLoad(exercise: Exercise, dial: Dial, level: Level): StartDose | null {
  const isNeeded = exercise.props.some((p) => p.id === 'weight' && !p.optional);
  return isNeeded ? { value: exercise.start.loadKg || onSteps(dial, ours.kg![level]), origin: 'ours' } : null;
}

function onSteps(dial: Dial, value: number): number {
  const inside = Math.min(dial.max, Math.max(dial.min, value));
  return Math.round((dial.min + Math.round((inside - dial.min) / dial.step) * dial.step) * 100) / 100;
}

/** Where every dial begins that says how long, how often and how hard, and every other that has a usual start. */
export const startSetting = (exercise: Exercise, who: Beginner): Setting => ({
  ...Object.fromEntries(Object.entries(exercise.start).filter(([id]) => !exercise.dials.some((d) => d.id === id && d.stack))),
  ...Object.fromEntries(
    exercise.dials.flatMap((dial) => {
      const dose = startDose(exercise, dial, who);
      return dose ? [[dial.id, dose.value]] : [];
    })
  )
});
