import type { HoldCue } from '../cycle/cue';
import type { Effort } from '../cycle/compileCycle';
import type { DialId } from '../exercise/dial';
import { schoolFigure } from '../exercise/schoolFigure';
import type { Exercise } from '../exercise/exercise';
import { holdsLastOnly, usualLift, usualMoveS, type Tempo } from '../exercise/tempo';
import { presses, wayFor } from '../exercise/wayFor';
import { leastHoldOf, type PressWay, type School } from '../school/school';
import { lowOf, type Span } from '../span';
import type { Form } from './block';
import { Figures, type FormAsk, type Made } from './figures';
import { shapedCycle, shortened } from './shapedCycle';
import { shapedLifts } from './shapedLifts';

/** The form, how many sets of it the school makes, and the dials it is made from. */
export type FormMade = Readonly<{ form: Form; sets: number; uses: readonly DialId[] }>;

/** Lift-offs at half effort (common practice); where contractions are kept short up and down in a second each, with more rest (assumptions). */
const lift = { quickS: 1, restS: 4, peakPct: 50, momentS: 1 } as const;
/** A movement that nobody counts (assumption). */
const untoldMoveS = 40;
/** Long enough to measure, or to lie still, where nothing else is said (assumptions). */
const testS = 20;
const quietS = 60;
/**
 * What an exercise becomes when it is done by a school: the way its phase asks for, with one school's figures.
 *
 * Model:  the exercise stays what it is: movement is counted or timed at its own tempo, an active exercise lifted and held, a press
 *         pressed in every school, a hold held, or stayed in for breaths. The school says how long, how hard and how often. What is counted
 *         in breaths alone is so in every school. A figure is that of the dial; where nobody set it the exercise's own for this school, at its low
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
  if (exercise.tempo?.kind === 'lowered') return lowered(ask, exercise.tempo, figures);
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
  const way = wayFor(exercise, school);
  switch (way.kind) {
    case 'cycle':
      return isPressedHold(exercise) ? pressedHold(ask, figures) : cycle(ask, way, figures);
    case 'reps':
      return repeats(ask, figures);
    case 'breaths':
      return inBreaths(ask, figures);
    case 'holds': {
      const holdS = figures.of('holdS', holdFigure(ask));
      return way.sets > 1 ? holds(ask, { ...way, holdS }, figures) : { form: holdForm(ask, holdS) };
    }
  }
}

const isHelped = ({ kinds }: Exercise): boolean => kinds.includes('assisted');

/** Where a hold begins in this school; null where it has no figure for one in one go: a second or two, many times, is none. */
function holdFigure({ school, exercise, level }: FormAsk): number | null {
  const figure = schoolFigure(school, exercise, 'holdS');
  if (figure?.own) return lowOf(figure.span);
  if (school.way.kind === 'reps') return null;
  return leastHoldOf(school, level) ?? (figure && lowOf(figure.span));
}

const holdForm = ({ gated }: FormAsk, holdS: number, cue?: HoldCue): Form => ({
  kind: 'hold',
  spec: { holdS: within(holdS, gated.longestHoldS), ...(cue !== undefined && { cue }) }
});

function movement(ask: FormAsk, figures: Figures): Made {
  const { exercise, school } = ask;
  if (figures.has('breaths')) return inBreaths(ask, figures);
  // Help at the edge is for a moment.
  if (exercise.tempo?.kind === 'lifted') return repeats(ask, figures);
  if (figures.has('reps') || figures.dose?.reps !== undefined) {
    return { form: { kind: 'pulses', spec: { ...moved(exercise, figures), pulses: figures.of('reps', null) } } };
  }
  if (figures.has('rounds')) {
    const spec = moved(exercise, figures);
    return { form: { kind: 'pulses', spec: { ...spec, pulses: roundsOf(ask, figures, school.rules.rounds?.span ?? 1) } } };
  }
  const holdS = within(figures.untold('holdS', untoldMoveS), ask.gated.longestHoldS);
  return { form: { kind: 'hold', spec: { holdS, moving: true, cue: 'move easily' } } };
}

const moved = (exercise: Exercise, figures: Figures) => ({
  sets: 1,
  pulseS: beatOf(exercise, figures),
  holdS: 0,
  settleS: 0,
  ...(goesRound(exercise) && { bothWays: true })
});

/** Seconds of one repetition without a stop: as its dial says, else as it is begun. */
function beatOf({ tempo }: Exercise, figures: Figures): number {
  if (tempo?.kind !== 'flowing') return figures.shaped('tempoS', usualMoveS);
  return figures.shaped('tempoS', tempo.harder === 'slower' ? tempo.quickS : tempo.slowS);
}
/** True for circles: what ships says so by its tempo, an exercise of the studio's own by its name. */
const goesRound = ({ tempo, name }: Exercise): boolean =>
  tempo ? tempo.kind === 'flowing' && tempo.bothWays === true : /\bcircles?\b/i.test(name);

function lifts(ask: FormAsk, figures: Figures): Made {
  const { school, gated, capPct, exercise } = ask;
  if (figures.has('breaths')) return inBreaths(ask, figures);
  const { tempo } = exercise;
  const peakPct = Math.min(figures.has('effortPct') ? figures.of('effortPct', null) : lift.peakPct, capPct);
  if (ask.lifts) return shapedLifts(ask, ask.lifts, figures, peakPct);
  const contractionS = gated.caps.contractionS ?? Infinity;
  const isShort = contractionS < Infinity;
  if (tempo?.kind === 'flowing' && !isShort) {
    const halfS = beatOf(exercise, figures) / 2;
    const last = holdsLastOnly(exercise) ? { lastHoldS: within(figures.of('holdS', null), gated.longestHoldS) } : {};
    const spec = { reps: figures.of('reps', liftsOf(school)), liftS: halfS, holdS: 0, lowerS: halfS, restS: 0, peakPct, ...last };
    return { form: { kind: 'reps', spec: { ...spec, ...(tempo.bothWays && { bothWays: true }) } } };
  }
  // Where contractions are kept short the lift and the lowering are part of them.
  const times = isShort
    ? { upS: lift.quickS, downS: lift.quickS, restS: lift.restS }
    : tempo?.kind === 'lifted'
      ? tempo
      : usualLift;
  const counted = figures.has('reps') || figures.dose?.reps !== undefined || !figures.has('holdS');
  const reps = counted ? figures.of('reps', liftsOf(school)) : 1;
  const moment = figures.dose?.contractionS === undefined ? heldFigure(school) : lowOf(figures.dose.contractionS);
  const holdS = figures.has('holdS') ? figures.of('holdS', moment) : (moment ?? lift.momentS);
  const held = Math.min(within(holdS, gated.longestHoldS), Math.max(0, contractionS - times.upS - times.downS));
  const spec = { reps, liftS: times.upS, holdS: held, lowerS: times.downS, restS: times.restS, peakPct };
  return { form: { kind: 'reps', spec: { ...spec, ...(isHelped(exercise) && { assisted: true }) } } };
}

/** Down by its own strength, efforts at the bottom with a moment to let go after each, and up again. */
function lowered(ask: FormAsk, tempo: Extract<Tempo, { kind: 'lowered' }>, figures: Figures): Made {
  const { gated, capPct, school } = ask;
  const mostS = gated.caps.contractionS ?? Infinity;
  const peakPct = Math.min(figures.has('effortPct') ? figures.of('effortPct', null) : lift.peakPct, capPct);
  if (ask.lifts) return shapedLifts(ask, ask.lifts, figures, peakPct);
  const spec = {
    reps: figures.of('reps', liftsOf(school)),
    liftS: tempo.downS,
    holdS: 0,
    lowerS: tempo.upS,
    restS: tempo.restS,
    peakPct,
    deepest: {
      holdS: Math.min(tempo.effortS, mostS),
      peakPct,
      times: tempo.efforts,
      letGoS: within(tempo.letGoS, gated.longestHoldS)
    }
  };
  return { form: { kind: 'reps', spec } };
}

/** How many lifts a school begins with; null where it counts none. */
const liftsOf = ({ way, rules }: School): number | null =>
  way.kind === 'reps' ? way.reps : way.kind === 'holds' && rules.contraction?.span ? lowOf(rules.contraction.span) : null;
/** How long a lift is held in a school that says so. */
const heldFigure = ({ way }: School): number | null => (way.kind === 'reps' ? way.holdS : null);

/** Repeats of a second or two with a trace of help, where the school has none of its own (common practice). */
const usualRepeats = { reps: 9, liftS: 2, holdS: 1.5, lowerS: 2, effortPct: 20 } as const;

/** The opposite muscle moves the limb, a trace of help at the edge: for a second or two, many times, in one set. */
function repeats(ask: FormAsk, figures: Figures): Made {
  const { school, capPct, gated, exercise } = ask;
  const way = school.way.kind === 'reps' ? school.way : usualRepeats;
  const { tempo } = exercise;
  const most = gated.caps.contractionS ?? Infinity;
  const times = tempo?.kind === 'lifted' ? tempo : { upS: way.liftS, downS: way.lowerS };
  const [liftS, lowerS] = most < Infinity ? [lift.quickS, lift.quickS] : [times.upS, times.downS];
  // What is taught for an exercise of repeats is so in whichever school it is done.
  const dose = figures.dose ?? exercise.doses[0];
  const holdS = lowOf(dose?.contractionS ?? dose?.holdS ?? way.holdS);
  const spec = {
    reps: figures.has('reps') ? figures.of('reps', way.reps) : lowOf(dose?.reps ?? way.reps),
    liftS,
    holdS: Math.min(within(holdS, gated.longestHoldS), Math.max(0, most - liftS - lowerS)),
    lowerS,
    restS: 0,
    peakPct: Math.min(way.effortPct, capPct),
    assisted: !exercise.kinds.includes('isometric')
  };
  return { form: { kind: 'reps', spec }, ...(dose?.sets !== undefined && { sets: lowOf(dose.sets) }) };
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
  const spec = { breaths, breathS, effortPct, passes: isWay ? roundsOf(ask, figures, rules.rounds?.span ?? 1) : 1 };
  return { form: { kind: 'breaths', spec: exercise.places ? { ...spec, places: exercise.places } : spec } };
}

const lightPct = 15;

/** Holds with a moment to let go between. */
function holds(ask: FormAsk, { holdS, restS }: Readonly<{ holdS: number; restS: number }>, figures: Figures): Made {
  const { school, gated } = ask;
  const spec = {
    sets: roundsOf(ask, figures, school.rules.rounds?.span ?? 1),
    pulses: 0,
    pulseS: 0,
    holdS: within(holdS, gated.longestHoldS),
    restS,
    settleS: 0
  };
  return { form: { kind: 'pulses', spec } };
}

/** True where it is pressed for as long as it is held. */
const isPressedHold = ({ phases, dials }: Exercise): boolean =>
  phases[0] === 'contract-relax' &&
  dials.some((d) => d.id === 'holdS') &&
  !dials.some((d) => ['effortPct', 'contractionS', 'rounds'].includes(d.id));

/** Pressed steadily for as long as it is held, once. */
function pressedHold({ gated, capPct }: FormAsk, figures: Figures): Made {
  const heldS = within(figures.of('holdS', null), gated.longestHoldS);
  const press = { rampUpS: 2, holdS: heldS, rampDownS: 2, peakPct: Math.min(lift.peakPct, capPct) };
  const spec = { holdS: 0, rounds: 1, press: shortened(press, gated.caps.contractionS ?? Infinity), turnS: 0 };
  return { form: { kind: 'cycle', spec: { ...spec, settleS: 0, finalSettleS: 8, ...(gated.noHarder && { stays: true }) } } };
}

function quiet(ask: FormAsk, figures: Figures): Made {
  if (figures.has('breaths')) {
    const { form } = inBreaths(ask, figures);
    return { form: form.kind === 'breaths' ? { kind: 'breaths', spec: { ...form.spec, effortPct: 0, passes: 1 } } : form };
  }
  return { form: holdForm(ask, figures.untold('holdS', quietS), 'lie still') };
}

function cycle(ask: FormAsk, way: PressWay, figures: Figures): Made {
  const { school, exercise, level, gated, capPct } = ask;
  const { dose } = figures;
  // Short contract-relax holds at its end, a long hold at its start: the hold that is given belongs there.
  const holdsLast = leastHoldOf(school, level) === null;
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
  // Where pressing is not the school's own way its rounds say nothing of it.
  const rounds = roundsOf(ask, figures, school.press ? [way.rounds, way.rounds + 1] : (school.rules.rounds?.span ?? 1));
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
 * Rounds as set, else the least of the school; one more where range is opened, as far as the dial and the school go.
 */
function roundsOf({ exercise, moreRounds, setting }: FormAsk, figures: Figures, usual: Span): number {
  const span = figures.dose?.rounds ?? figures.dose?.sets ?? usual;
  const [least, most] = typeof span === 'number' ? [span, span] : span;
  const dial = exercise.dials.find((d) => d.id === 'rounds');
  if (dial) figures.used.push('rounds');
  const begun = (dial && setting.rounds) ?? least;
  const end = dial && setting.rounds !== undefined ? dial.max : most;
  return Math.min(Math.max(begun, end), begun + (moreRounds ? 1 : 0));
}

const usualIn = (span: Span, usual: number): number =>
  typeof span === 'object' && usual >= span[0] && usual <= span[1] ? usual : lowOf(span);
const within = (s: number, longestS: number | null): number => (longestS === null ? s : Math.min(s, longestS));
const toFive = (pct: number): number => Math.max(5, Math.round(pct / 5) * 5);
