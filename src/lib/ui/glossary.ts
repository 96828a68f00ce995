// A data table: one word for one thing on every page. Common practice.
import type { PlanPhase } from '$lib/core';

export type Word = Readonly<{
  /** The word on the pages. */
  word: string;
  means: string;
  /** The standard term of the field, where it is another. */
  term?: string;
}>;

export const glossary: readonly Word[] = [
  {
    word: 'Passive reach',
    term: 'passive range of motion',
    means: 'How far a joint goes with help: by weight, a hand, a strap or the floor.'
  },
  {
    word: 'Active hold',
    term: 'active range of motion',
    means: 'How far a joint goes and stays by its own muscles, without hands.'
  },
  { word: 'Joint range', term: 'range of motion', means: 'How far one joint goes in one direction, in degrees.' },
  { word: 'Main limit', means: 'The joint range that is furthest short of what the goal needs.' },
  {
    word: 'Give or take',
    term: 'measurement error',
    means: 'How much two measures of the same thing differ by chance. A change that is smaller may be no change.'
  },
  {
    word: 'Press',
    term: 'isometric contraction',
    means: 'The muscle that is being lengthened pushes out of the stretch, against something that does not give.'
  },
  { word: 'Draw', term: 'agonist contraction', means: 'The muscle on the other side pulls further into the stretch.' },
  {
    word: 'Contract-relax',
    term: 'contract-relax stretching',
    means: 'Press or draw, let go slowly, then settle a little further.'
  },
  {
    word: 'Effort',
    term: 'percentage of maximal voluntary contraction',
    means: 'How hard a press is, as a share of the hardest that is possible.'
  },
  {
    word: 'Sensation',
    term: 'numeric rating',
    means: 'How strong the stretch feels, from 0 to 10. It never goes over the limit of the Check.'
  },
  { word: 'Setting', means: 'What can be changed in an exercise, one at a time: a height, a hold, an effort, repetitions.' },
  { word: 'Stack', means: 'Props put on one another to an exact height, under the pelvis, the hands, a heel or the seat.' },
  { word: 'Step', means: 'The next height or setting that is a little harder, or a little easier.' },
  { word: 'Depth', means: 'The height left to flat in a split. Past flat it is counted below the floor line.' },
  { word: 'School', term: 'method', means: 'A way of working that practitioners share: how long, how hard, how often.' },
  { word: 'Settling in', means: 'The first weeks of a plan: fewer sets, to learn the positions.' },
  { word: 'Gaining range', means: 'The longest part of a plan: holds and presses open the joint.' },
  { word: 'Active control', means: 'The weeks in which the new range is held by its own muscles.' },
  { word: 'In position', means: 'The last weeks of a plan: the goal position itself is practised most.' },
  { word: 'As planned', means: 'The set was done in full, in shape, and within the limits.' },
  { word: 'Decision', means: 'What comes next for an exercise after a session: keep, harder, easier, or stop.' },
  { word: 'Stopped', means: 'Not done anywhere in the application until a named person clears it.' },
  { word: 'Easy week', term: 'deload', means: 'A week with less of each exercise, so that the body catches up.' }
];

/** What stays in the code: names of the trade’s codes and our own nouns, which no page shows. */
export const codeWords =
  /\b(HF-K[SB]|HE-KF|HAB90|HAB|HAD|H[EI]R(?:0|90)|APF|ADF|S[EI]R|[Hh]eadlines?|[Nn]eighbours?|[Rr]ungs?|[Tt]reads?|[Vv]erdicts?|[Dd]eepen(?:ed|ing)?|[Dd]ials?|[Ss]tature)\b|%·s|[Ss]tops? (?:is|are) open/;

/** The parts of a plan, as the weeks are headed; what each is stands in the glossary. */
export const planPhaseWords: Readonly<Record<PlanPhase, string>> = {
  'settle in': 'settling in',
  open: 'gaining range',
  own: 'active control',
  arrive: 'in position'
};
