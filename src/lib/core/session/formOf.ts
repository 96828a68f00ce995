import type { HoldCue } from '../cycle/cue';
import type { Effort } from '../cycle/compileCycle';
import type { DialId } from '../exercise/dial';
import { schoolFigure } from '../exercise/schoolFigure';
import type { Exercise } from '../exercise/exercise';
import { leastHoldOf, type School } from '../school/school';
import { lowOf, type Span } from '../span';
import type { Form } from './block';
import { easyShare, Figures, type FormAsk, type Made } from './figures';
import { presses, shapedCycle, shortened } from './shapedCycle';
import { shapedLifts } from './shapedLifts';

/** The form, how many sets of it the school makes, and the dials it is made from. */
export type FormMade = Readonly<{ form: Form; sets: number; uses: readonly DialId[] }>;

/** Lift-offs at half effort, a second or two up and down, four to rest (common practice; the seconds are assumptions). */
const lift = { moveS: 2, quickS: 1, restS: 4, peakPct: 50, momentS: 1 } as const;
/** A movement through its range at an easy tempo, and one that nobody counts (assumptions). */
const move = { beatS: 2, untoldS: 40 } as const;
/** Long enough to measure, or to lie still, where nothing else is said (assumptions). */
const testS = 30;
const quietS = 60;
/**
 * What an exercise becomes when it is done by a school: the way its phase asks for, with one school's figures.
 *
 * Model:  movement is counted or timed; an active exercise is lifted and held; what is held or pressed is done the school's way (a cycle,
 *         breaths, repeats of a second or two, pulses that end in a hold), where it has no press a plain hold. What is counted in breaths
 *         alone is so in every school. A figure is that of the dial; where nobody set it the exercise's own for this school, at its low
 *         end; else the school's; else ours. Efforts, contractions and holds stay inside the gate's.
 * Units:  seconds, percent of the greatest safe effort.
 * Source: docs/sources.md#schools, docs/sources.md#planning
 */
export function formOf(ask: FormAsk): FormMade {
  const figures = new Figures(ask);
  const made = wayOf(ask, figures);
  return { sets: 1, ...made, uses: figures.used };
}

function wayOf(ask: FormAsk, figures: Figures): Made {
  const { exercise, school } = ask;
  switch (exercise.phases[0]) {
    case 'warm-up':
    case 'mobilise':
      return movement(ask, figures);
    case 'active end':
    case 'strengthen':
      return lifts(ask, figures);
    case 'settle':
      return quiet(ask, figures);
    default:
  }
  if (ask.cycle && presses(exercise)) return shapedCycle(ask, ask.cycle, figures);
  if (figures.has('breaths') && !figures.has('holdS')) return inBreaths(ask, figures);
  if (exercise.phases[0] === 'test' && !figures.has('holdS')) return { form: holdForm(ask, testS, 'measure') };
  switch (school.way.kind) {
    case 'cycle':
      return presses(exercise) ? cycle(ask, figures) : { form: holdForm(ask, figures.of('holdS', holdFigure(ask))) };
    case 'reps':
      return repeats(ask, figures);
    case 'breaths':
      return inBreaths(ask, figures);
    case 'pulses and holds':
      return pulses(ask, figures);
  }
}

/** Where a hold begins in this school; null where it has no figure in seconds for it. */
function holdFigure({ school, exercise, level }: FormAsk): number | null {
  const figure = schoolFigure(school, exercise, 'holdS');
  if (figure?.own) return lowOf(figure.span);
  return leastHoldOf(school, level) ?? (figure && lowOf(figure.span));
}

const holdForm = ({ gated }: FormAsk, holdS: number, cue?: HoldCue): Form => ({
  kind: 'hold',
  spec: { holdS: within(holdS, gated.longestHoldS), ...(cue !== undefined && { cue }) }
});

function movement(ask: FormAsk, figures: Figures): Made {
  const { exercise, school } = ask;
  if (figures.has('breaths')) return inBreaths(ask, figures);
  if (figures.has('reps') || figures.dose?.reps !== undefined) {
    // Help at the edge is for a moment: the short repeats.
    if (school.way.kind === 'reps' && exercise.kinds.includes('assisted')) return repeats(ask, figures);
    const spec = { sets: 1, pulses: figures.of('reps', null), pulseS: beatOf(school), holdS: 0, settleS: 0 };
    return { form: { kind: 'pulses', spec: { ...spec, ...(goesRound(exercise) && { bothWays: true }) } } };
  }
  const holdS = within(figures.untold('holdS', move.untoldS), ask.gated.longestHoldS);
  return { form: { kind: 'hold', spec: { holdS, moving: true, cue: 'move easily' } } };
}

const beatOf = ({ way }: School): number => (way.kind === 'pulses and holds' ? way.pulseS : move.beatS);
const goesRound = ({ name }: Exercise): boolean => /\bcircles?\b/i.test(name);

function lifts(ask: FormAsk, figures: Figures): Made {
  const { school, gated, capPct, exercise } = ask;
  if (figures.has('breaths')) return inBreaths(ask, figures);
  const peakPct = Math.min(figures.has('effortPct') ? figures.of('effortPct', null) : lift.peakPct, capPct);
  if (ask.lifts) return shapedLifts(ask, ask.lifts, figures, peakPct);
  const contractionS = gated.caps.contractionS ?? Infinity;
  // Where contractions are kept short the lift and the lowering are part of them.
  const moveS = contractionS < Infinity ? lift.quickS : lift.moveS;
  const counted = figures.has('reps') || figures.dose?.reps !== undefined || !figures.has('holdS');
  const reps = counted ? figures.of('reps', liftsOf(school)) : 1;
  const moment = figures.dose?.contractionS === undefined ? heldFigure(school) : lowOf(figures.dose.contractionS);
  const holdS = figures.has('holdS') ? figures.of('holdS', moment) : (moment ?? lift.momentS);
  const held = Math.min(within(holdS, gated.longestHoldS), Math.max(0, contractionS - 2 * moveS));
  const spec = { reps, liftS: moveS, holdS: held, lowerS: moveS, restS: lift.restS, peakPct };
  return { form: { kind: 'reps', spec: { ...spec, ...(exercise.kinds.includes('assisted') && { assisted: true }) } } };
}

/** How many lifts a school begins with; null where it counts none. */
const liftsOf = ({ way, rules }: School): number | null =>
  way.kind === 'reps' ? way.reps : way.kind === 'pulses and holds' ? lowOf(rules.contraction?.span ?? way.pulses) : null;
/** How long a lift is held in a school that says so. */
const heldFigure = ({ way }: School): number | null => (way.kind === 'reps' ? way.holdS : null);

/** The opposite muscle moves the limb, a trace of help at the edge: for a second or two, many times. */
function repeats(ask: FormAsk, figures: Figures): Made {
  const { school, capPct, gated, exercise } = ask;
  if (school.way.kind !== 'reps') throw new RangeError(`no repeats in ${school.id}`);
  const { way } = school;
  const { dose } = figures;
  const most = gated.caps.contractionS ?? Infinity;
  const moveS = most < Infinity ? lift.quickS : way.liftS;
  const holdS =
    dose?.contractionS === undefined ? (dose?.holdS === undefined ? way.holdS : lowOf(dose.holdS)) : lowOf(dose.contractionS);
  const spec = {
    reps: figures.untold('reps', way.reps),
    liftS: moveS,
    holdS: Math.min(within(holdS, gated.longestHoldS), Math.max(0, most - 2 * moveS)),
    lowerS: moveS,
    restS: 0,
    peakPct: Math.min(way.effortPct, capPct),
    assisted: !exercise.kinds.includes('isometric')
  };
  return { form: { kind: 'reps', spec }, sets: dose?.sets === undefined ? way.sets : lowOf(dose.sets) };
}

function inBreaths(ask: FormAsk, figures: Figures): Made {
  const { school, exercise, gated, breathS, capPct } = ask;
  const { way, rules } = school;
  const isWay = way.kind === 'breaths';
  const wished = figures.of('breaths', isWay && rules.hold?.span !== undefined ? lowOf(rules.hold.span) : null);
  const longestS = gated.longestHoldS ?? Infinity;
  const atOnce = exercise.places?.length ?? 1;
  const mostAtWorkS = gated.caps.contractionS ?? Infinity;
  // Where one breath is too long to stay, or a leg carried through a whole circuit, a short effort stands for each.
  if (breathS > longestS || (atOnce > 1 && breathS * wished * atOnce > mostAtWorkS)) {
    const spec = {
      reps: wished,
      liftS: lift.quickS,
      holdS: Math.max(0, Math.min(longestS, mostAtWorkS - 2 * lift.quickS)),
      lowerS: lift.quickS,
      restS: lift.restS
    };
    return { form: { kind: 'reps', spec: { ...spec, peakPct: Math.min(lightPct, capPct) } } };
  }
  const breaths = Math.max(1, Math.min(wished, Math.floor(longestS / breathS)));
  const works = isWay || !exercise.kinds.includes('passive');
  // Lightly at work for so long is a contraction too long where contractions are kept short.
  const tooLong = breaths * breathS > mostAtWorkS;
  const effortPct = works && !tooLong ? Math.min(isWay ? way.effortPct : lightPct, capPct) : 0;
  const spec = { breaths, breathS, effortPct, passes: isWay ? roundsOf(ask, figures) : 1 };
  return { form: { kind: 'breaths', spec: exercise.places ? { ...spec, places: exercise.places } : spec } };
}

const lightPct = 15;

/** Pulses that end in a hold; where bouncing is not open the holds alone. */
function pulses(ask: FormAsk, figures: Figures): Made {
  const { school, gated } = ask;
  if (school.way.kind !== 'pulses and holds') throw new RangeError(`no pulses in ${school.id}`);
  const { way } = school;
  const spec = {
    sets: roundsOf(ask, figures),
    pulses: gated.caps.bounce ? figures.untold('reps', way.pulses) : 0,
    pulseS: way.pulseS,
    holdS: within(figures.of('holdS', holdFigure(ask)), gated.longestHoldS),
    settleS: way.settleS
  };
  return { form: { kind: 'pulses', spec } };
}

function quiet(ask: FormAsk, figures: Figures): Made {
  if (figures.has('breaths')) {
    const { form } = inBreaths(ask, figures);
    return { form: form.kind === 'breaths' ? { kind: 'breaths', spec: { ...form.spec, effortPct: 0, passes: 1 } } : form };
  }
  return { form: holdForm(ask, figures.untold('holdS', quietS), 'lie still') };
}

function cycle(ask: FormAsk, figures: Figures): Made {
  const { school, exercise, level, gated, capPct } = ask;
  if (school.way.kind !== 'cycle') throw new RangeError(`no cycle in ${school.id}`);
  const { way } = school;
  const { dose } = figures;
  // Short contract-relax holds at its end, a long hold at its start: the hold that is given belongs there.
  const holdsLast = way.draw === null;
  const beginS = holdsLast ? way.holdS : figures.untold('holdS', leastHoldOf(school, level) ?? way.holdS);
  const lastS = holdsLast && dose?.holdS !== undefined ? lowOf(dose.holdS) : way.finalSettleS;
  const effort = schoolFigure(school, exercise, 'effortPct');
  const pressPct = Math.min(
    figures.has('effortPct') ? figures.of('effortPct', effort && lowOf(effort.span)) : way.press.peakPct,
    capPct
  );
  const drawPct = way.draw && Math.min(toFive((pressPct * way.draw.peakPct) / way.press.peakPct), capPct);
  // What the exercise gives for this school takes the place of a figure that lies outside it.
  const heldS = (usual: number) =>
    figures.has('contractionS') ? figures.of('contractionS', usual) : usualIn(dose?.contractionS ?? usual, usual);
  const most = gated.caps.contractionS ?? Infinity;
  const contraction = (e: Effort, peakPct: number): Effort => shortened({ ...e, holdS: heldS(e.holdS), peakPct }, most);
  const press = contraction(way.press, pressPct);
  const draw = way.draw && drawPct !== null && exercise.draw !== undefined ? contraction(way.draw, drawPct) : undefined;
  const rounds = roundsOf(ask, figures);
  const lighter = (pct: number) => ({ peakPct: Math.min(toFive(pct * school.firstRoundShare), pct) });
  const first = { press: lighter(pressPct), ...(draw && { draw: lighter(draw.peakPct) }) };
  const spec = {
    holdS: within(beginS, gated.longestHoldS),
    rounds,
    press,
    ...(draw && { draw }),
    turnS: way.turnS,
    settleS: way.settleS,
    finalSettleS: within(lastS, gated.longestHoldS),
    perRound: rounds > 1 && school.firstRoundShare < 1 ? [first] : [],
    ...(gated.noHarder && { stays: true })
  };
  return { form: { kind: 'cycle', spec } };
}

/**
 * Rounds as set, else the least of the school; one more where range is opened, as far as the dial and the school go, and 60 % of them, rounded
 * down, in an easy week.
 */
function roundsOf({ exercise, school, moreRounds, easy, setting }: FormAsk, figures: Figures): number {
  const span = figures.dose?.rounds ?? figures.dose?.sets ?? school.rules.rounds?.span ?? 1;
  const [least, most] = typeof span === 'number' ? [span, span] : span;
  const dial = exercise.dials.find((d) => d.id === 'rounds');
  if (dial) figures.used.push('rounds');
  const begun = (dial && setting.rounds) ?? least;
  const end = dial && setting.rounds !== undefined ? dial.max : most;
  const rounds = Math.min(Math.max(begun, end), begun + (moreRounds ? 1 : 0));
  return easy ? Math.max(1, Math.floor(rounds * easyShare)) : rounds;
}

const usualIn = (span: Span, usual: number): number =>
  typeof span === 'object' && usual >= span[0] && usual <= span[1] ? usual : lowOf(span);
const within = (s: number, longestS: number | null): number => (longestS === null ? s : Math.min(s, longestS));
const toFive = (pct: number): number => Math.max(5, Math.round(pct / 5) * 5);
