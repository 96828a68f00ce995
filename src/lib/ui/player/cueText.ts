import {
  exerciseOf,
  type Exercise,
  type FindExercise,
  type Phase,
  type Prop,
  type Side,
  type TimelineSet,
  type Work
} from '$lib/core';
import type { LengthUnit, Units } from '$lib/contract/fields';
import { slips } from '$lib/contract/setForms';
import type { LastTime } from '$lib/contract/review';
import { figuresText } from '$lib/ui/figuresText';
import { clockText, shortDate } from '$lib/ui/format';
import { stackLine } from '$lib/ui/stackText';
import { cueSentence, noteSentences } from '$lib/words/cueWords';
import { holdCues } from '$lib/words/holdWords';
import { movementOf, repText, repWordsOf } from '$lib/words/repWords';

type Cue = Readonly<{ text: string; tone: 'ink' | 'iris' | 'fern' }>;

/** The one cue, large: what to do now, with the announced effort where there is one. */
export function cueOf(phase: Phase, announcedPct: number, set: TimelineSet): Cue {
  switch (phase.kind) {
    case 'press up':
    case 'press':
      return { text: announcedPct === 0 ? `Build up to ${Math.round(phase.toPct)} %` : `Press ${announcedPct} %`, tone: 'iris' };
    case 'press down':
      return { text: `Let go slowly, ${announcedPct} %`, tone: 'iris' };
    case 'draw up':
      return {
        text: announcedPct === 0 ? `Draw, up to ${Math.round(Math.abs(phase.toPct))} %` : `Draw ${announcedPct} %`,
        tone: 'fern'
      };
    case 'draw':
      return { text: `Draw ${announcedPct} %`, tone: 'fern' };
    case 'draw down':
      return { text: `Let go slowly, ${announcedPct} %`, tone: 'fern' };
    case 'lift':
    case 'work':
      return { text: repWordsOf(set.exerciseId).there, tone: 'fern' };
    case 'held':
      return { text: isLetGo(set) ? 'Let go, keep it there' : 'Hold it there', tone: 'fern' };
    case 'lower':
      return { text: repWordsOf(set.exerciseId).back, tone: 'fern' };
    case 'turn':
      return { text: 'Let go', tone: 'ink' };
    case 'settle':
      return { text: 'Settle', tone: 'ink' };
    case 'hold':
      if (phase.cue.code === 'let go') return { text: 'Let go', tone: 'ink' };
      return phase.beatS === undefined || phase.goesBy === 'counts'
        ? { text: 'Hold', tone: 'ink' }
        : { text: 'Breathe', tone: phase.fromPct > 0 ? 'iris' : 'ink' };
    case 'ready':
      return { text: set.sideChange ? 'Change sides' : 'Get ready', tone: 'ink' };
    case 'rest':
      return { text: 'Rest', tone: 'ink' };
    case 'move':
      return { text: isLetGo(set) ? 'Place it by hand' : moveText(phase, set), tone: 'ink' };
  }
}

/** The word of a movement that is counted: "Circle the leg". */
const moveText = ({ beatS }: Phase, { exerciseId }: TimelineSet): string =>
  beatS === undefined ? 'Move' : (movementOf(exerciseId) ?? 'Move');

const isLetGo = ({ work: { form } }: TimelineSet): boolean => form.kind === 'reps' && form.spec.letGo === true;

/** What is to be kept to in a set: the checks of the exercise, as far as its rules ask for them, and what its shape asks besides. */
export function checksOf(
  { checks }: Pick<Exercise, 'checks'>,
  { form, rules = {} }: Pick<Work, 'form' | 'rules'>
): readonly string[] {
  const noHands = rules.hands === 'none' || (form.kind === 'reps' && form.spec.noHands === true);
  const ofShape =
    rules.alignment === 'graded'
      ? []
      : rules.alignment === 'joint only'
        ? ['the joint in question stays in line, the rest is free']
        : checks;
  return noHands ? [...ofShape, 'no hands'] : ofShape;
}

/** What may have gone out of shape: where the shape may loosen on purpose only that somebody came off early. */
export const slipsOf = ({ rules }: Pick<Work, 'rules'>): readonly (typeof slips)[number][] =>
  rules?.alignment === 'graded' ? slips.filter((s) => s === 'nothing' || s === 'came off early') : slips;

/** What is counted now, where something is: "4 of 10". */
export function countText(count: Readonly<{ at: number; of: number }> | null): string {
  return count ? `${count.at} of ${count.of}` : '';
}

/** The line under the cue: how, in plain words. */
export function howOf(phase: Phase, exercise: Exercise): string {
  if (phase.kind === 'ready') return exercise.setup.join(' ') || `Take your place for ${exercise.name}.`;
  const effort = phase.kind.startsWith('press') ? exercise.press : phase.kind.startsWith('draw') ? exercise.draw : undefined;
  // An effort against the pull is another than that of the exercise.
  const how = phase.how ?? (phase.cue.code === 'press against the pull' ? undefined : effort) ?? ownWords(phase, exercise);
  return phase.notes ? `${how.replace(/\.$/, '')}. ${noteSentences(phase.notes)}` : how;
}

/** Of a lift the count alone, and the way back in the words of the exercise: "Lift" is none of its own. */
function ownWords(phase: Phase, exercise: Exercise): string {
  if (phase.goesBy) return holdCues[phase.goesBy];
  if (phase.kind === 'lift' && phase.rep) return repText(phase.rep);
  return phase.kind === 'lower' ? `${repWordsOf(exercise.id).back}.` : cueSentence(phase);
}

type Shown = Readonly<{ exerciseId: string; side: Side | null }>;

/** The exercise, and its side in the words of the exercise. */
export function shownText({ exerciseId, side }: Shown, find: FindExercise = exerciseOf): string {
  const { name, sideWords } = find(exerciseId);
  return side ? `${name}, ${side} ${sideWords}` : name;
}

/** What to put under the body for this work, or that it stays as it was. */
export function stackChangeText(
  exercise: Pick<Exercise, 'dials'>,
  { stacks = [] }: Pick<Work, 'stacks'>,
  before: Pick<Work, 'stacks'> | undefined,
  shelf: readonly Prop[],
  unit: LengthUnit
): string {
  if (stacks.length === 0) return '';
  const heights = (of: Pick<Work, 'stacks'> | undefined) => of?.stacks?.map((s) => s.rung.depthCm).join();
  if (heights(before) === heights({ stacks })) return stacks.length > 1 ? 'The stacks stay.' : 'The stack stays.';
  return `Stack: ${stacks.map((s) => stackLine(exercise, s, shelf, unit)).join('; ')}.`;
}

/** What is said aloud to somebody who does not look: what comes and what to fetch while getting ready, the count of a repetition, else the cue. */
export function spokenText(
  phase: Phase,
  announcedPct: number,
  set: TimelineSet,
  shown: Shown,
  stackChange: string,
  find: FindExercise = exerciseOf
): string {
  const cue = cueOf(phase, announcedPct, set).text;
  switch (phase.kind) {
    case 'ready':
      return [`${cue}: ${shownText(shown, find)}.`, stackChange].filter(Boolean).join(' ');
    case 'work':
      return `${cue}. ${cueSentence(phase)}`;
    case 'lift':
      return phase.rep ? `${cue}, ${repText(phase.rep)}.` : cue;
    case 'move':
      return cue === 'Move' || isLetGo(set) ? cueSentence(phase) : `${cue}. ${cueSentence(phase)}`;
    case 'hold':
      // A place of a circuit.
      return phase.how ?? cue;
    default:
      return cue;
  }
}

/** How it went the last time, in a line: what was said, and how long it was. */
export function lastTimeText({ on, clean, sensation, slipped, actualS, figures }: LastTime, units: Units): string {
  const said = [
    clean ? 'as planned' : '',
    sensation === null ? '' : `${sensation} of 10`,
    slipped === null || slipped === 'nothing' ? '' : slipped,
    ...figuresText(figures, units)
  ].filter(Boolean);
  return `Last time, ${shortDate(on)}: ${[...(said.length > 0 ? said : ['nothing was said']), clockText(actualS)].join(', ')}.`;
}
