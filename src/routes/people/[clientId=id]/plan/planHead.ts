import {
  measureOf,
  motionOf,
  plateauRules,
  progressRules,
  type LinkDose,
  type LinkId,
  type PlanPhase,
  type PositionReading
} from '$lib/core';
import { capital, dateText, plural } from '$lib/ui/format';
import { planPhaseWords } from '$lib/ui/glossary';
import { sentencesOf } from '../read/findings';

export type HeadAsk = Readonly<{
  readings: readonly PositionReading[];
  isReached: boolean;
  weeks: readonly Readonly<{
    week: number;
    phase: PlanPhase;
    easy: boolean;
    retest: boolean;
    sessions: readonly Readonly<{ on: string; status: string }>[];
  }>[];
  /** Minutes by motion of the next usual week. */
  doses: readonly LinkDose[];
  /** Measure of the goal itself. */
  headline: string;
  today: string;
}>;

/** A plan as its instructor would put it: one sentence each for its limit, its weeks, its tests and what would change it. */
export const planHead = (ask: HeadAsk): readonly Readonly<{ about: string; text: string }>[] => [
  { about: 'Limit', text: limitText(ask) },
  { about: 'Weeks', text: weeksText(ask) },
  { about: 'Tests', text: testsText(ask) },
  { about: 'Changes', text: changesText() }
];

const limitText = ({ readings, isReached }: HeadAsk): string => {
  const texts = sentencesOf(readings, isReached).map(({ side, text }) => (side ? `${capital(side)} leading: ${text}` : text));
  return texts.length > 0 ? `${texts.join('. ')}.` : 'No single joint limits this goal: every part has its turn.';
};

/** The phases with their weeks, the easy ones, and what a usual week gives the motions that get most. */
function weeksText({ weeks, doses }: HeadAsk): string {
  // Who joined late settles in in the middle: a phase may come twice.
  const begins = weeks.flatMap((w, i) => (w.phase === weeks[i - 1]?.phase ? [] : [i]));
  const phases = begins.map((at, n) => {
    const last = weeks[(begins[n + 1] ?? weeks.length) - 1]!;
    return `${weekSpan(weeks[at]!.week, last.week)} ${planPhaseWords[last.phase]}`;
  });
  const easy = weeks.filter((w) => w.easy).map((w) => w.week);
  const eased = easy.length > 0 ? `; ${weeksWord(easy)} easy` : '';
  const most = mostWorked(doses);
  const gives =
    most.length > 0
      ? `. A usual week gives ${most.map(({ link, min }, i) => `${motionOf(link).name} ${min}${i === 0 ? ' min a side' : ''}`).join(', ')}`
      : '';
  return phases.length > 0 ? `${capital(phases.join(', '))}${eased}${gives}.` : 'Nothing is planned.';
}

const weekSpan = (from: number, to: number): string => (from === to ? `week ${from}` : `weeks ${from} to ${to}`);
const weeksWord = (weeks: readonly number[]): string => `${weeks.length === 1 ? 'week' : 'weeks'} ${weeks.join(', ')}`;

/** The three motions with the most minutes, of the side that gets more. Active work and time under stretch; a press is under stretch. */
function mostWorked(doses: readonly LinkDose[]): { link: LinkId; min: number }[] {
  const most = new Map<LinkId, number>();
  for (const { link, stretchS, activeS } of doses) most.set(link, Math.max(most.get(link) ?? 0, stretchS + activeS));
  return [...most]
    .map(([link, s]) => ({ link, min: Math.round(s / 60) }))
    .filter((m) => m.min > 0)
    .toSorted((a, b) => b.min - a.min)
    .slice(0, 3);
}

function testsText({ weeks, headline, today }: HeadAsk): string {
  const name = measureOf(headline).name.toLowerCase();
  const next = weeks.find((w) => w.retest && w.sessions.some((s) => s.status === 'planned'));
  const on = next?.sessions.at(-1)?.on;
  return `${capital(name)} is measured at the end of every second week, in the same state as the first time${on ? `; ${on < today ? 'due since' : 'next around'} ${dateText(on)}` : ''}.`;
}

const changesText = (): string =>
  `${capital(plural(progressRules.cleanSessions, 'clean session'))} in a row make one setting harder; pain, too strong a stretch or a shape lost twice takes one back. ` +
  `Where the measure stands still for ${plateauRules.weeks} weeks although sessions were done, other exercises are proposed.`;
